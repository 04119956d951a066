/** One thing that was found: its look, and how the list takes it. */
export const ITEM =
  'flex min-h-11 cursor-pointer items-center justify-between gap-3 px-3 data-[selected=true]:bg-jade-tint';

/** Keyword of what was found with its typing mistakes: what is asked need not stand in it letter by letter. */
export const ALREADY = ['found already'];
