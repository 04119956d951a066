/** The wants of the placement in hand as chips: what is so, and what one press sets right. */
import {
  accessShared,
  spoils,
  stateEndsAt,
  type Want,
  wantingOf,
  wantWords,
} from '@jeitinho/core/job';
import { useMomentOf } from '../../data/now';
import { useKeys } from '../../parts/keys';
import { useJob } from '../job/job-context';
import type { CurrentStep } from './current-step';

export const CHIP =
  'inline-flex min-h-9 items-center gap-1 border px-3 text-[15px] whitespace-nowrap max-lg:text-[14px]';
const MET = `${CHIP} border-jade text-jade`;
const UNMET = `${CHIP} border-marigold bg-marigold-tint text-ink`;

/** Wants change with the clock as well: a test mode ends by itself. */
export function useWants(step: CurrentStep['step']): readonly Want[] {
  const { sheet, state } = useJob();
  const now = useMomentOf(state, stateEndsAt(sheet, state));
  return wantingOf(sheet, state, step, now);
}

/** What a press on a want does; undefined where there is nothing to press. */
export function useWantPress(current: CurrentStep): (want: Want) => (() => void) | undefined {
  const { state, record } = useJob();
  return (want) => {
    switch (want.kind) {
      case 'state':
        // Not live, the way there comes first; it leads into the state that being on is.
        return want.met || state.energy.kind !== 'live'
          ? undefined
          : () => void record('window', { state: want.state.id });
      case 'access': {
        const { id } = want.access;
        // Pressed when it is so, it is put the other way.
        const back = (want.position === 'in') !== want.met;
        return () => void record('access', back ? { access: id, back: true } : { access: id });
      }
      case 'feeder':
      case 'after':
        return want.met ? undefined : () => current.goTo(want.step.observable);
      default:
        return undefined;
    }
  };
}

export function WantChips({
  current,
  wants,
}: {
  readonly current: CurrentStep;
  readonly wants: readonly Want[];
}) {
  const press = useWantPress(current);
  const nextAccess = wants.find((want) => want.kind === 'access' && !want.met);
  const first = wants.find(
    (want) => (want.kind === 'feeder' || want.kind === 'after') && !want.met,
  );
  // Ours before the first digit, so that one press too many does not land in the reading; then it may be
  // the letter of a unit: bar, kPa, A.
  useKeys({ a: () => nextAccess && press(nextAccess)?.() }, { whileTyping: false });
  useKeys({ h: () => first && press(first)?.() }, { whileTyping: false });
  return (
    <>
      {wants.map((want) => (
        <WantChip
          key={`${want.kind} ${wantWords(want)}`}
          want={want}
          step={current.step}
          onPress={press(want)}
        />
      ))}
    </>
  );
}

interface WantChipProps {
  readonly want: Want;
  readonly step: CurrentStep['step'];
  readonly onPress: (() => void) | undefined;
}

function WantChip({ want, step, onPress }: WantChipProps) {
  const words = wantWords(want);
  const plain = want.kind === 'means' || want.kind === 'in-hand';
  const shown = (
    <>
      {!plain && (want.met ? '✓ ' : '☐ ')}
      {words}
      <More want={want} step={step} />
    </>
  );
  return (
    <li className={want.met && !plain ? 'max-lg:hidden' : ''}>
      {onPress ? (
        <button
          type="button"
          aria-label={want.met ? `${words}, done. Put it back` : undefined}
          title={want.kind === 'state' ? want.wrong : undefined}
          onClick={onPress}
          className={`${want.met ? MET : UNMET} min-h-11 cursor-pointer`}
        >
          {shown}
        </button>
      ) : (
        <span className={plain ? `${CHIP} border-hair bg-card` : want.met ? MET : UNMET}>
          {shown}
        </span>
      )}
    </li>
  );
}

/** What is to be known of it before it is pressed. */
function More({ want, step }: { readonly want: Want; readonly step: CurrentStep['step'] }) {
  const { sheet, state } = useJob();
  if (want.met || want.kind === 'means' || want.kind === 'in-hand') return null;
  if (want.kind === 'state')
    return state.energy.kind === 'live' ? (
      <span className="text-marigold">(not entered)</span>
    ) : null;
  if (want.kind !== 'access') return <span className="text-marigold">(not taken)</span>;
  const others =
    want.position === 'out' ? accessShared(sheet, state, step.test.id, want.access.id).length : 0;
  return (
    <>
      {want.unknown && <span className="text-marigold">(look: two devices differ)</span>}
      {want.access.energy === 'dead' && <span className="text-marigold">(supply off)</span>}
      {others > 0 && (
        <span className="text-soft max-lg:hidden">
          also for {others} {others === 1 ? 'other test' : 'others'}
        </span>
      )}
    </>
  );
}

/** Whether a figure taken now would mean nothing. */
export const spoiled = (wants: readonly Want[]): boolean => wants.some(spoils);
