/** How a field of one line looks: tall enough for a gloved thumb, as wide as its place. */
export const FIELD =
  'mt-1 block min-h-12 w-full border border-soft bg-paper px-3 text-[17px] font-normal text-ink';
