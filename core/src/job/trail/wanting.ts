/** What the placement in hand wants of the machine, each with whether it is so: the chips of its card. */
import { wantsOf } from '../../conditions/wants';
import { stateReason } from '../../conditions/differences';
import { findPoint, stateName } from '../../sheet/lookup';
import { testsOf } from '../../sheet/all-tests';
import type { Access, AccessWant, Sheet, SheetState } from '../../sheet/schema';
import { standsAs } from '../findings/owed';
import { accessOwedFor, leftOpen } from '../state/access';
import { liveStateAt } from '../state/live-state';
import type { JobState } from '../state/state';
import { stepsOf, type Step } from './steps';

export type Want = { readonly met: boolean } & (
  | { readonly kind: 'state'; readonly state: SheetState; readonly wrong?: string }
  | {
      readonly kind: 'access';
      readonly access: Access;
      readonly position: 'in' | 'out';
      /** Two devices say different things of it. */
      readonly unknown: boolean;
    }
  /** Taken first, or good first: the step that takes it. */
  | { readonly kind: 'feeder' | 'after'; readonly title: string; readonly step: Step }
  | { readonly kind: 'means'; readonly words: string }
  | { readonly kind: 'in-hand' }
);

/** @param now - This device's time, ms. */
export function wantingOf(sheet: Sheet, state: JobState, step: Step, now: number): Want[] {
  const wants = wantsOf(sheet, step.test, findPoint(step.test, step.point));
  const lasting = liveStateAt(sheet, state, now);
  const isLive = wants.state.energy === 'live' && wants.energy !== 'dead';
  const wrong = stateReason(sheet, wants, lasting);
  return [
    ...(step.test.offMachine ? [{ kind: 'in-hand' as const, met: true }] : []),
    ...(isLive
      ? [
          {
            kind: 'state' as const,
            state: wants.state,
            met: wrong === undefined,
            ...(wrong !== undefined && { wrong }),
          },
        ]
      : []),
    ...accessWants(sheet, state, wants.access),
    ...firstWants(sheet, state, 'after', wants.after),
    ...(state.rules === 2 ? firstWants(sheet, state, 'feeder', wants.fedBy) : []),
    ...(wants.means === undefined
      ? []
      : [{ kind: 'means' as const, words: wants.means, met: true }]),
  ];
}

/** Everything on the way out, what it needs first; then what must be in, where it is out. */
function accessWants(
  sheet: Sheet,
  state: JobState,
  wanted: ReturnType<typeof wantsOf>['access'],
): Want[] {
  const unknown = ({ id }: Access) => state.accessUnknown.has(id);
  const outs = wanted.filter(({ position }) => position === 'out').map(({ access }) => access);
  const owed = accessOwedFor(
    sheet,
    state,
    outs.map(({ id }) => id),
  );
  const isOwed = new Set(owed.map(({ id }) => id));
  return [
    ...outs
      .filter(({ id }) => !isOwed.has(id))
      .map((access): Want => ({
        kind: 'access',
        access,
        position: 'out',
        met: true,
        unknown: false,
      })),
    ...owed.map((access): Want => ({
      kind: 'access',
      access,
      position: 'out',
      met: false,
      unknown: unknown(access),
    })),
    ...wanted
      .filter(
        ({ position, access }) =>
          position === 'in' && (state.access.has(access.id) || unknown(access)),
      )
      .map(({ access }): Want => ({
        kind: 'access',
        access,
        position: 'in',
        met: false,
        unknown: unknown(access),
      })),
  ];
}

function firstWants(
  sheet: Sheet,
  state: JobState,
  kind: 'feeder' | 'after',
  refs: readonly string[],
): Want[] {
  return refs.flatMap((ref): Want[] => {
    const id = ref.split('@')[0] ?? ref;
    const test = testsOf(sheet).find((each) => each.id === id);
    const steps = stepsOf(sheet).filter((each) => each.test.id === id);
    const step = steps.find((each) => each.observable === ref) ?? steps[0];
    if (!test || !step) return [];
    return [{ kind, title: test.title, step, met: standsAs(id, state.current).length > 0 }];
  });
}

/** What makes a figure taken now meaningless: wants that are not met, beside what is merely owed. */
export const spoils = (want: Want): boolean =>
  !want.met &&
  (want.kind === 'state' ||
    (want.kind === 'access' && (want.position === 'in' || want.access.energy === 'dead')));

/** A want in a few words. */
export function wantWords(want: Want): string {
  switch (want.kind) {
    case 'state':
      return `live, ${stateName(want.state)}`;
    case 'access': {
      const name = want.access.name ?? want.access.id;
      return want.position === 'in' ? `put back: ${name}` : name;
    }
    case 'feeder':
      return `first: ${want.title}`;
    case 'after':
      return `after: ${want.title}`;
    case 'means':
      return `with a known-good one: ${want.words.toLowerCase()}`;
    case 'in-hand':
      return 'in the hand';
    default:
      want satisfies never;
      return '';
  }
}

/**
 * What is out and has to be in for anything that is done live, deepest first: asked while the machine is
 * still dead, for a plug goes back on a dead machine only.
 */
export function backBeforeLive(sheet: Sheet, state: JobState): Access[] {
  const wanted = new Set([
    ...sheet.states.flatMap(({ needs }) => insOf(needs?.access)),
    ...testsOf(sheet).flatMap((test) => {
      const wants = wantsOf(sheet, test);
      return wants.energy === 'live' ? insOf(test.access) : [];
    }),
  ]);
  return leftOpen(sheet, state).filter(({ id }) => wanted.has(id));
}

const insOf = (access: AccessWant | undefined): string[] =>
  Object.entries(access ?? {}).flatMap(([id, position]) => (position === 'in' ? [id] : []));
