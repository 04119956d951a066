/** The look of the field, before and after the finder has come. */
export const FIND_FIELD =
  'w-full border-b border-ink bg-card px-4 py-3 text-[18px] text-ink outline-none';
