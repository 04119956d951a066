/**
 * Keeping what was taken. A second figure at one place is one of three things: *again* (the same look at
 * the same thing: the later stands), *changed by work* (both stand, each of the machine of its time), or
 * *later* (another state, or longer ago: what contradicts stands beside what went before, and “good now”
 * heals nothing). Agreeing figures of one machine count once, with how often they agreed.
 */
import { SAME_LOOK_MS } from '../../conditions/situation';
import { nth } from '../../numeric/nth';
import type { Draft } from '../state/draft';
import { isSilent, type Taken } from '../state/state';

export function keepTaken(draft: Draft, taken: Taken): void {
  // What was taken back is kept, and counts for nothing.
  if (taken.standing.kind === 'withdrawn') {
    draft.taken.push(taken);
    return;
  }
  const place = draft.latest.get(taken.observable);
  const before = place === undefined ? undefined : nth(draft.taken, place);
  draft.latest.set(taken.observable, draft.taken.length);
  draft.taken.push(before && place !== undefined ? beside(draft, taken, before, place) : taken);
}

/** @returns the later of two findings of one place, with what the earlier one makes of it. */
function beside(draft: Draft, taken: Taken, before: Taken, place: number): Taken {
  const agreeing = saying(before) === saying(taken) ? before.agreeing + 1 : 0;
  if (before.situation.epoch !== taken.situation.epoch) {
    if (speaks(before)) draft.earlier.add(place);
    return taken;
  }
  if (draft.rules === 1) return agreeing === 0 ? taken : { ...taken, agreeing };
  // What means nothing replaces nothing, and is no repeat of anything.
  if (isSilent(taken.standing)) {
    if (speaks(before)) draft.earlier.add(place);
    return taken;
  }
  if (isSilent(before.standing)) return overEarlier(draft, taken);
  if (agreeing > 0) {
    if (!isLater(before, taken)) keepSaid(draft, taken, before);
    return { ...taken, agreeing };
  }
  if (isLater(before, taken)) {
    draft.earlier.add(place);
    return taken;
  }
  return contradicting(before, taken);
}

/** The same at the same place, moments later: what was proven of its contact, and found there, still holds. */
function keepSaid(draft: Draft, taken: Taken, before: Taken): void {
  const proven = draft.contacts.get(before.entry);
  if (proven) draft.contacts.set(taken.entry, proven);
  const finds = draft.finds.get(before.entry);
  if (finds) draft.finds.set(taken.entry, finds);
}

/** Over one that meant nothing: the last that did mean something is what it repeats. */
function overEarlier(draft: Draft, taken: Taken): Taken {
  const places = [...draft.earlier].filter((place) => {
    const each = nth(draft.taken, place);
    return each.observable === taken.observable && each.situation.epoch === taken.situation.epoch;
  });
  const place = places.at(-1);
  if (place === undefined) return taken;
  draft.earlier.delete(place);
  return beside(draft, taken, nth(draft.taken, place), place);
}

const speaks = ({ standing }: Taken): boolean => !isSilent(standing);

const contradicting = (before: Taken, taken: Taken): Taken =>
  isGood(before) === isGood(taken) ? taken : { ...taken, contradicts: before.entry };

/** Another live state, or longer ago than one look lasts. */
const isLater = (before: Taken, taken: Taken): boolean =>
  before.situation.state !== taken.situation.state ||
  Math.abs(Date.parse(taken.at) - Date.parse(before.at)) > SAME_LOOK_MS;

const isGood = (taken: Taken): boolean =>
  taken.kind === 'answer' ? taken.outcome === 'ok' : taken.judgement.verdict === 'in';

/** One word for what a finding said, to compare it with the one before. Later remarks do not change it. */
const saying = (taken: Taken): string =>
  taken.kind === 'answer'
    ? taken.outcome
    : `${taken.judgement.verdict} ${taken.judgement.verdict === 'in' ? '' : taken.judgement.outcome}`;

/** It comes and goes: the finding that the later one had replaced stands beside it again. */
export function standBoth(draft: Draft, later: string): void {
  const contradicts = draft.taken.find(({ entry }) => entry === later)?.contradicts;
  const place = draft.taken.findIndex(({ entry }) => entry === contradicts);
  if (place >= 0) draft.earlier.add(place);
}
