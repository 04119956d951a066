/** The face of a simulated machine: what its display shows, and what its lamps and sounds say in words. */
import type { AskTest } from '../../sheet/schema';
import { answerOf, askTests, type HiddenFault } from './hidden-fault';
import type { BenchedSheet } from './machine';

export interface Face {
  /** The code as the display draws it; undefined where it shows none. */
  readonly code?: string;
  /** `light` or `blinks`: a lamp says it, in place of digits. */
  readonly shown: string;
  /** What is seen and heard standing before it: the question, and its answer. */
  readonly signs: readonly { readonly asks: string; readonly answer: string }[];
}

/** Senses that need no tool and no opened cover. */
const STANDING_BEFORE: ReadonlySet<AskTest['how']> = new Set(['look', 'listen', 'smell']);

/** @param gone - Faults that work has taken away. */
export function faceOf(sheet: BenchedSheet, hidden: HiddenFault, gone: readonly string[]): Face {
  const shown = sheet.codes.schemes[0]?.shown ?? 'digits';
  const signs = askTests(sheet)
    .filter(
      ({ how, access, state }) =>
        STANDING_BEFORE.has(how) && Object.keys(access ?? {}).length === 0 && isLive(sheet, state),
    )
    .map((test) => ({ asks: test.asks, answer: answerOf(sheet, test, hidden, gone) }));
  if (gone.includes(hidden.fault)) return { shown, signs };
  // The code that this fault raises most often.
  const raised = sheet.codes.list
    .map(({ code, suspects }) => ({ code, p: suspects?.[hidden.fault] ?? 0 }))
    .filter(({ p }) => p > 0)
    .sort((a, b) => b.p - a.p)[0];
  return { ...(raised && { code: raised.code }), shown, signs };
}

const isLive = (sheet: BenchedSheet, state: string): boolean =>
  sheet.states.find(({ id }) => id === state)?.energy === 'live';
