/** Where the job stands: the headline, what it leaves open, what comes and goes or quarrels with the rest. */
import { headlineOf } from '@jeitinho/core/diagnose';
import { percent } from '../../parts/percent';
import { evidenceWords } from '../job/evidence-words';
import { useAssessment, useJob } from '../job/job-context';
import { countWords, headlineWords, leadsWords } from './headline-words';

export function Standing() {
  const { state } = useJob();
  const assessment = useAssessment();
  const { other, sound } = assessment;
  const headline = headlineOf(assessment);
  return (
    <>
      <h1 className="m-0 text-[25px] font-bold">{headlineWords(headline)}</h1>
      <p className="m-0 text-soft">
        {leadsWords(headline)} {countWords(assessment.evidence)}
        {headline.kind !== 'nothing-yet' &&
          ` ${percent(sound.p)} that nothing ${state.works.length > 0 ? 'is wrong now' : 'was wrong while it was measured'}, ${percent(other.p)} that it is something not on this sheet.`}
      </p>
      {assessment.comesAndGoes.length > 0 && (
        <p className="m-0 mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
          <strong>It comes and goes:</strong>{' '}
          {assessment.comesAndGoes.map(({ title }) => title).join('; ')}. Good once is not mended.
        </p>
      )}
      {assessment.surprise && (
        <p className="m-0 mt-3 border-l-4 border-marigold bg-marigold-tint px-4 py-2">
          {evidenceWords(assessment.surprise.item)} quarrels with everything else. Repeat it before
          you decide.
        </p>
      )}
    </>
  );
}
