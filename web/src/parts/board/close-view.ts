/** The part of a board worth showing where there is room for little: around the two points. */
import type { Box } from './flag-places';

/** Millimetres kept free around what must be seen. */
const AIR = 7;
/** A view is never narrower or lower than this, so that the neighbourhood can be recognised. */
const LEAST = { w: 88, h: 42 };

/**
 * Smallest view that holds all boxes with some air, kept on the board.
 * @returns the whole board where that is no larger than the view.
 */
export function closeView(board: Box, mustSee: readonly Box[]): Box {
  if (mustSee.length === 0) return board;
  const left = Math.min(...mustSee.map((box) => box.x)) - AIR;
  const top = Math.min(...mustSee.map((box) => box.y)) - AIR;
  const right = Math.max(...mustSee.map((box) => box.x + box.w)) + AIR;
  const bottom = Math.max(...mustSee.map((box) => box.y + box.h)) + AIR;
  const w = Math.min(board.w, Math.max(LEAST.w, right - left));
  const h = Math.min(board.h, Math.max(LEAST.h, bottom - top));
  return {
    x: within((left + right - w) / 2, board.x, board.x + board.w - w),
    y: within((top + bottom - h) / 2, board.y, board.y + board.h - h),
    w,
    h,
  };
}

const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
