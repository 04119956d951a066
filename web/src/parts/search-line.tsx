/** The large field by which a list is searched: it has the focus when the screen opens. */
export interface SearchLineProps {
  readonly label: string;
  readonly words: string;
  readonly onWords: (words: string) => void;
}

export const SearchLine = ({ label, words, onWords }: SearchLineProps) => (
  <label className="mt-4 block">
    <span className="text-[14px] text-soft">{label}</span>
    <input
      type="search"
      autoFocus
      value={words}
      maxLength={200}
      onChange={(event) => onWords(event.target.value)}
      className="reading-field mt-1 block min-h-12 w-full border-0 border-b-4 border-ink bg-transparent px-1 text-[22px] text-ink focus:border-jade focus-visible:outline-none"
    />
  </label>
);
