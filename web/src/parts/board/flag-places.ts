/** Where the RED and BLACK flags stand on a board, so that they cover neither the pins nor each other. */

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

export const FLAG = { w: 30, h: 11 };
const DISTANCES = [12, 26, 42];
const DIRECTIONS: readonly [number, number][] = [
  [-1, 0],
  [1, 0],
  [0, 1],
  [0, -1],
  [-1, -0.7],
  [-1, 0.7],
  [1, -0.7],
  [1, 0.7],
];

export function overlap(a: Box, b: Box): number {
  const w = Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x);
  const h = Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y);
  return w > 0 && h > 0 ? w * h : 0;
}

function outside(box: Box, board: Box): number {
  return box.w * box.h - overlap(box, board);
}

/**
 * The best place for one flag among a ring of candidates.
 * @param target - The point it belongs to, in board millimetres.
 * @param keepClear - What it should not cover; the earlier flag among them.
 */
export function placeFlag(
  target: readonly [number, number],
  board: Box,
  keepClear: readonly Box[],
): Box {
  let best: Box | undefined;
  let least = Infinity;
  for (const distance of DISTANCES)
    for (const [dx, dy] of DIRECTIONS) {
      const cx = target[0] + dx * (distance + FLAG.w / 2);
      const cy = target[1] + dy * (distance + FLAG.h / 2);
      const box = { x: cx - FLAG.w / 2, y: cy - FLAG.h / 2, ...FLAG };
      const covered = keepClear.reduce((sum, each) => sum + overlap(box, each), 0);
      const cost = outside(box, board) * 20 + covered * 4 + distance;
      if (cost < least) {
        least = cost;
        best = box;
      }
    }
  return best!;
}
