/**
 * The state of the measuring card, without a screen: what lies over it, which placement is taken again, what
 * Enter does and which keys are free. One thing lies over the card at a time.
 */
import type { MeterLine } from '@jeitinho/core';
import type { Refusal, Taken } from '@jeitinho/core/job';
import type { Remark } from './remark-dialogs';

/** What lies over the card, or takes its place. */
export type Over =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'meters' }
  | { readonly kind: 'skip' }
  | { readonly kind: 'zero' }
  | { readonly kind: 'remark'; readonly remark: Remark; readonly taken: Taken }
  /** Cells of a table, pasted or about to be. */
  | { readonly kind: 'paste'; readonly text: string };

export interface CardState {
  readonly over: Over;
  /** The placement that is being taken again, by its observable. */
  readonly repeating: string | undefined;
}

export type CardAction =
  | { readonly kind: 'open'; readonly over: Over }
  | { readonly kind: 'closed' }
  | { readonly kind: 'repeat'; readonly observable: string }
  /** A finding was written down: nothing is taken again any more. */
  | { readonly kind: 'kept' };

export const AT_REST: CardState = { over: { kind: 'nothing' }, repeating: undefined };

export function cardReducer(state: CardState, action: CardAction): CardState {
  switch (action.kind) {
    case 'open':
      return { ...state, over: action.over };
    case 'closed':
      return { ...state, over: AT_REST.over };
    case 'repeat':
      return { ...state, repeating: action.observable };
    case 'kept':
      return { ...state, repeating: undefined };
    default:
      action satisfies never;
      return state;
  }
}

/** Where the card stands, as far as Enter and the keys go by it. */
export interface CardSituation {
  readonly over: Over;
  readonly refusal: Refusal | undefined;
  /** Whether the refusal asks for the precautions of live work. */
  readonly asksForLive: boolean;
  /** A press counts, and whoever must be in reach is named. */
  readonly ready: boolean;
  /** Nothing is typed. */
  readonly empty: boolean;
  /** A figure that limits hang on is owed first. */
  readonly owesGiven: boolean;
  /** What the connected meter shows and Enter would keep. */
  readonly offered: MeterLine | undefined;
  /** The placement was read, or left out on purpose. */
  readonly done: boolean;
  /** The live state it wants is not entered, and nothing that counts is taken: Enter enters it. */
  readonly enters: boolean;
  /** Takes single figures: a measuring test whose machine is in its state, and no series. */
  readonly takesFigures: boolean;
  readonly ohms: boolean;
  readonly hasPrevious: boolean;
  /** What the answer speaks of. */
  readonly told: Taken | undefined;
}

export type PrimaryAct =
  | 'nothing'
  | 'make-safe'
  | 'choose-meter'
  | 'confirm-live'
  | 'enter-state'
  | 'keep-typed'
  | 'keep-offered'
  | 'go-on';

/** What Enter does. */
export function primaryAct(at: CardSituation): PrimaryAct {
  if (at.over.kind === 'zero') return 'nothing';
  if (at.refusal?.code === 'dead-not-proven') return 'make-safe';
  if (at.refusal?.code === 'meter-unfit') return 'choose-meter';
  if (at.refusal) return at.asksForLive && at.ready ? 'confirm-live' : 'nothing';
  if (!at.empty) return 'keep-typed';
  if (at.enters) return 'enter-state';
  if (at.offered) return 'keep-offered';
  return at.done ? 'go-on' : 'nothing';
}

/** Whether a finding waits for its proof of contact. */
export const owesContact = (taken: Taken | undefined): taken is Taken =>
  taken !== undefined && taken.kind !== 'answer' && taken.judgement.contactOwed;

export const CARD_KEYS = ['s', 'b', 'r', 'n', 'z', 'c', 'j', 'v', 'g', 'l', 'o'] as const;
export type CardKey = (typeof CARD_KEYS)[number];

/** Keys that do something now; the others stay free for typing. */
export function keysAt(at: CardSituation): ReadonlySet<CardKey> {
  if (!at.empty || at.over.kind === 'zero' || at.owesGiven) return new Set();
  const free: Readonly<Record<CardKey, boolean>> = {
    s: true,
    b: at.hasPrevious,
    r: at.told !== undefined,
    n: true,
    z: true,
    c: owesContact(at.told),
    j: at.told !== undefined,
    v: at.told !== undefined,
    g: at.takesFigures,
    l: at.ohms,
    o: at.takesFigures,
  };
  return new Set(CARD_KEYS.filter((key) => free[key]));
}
