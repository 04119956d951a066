/** Who stands first: a fault of the sheet, nothing at all, or something that is not on the sheet. */
import type { Fault, Sheet } from '../sheet/schema';
import type { Shares } from './belief';

export type Who =
  | { readonly kind: 'fault'; readonly fault: Fault }
  | { readonly kind: 'sound' }
  | { readonly kind: 'other' };

export type Leader = Who & { readonly p: number };

/** One word for each of them: the fault’s id, or the kind. */
export const whoKey = (who: Who): string => (who.kind === 'fault' ? who.fault.id : `:${who.kind}`);

export const shareOf = ({ now, sound, other }: Shares, who: Who): number =>
  who.kind === 'fault' ? (now[who.fault.id] ?? 0) : who.kind === 'sound' ? sound : other;

/** Everyone, likeliest first; of equals the sheet’s order stands. */
export const ranked = ({ faults }: Sheet, shares: Shares): readonly Leader[] =>
  [
    ...faults.map((fault): Who => ({ kind: 'fault', fault })),
    { kind: 'sound' } as const,
    { kind: 'other' } as const,
  ]
    .map((who) => ({ ...who, p: shareOf(shares, who) }))
    .sort((a, b) => b.p - a.p);
