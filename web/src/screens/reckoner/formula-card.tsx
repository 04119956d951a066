/** One formula: inputs with their ±, the answer large, the relation, its source and its picture. */
import {
  answer,
  startValues,
  type Formula,
  type FormulaAnswer,
  type FormulaInput,
  type FormulaOutput,
  type FormulaRemark,
  type FormulaValues,
  type NumberInput,
} from '@jeitinho/core';
import { lazy, Suspense } from 'react';
import { useDraft } from '../../data/draft';
import { NumberEntry } from './number-entry';
import { answerWords, shownUnit, type UnitChoices } from './quantity-units';
import { useUnits } from './use-units';
import { patiently } from '../../data/piece';

// The charts weigh more than all formulas together; they come when a picture is wanted.
const Picture = lazy(() => patiently(() => import('./picture')));

interface Entered {
  readonly values: FormulaValues;
  readonly halfWidths: Readonly<Record<string, number>>;
}

export function FormulaCard({ formula }: { formula: Formula }) {
  const units = useUnits();
  const [entered, setEntered] = useEntered(formula);
  const { values, halfWidths } = entered;
  const result = answered(formula, entered);
  return (
    <article aria-labelledby="formula-title" className="min-w-0">
      <h2 id="formula-title" className="m-0 text-[22px] leading-tight font-bold">
        {formula.title}
      </h2>
      <p className="m-0 text-soft">{formula.use}</p>
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-2">
        <form className="flex flex-col gap-3" onSubmit={(event) => event.preventDefault()}>
          {formula.inputs.map((input) => (
            <InputField
              key={`${input.id} ${units.temperature}${units.pressure}${units.altitude}`}
              input={input}
              entered={entered}
              units={units}
              onEntered={setEntered}
            />
          ))}
        </form>
        <div>
          <Answers result={result} units={units} />
          <p className="figure mt-4 mb-0 border-l-4 border-hair px-3 text-[15px] [overflow-wrap:anywhere]">
            {formula.relation}
          </p>
          <p className="m-0 px-3 text-[14px] text-soft">{formula.source}</p>
        </div>
      </div>
      {formula.picture && result.ok && (
        <Suspense fallback={<p className="text-soft">Drawing …</p>}>
          <Picture formula={formula} values={values} halfWidths={halfWidths} units={units} />
        </Suspense>
      )}
    </article>
  );
}

type Result =
  | { readonly ok: true; readonly answer: FormulaAnswer }
  | { readonly ok: false; readonly why: string };

function answered(formula: Formula, { values, halfWidths }: Entered): Result {
  const missing = formula.inputs.find(
    (input) =>
      input.kind === 'number' && !input.optional && !Number.isFinite(values.numbers[input.id]),
  );
  if (missing) return { ok: false, why: `Fill in: ${missing.label.toLowerCase()}.` };
  const beyond = formula.inputs.find(
    (input): input is NumberInput =>
      input.kind === 'number' &&
      (values.numbers[input.id]! < (input.min ?? -Infinity) ||
        values.numbers[input.id]! > (input.max ?? Infinity)),
  );
  if (beyond) return { ok: false, why: `${beyond.label} is out of reach: correct the figure.` };
  try {
    return { ok: true, answer: answer(formula, values, halfWidths) };
  } catch (error) {
    return { ok: false, why: `No answer: ${(error as Error).message}.` };
  }
}

/** What was entered last is there again after a reload. */
function useEntered(formula: Formula): [Entered, (entered: Entered) => void] {
  const [text, setText] = useDraft(`reckoner.${formula.id}`);
  const start = startValues(formula);
  const halves = Object.fromEntries(
    formula.inputs.flatMap((input) =>
      input.kind === 'number' && input.plusMinus !== undefined ? [[input.id, input.plusMinus]] : [],
    ),
  );
  let kept: {
    numbers?: Record<string, number | null>;
    texts?: Record<string, string>;
    halfWidths?: Record<string, number>;
  } = {};
  try {
    kept = JSON.parse(text || '{}') as typeof kept;
  } catch {
    // Not ours, or torn: start anew.
  }
  const numbers = Object.fromEntries(
    Object.entries({ ...start.numbers, ...kept.numbers }).map(([id, value]) => [id, value ?? NaN]),
  );
  return [
    {
      values: { numbers, texts: { ...start.texts, ...kept.texts } },
      halfWidths: { ...halves, ...kept.halfWidths },
    },
    ({ values, halfWidths }) => setText(JSON.stringify({ ...values, halfWidths })),
  ];
}

