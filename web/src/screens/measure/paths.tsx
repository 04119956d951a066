/** The paths that the leads lie on now: what was read along each, and the reading that halves what is left. */
import { pathProgress, pathsTouched, type PathProgress } from '@jeitinho/core/job';
import { readingWords } from '@jeitinho/core/judge';
import { expectOf, type TestPoint } from '@jeitinho/core/sheet';
import { Button } from '../../parts/button';
import { PathStrip } from '../../parts/path-strip';
import { useSmallScreen } from '../../parts/small-screen';
import { useJob } from '../job/job-context';

export interface PathsProps {
  readonly point: TestPoint;
  /** The placement in hand, which is no step further. */
  readonly observable: string;
  readonly onPick: (observable: string) => void;
  /** Above the board stands what is known to be broken: it is the work in hand. Below it the rest. */
  readonly where: 'above' | 'below';
}

export function Paths({ point, observable, onPick, where }: PathsProps) {
  const { sheet, state } = useJob();
  const small = useSmallScreen();
  const touched = pathsTouched(sheet, point).map((path) => pathProgress(sheet, state, path));
  const here = touched.filter(
    ({ links }) => (where === 'above') === (!small && links.includes('suspect')),
  );
  return here.map((progress) => {
    const { path, next, halves } = progress;
    return (
      <section key={path.id} aria-label={path.carries} className="my-2">
        <h2 className="m-0 text-[15px] font-bold">{path.carries}</h2>
        <PathStrip
          label={path.carries}
          stops={progress.stops}
          links={progress.links}
          below={(at) =>
            progress.readings
              .get(at)
              ?.map(({ reading, test, point: read, judgement }) =>
                readingWords(reading, expectOf(test, read).unit, judgement.corrected),
              )
              .join(', ')
          }
          touched={({ ref }) => ref === point.red || ref === point.black}
        />
        <p className="m-0 mt-1 flex flex-wrap items-center gap-3 text-[15px]">
          <span role="status">{leftWords(progress)}</span>
          {next && halves && next.observable !== observable && (
            <Button onClick={() => onPick(next.observable)}>
              Halve it: {nameOf(next)} ({halves[0]} or {halves[1]} left)
            </Button>
          )}
        </p>
      </section>
    );
  });
}

function leftWords({ links }: PathProgress): string {
  const suspect = links.filter((link) => link === 'suspect').length;
  const whole = links.filter((link) => link === 'whole').length;
  if (suspect === 1) return 'It is broken at the one dashed link.';
  if (suspect > 1) return `It is broken at one of ${suspect} dashed links.`;
  if (whole === links.length) return 'Whole from end to end.';
  return whole === 0
    ? 'Nothing of it is proven yet.'
    : `${whole} of ${links.length} links are whole.`;
}

const nameOf = ({ test, point }: NonNullable<PathProgress['next']>): string => {
  const named = 'points' in test ? test.points.find(({ id }) => id === point)?.name : undefined;
  return named ?? [test.title, point].filter(Boolean).join(' ');
};
