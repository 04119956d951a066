/**
 * The order in which a log folds: what an entry's device had seen comes before it, then earlier device
 * time (corrected by the offset measured at sending), then the lower number. Entries from before devices
 * said what they had seen count as having seen everything before them.
 */
import type { LoggedEntry } from './entry';

const time = ({ at, offset = 0 }: LoggedEntry) => Date.parse(at) + offset;

/** Highest number that the entry's device had seen; an unsent one without it had seen all there is. */
export const seenBy = ({ seen, seq }: LoggedEntry, most: number) =>
  Math.min(seen ?? Infinity, seq === undefined ? most : seq - 1);

/** Whether the device of an entry knew of another when it wrote it. */
export function sawEntry(entry: LoggedEntry, other: LoggedEntry): boolean {
  if (entry.device === other.device && entry.device !== undefined) return true;
  if (other.seq === undefined) return entry.device === other.device;
  return seenBy(entry, Infinity) >= other.seq;
}

/** Linear in the entries for a handful of devices. The order of its argument means nothing. */
export function inLogOrder<E extends LoggedEntry>(entries: readonly E[]): E[] {
  const numbered = [...entries].sort(byNumber);
  const most = numbered.reduce((max, { seq }) => Math.max(max, seq ?? 0), 0);
  // One queue a device: its own entries follow each other as it wrote them.
  const byDevice = new Map<string, { readonly entries: E[]; head: number }>();
  for (const entry of numbered) {
    const key = entry.device ?? '';
    const queue = byDevice.get(key);
    if (queue) queue.entries.push(entry);
    else byDevice.set(key, { entries: [entry], head: 0 });
  }
  if (byDevice.size <= 1) return numbered;
  const queues = [...byDevice.values()];
  const there = new Set<number>();
  for (const { seq } of numbered) if (seq !== undefined) there.add(seq);
  const done = new Set<number>();
  // All numbers up to this one have been put out, or are not here at all.
  let through = 0;
  const ordered: E[] = [];
  while (ordered.length < numbered.length) {
    while (through < most && (done.has(through + 1) || !there.has(through + 1))) through += 1;
    let next: { readonly queue: (typeof queues)[number]; readonly entry: E } | undefined;
    for (const queue of queues) {
      const entry = queue.entries[queue.head];
      if (!entry || seenBy(entry, most) > through) continue;
      if (!next || earlier(entry, next.entry)) next = { queue, entry };
    }
    // The lowest number left has always been seen by nobody but itself: there is a next one.
    if (!next) throw new TypeError('a log whose entries all wait for each other');
    next.queue.head += 1;
    if (next.entry.seq !== undefined) done.add(next.entry.seq);
    ordered.push(next.entry);
  }
  return ordered;
}

/** By the corrected time of the devices, then by number. */
const earlier = (a: LoggedEntry, b: LoggedEntry): boolean =>
  time(a) < time(b) || (time(a) === time(b) && byNumber(a, b) < 0);

const byNumber = (a: LoggedEntry, b: LoggedEntry): number =>
  (a.seq ?? Infinity) - (b.seq ?? Infinity) || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