function InputField({
  input,
  entered,
  units,
  onEntered,
}: {
  input: FormulaInput;
  entered: Entered;
  units: UnitChoices;
  onEntered: (entered: Entered) => void;
}) {
  const { values, halfWidths } = entered;
  const setText = (value: string) =>
    onEntered({ ...entered, values: { ...values, texts: { ...values.texts, [input.id]: value } } });
  switch (input.kind) {
    case 'number':
      return (
        <NumberEntry
          input={input}
          value={values.numbers[input.id]!}
          half={halfWidths[input.id]}
          units={units}
          onValue={(value) =>
            onEntered({
              ...entered,
              values: { ...values, numbers: { ...values.numbers, [input.id]: value } },
            })
          }
          onHalf={(half) =>
            onEntered({ ...entered, halfWidths: { ...halfWidths, [input.id]: half } })
          }
        />
      );
    case 'choice':
      return (
        <label className="block text-[14px] text-soft">
          {input.label}
          <select
            value={values.texts[input.id]}
            onChange={(event) => setText(event.target.value)}
            className="block min-h-12 w-full border border-soft bg-card px-2 text-[18px] text-ink"
          >
            {input.options.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </label>
      );
    case 'day':
      return (
        <label className="block text-[14px] text-soft">
          {input.label}
          <input
            type="date"
            value={values.texts[input.id]}
            onChange={(event) => setText(event.target.value)}
            className="figure block min-h-12 w-full border border-soft bg-card px-2 text-[18px] text-ink"
          />
        </label>
      );
    default:
      input satisfies never;
      return null;
  }
}

const TONES: Record<NonNullable<FormulaRemark['tone']>, string> = {
  good: 'text-jade',
  mind: 'text-marigold',
  bad: 'text-brick',
};
const TONE_MARKS = { good: '✓ ', mind: '▲ ', bad: '✕ ' } as const;

function Answers({ result, units }: { result: Result; units: UnitChoices }) {
  if (!result.ok)
    return (
      <p role="status" className="m-0 border-l-4 border-marigold bg-marigold-tint px-4 py-3">
        {result.why}
      </p>
    );
  const { outputs, remarks } = result.answer;
  return (
    <div role="status" aria-label="Answer">
      {outputs.map((output) => (
        <Output key={output.id} output={output} units={units} />
      ))}
      {remarks.map((remark) => (
        <p key={remark.label} className={`m-0 mt-2 ${remark.tone ? TONES[remark.tone] : ''}`}>
          {remark.tone && TONE_MARKS[remark.tone]}
          <span className={remark.tone ? '' : 'text-soft'}>{remark.label}: </span>
          <strong>{remark.text}</strong>
        </p>
      ))}
    </div>
  );
}

function Output({ output, units }: { output: FormulaOutput; units: UnitChoices }) {
  const unit = shownUnit(output.quantity, units, output.value);
  // Twice the standard uncertainty: about 95 % (JCGM 100, 6.3).
  const { figure, spread } = answerWords(output.value, output.u, unit);
  return (
    <p className={`m-0 ${output.main ? 'mt-1' : 'mt-1 text-[15px] text-soft'}`}>
      <span className={output.main ? 'block text-[15px] text-soft' : ''}>
        {output.label}
        {output.main ? '' : ' '}
      </span>
      <span
        className={`figure ${output.main ? 'text-[44px] leading-tight max-lg:text-[36px]' : 'text-ink'}`}
      >
        {figure}
        {unit.symbol && `\u2009${unit.symbol}`}
      </span>
      {spread && (
        <span className={`figure text-soft ${output.main ? 'text-[20px]' : ''}`}> ±{spread}</span>
      )}
    </p>
  );
}
