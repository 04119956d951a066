/** The look of one thing that was found. */
export const ITEM =
  'flex min-h-11 cursor-pointer items-center justify-between gap-3 px-3 data-[selected=true]:bg-jade-tint';
