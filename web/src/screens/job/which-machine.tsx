/** Which variant of the machine stands here: asked once, by what somebody sees there. */
import type { Variant } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { useJob } from './job-context';

/** What the sheet asks about the machine, answered or not. */
export function MachineQuestions() {
  const { sheet } = useJob();
  if (!sheet.questions) return null;
  return (
    <section aria-label="Which machine it is" className="mt-4 flex flex-col gap-2">
      {sheet.questions.map((question) => (
        <WhichMachine key={question.id} question={question} />
      ))}
    </section>
  );
}

export function WhichMachine({ question }: { readonly question: Variant }) {
  const { sheet, record } = useJob();
  const [changing, setChanging] = useState(false);
  const { id, asks, answers } = question;
  const is = sheet.chosen?.[id];
  const answered = Object.keys(answers).find((answer) => answers[answer] === is);
  const say = async (answer: string) => {
    if (await record('variant', { asked: id, answer })) setChanging(false);
  };
  if (answered !== undefined && !changing)
    return (
      <p className="m-0 text-[17px]">
        {asks} <strong>{answered}</strong>
        <button
          type="button"
          onClick={() => setChanging(true)}
          className="ml-1 min-h-11 cursor-pointer px-2 text-[15px] underline decoration-hair underline-offset-4"
        >
          Change<span className="sr-only"> the answer to {asks}</span>
        </button>
      </p>
    );
  return (
    <fieldset className="m-0 border-0 border-l-4 border-marigold bg-marigold-tint px-4 py-3">
      <legend className="float-left mb-2 w-full p-0 text-[17px] font-semibold">{asks}</legend>
      <div className="clear-both flex flex-wrap gap-2">
        {Object.keys(answers).map((answer) => (
          <button
            key={answer}
            type="button"
            aria-pressed={answer === answered}
            onClick={() => void say(answer)}
            className="min-h-[52px] cursor-pointer border border-soft bg-card px-4 text-[17px] aria-pressed:border-2 aria-pressed:border-jade"
          >
            {answer}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
