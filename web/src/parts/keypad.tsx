/** A keypad for the thumb: digits, sign, prefixes, OL. It types into the field, as a keyboard would. */
import { Button } from './button';

const ROWS = [
  ['1', '2', '3', 'k', 'M'],
  ['4', '5', '6', 'm', 'µ'],
  ['7', '8', '9', '−', '⌫'],
  ['.', '0', 'OL'],
] as const;

const NAMES: Readonly<Record<string, string>> = {
  k: 'kilo',
  M: 'mega',
  m: 'milli',
  µ: 'micro',
  '−': 'minus',
  '⌫': 'delete',
  '.': 'decimal point',
  OL: 'overload',
};

/** The text after one key. */
export function typeKey(text: string, key: string): string {
  if (key === '⌫') return text.slice(0, -1);
  if (key === 'OL') return 'OL';
  if (key === '−') return text.startsWith('-') ? text.slice(1) : `-${text}`;
  return (text === 'OL' ? '' : text) + key;
}

export interface KeypadProps {
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly onKeep: () => void;
  readonly keep: string;
  readonly canKeep: boolean;
}

export function Keypad({ text, onText, onKeep, keep, canKeep }: KeypadProps) {
  return (
    <div role="group" aria-label="Keypad" className="grid grid-cols-5 gap-1.5 lg:hidden">
      {ROWS.flat().map((key) => (
        <button
          key={key}
          type="button"
          aria-label={NAMES[key]}
          onClick={() => onText(typeKey(text, key))}
          className="figure min-h-[49px] cursor-pointer border border-hair bg-card text-[22px] font-semibold"
        >
          {key}
        </button>
      ))}
      <Button kind="go" className="col-span-2 text-[18px]" onClick={onKeep} disabled={!canKeep}>
        {keep}
      </Button>
    </div>
  );
}
