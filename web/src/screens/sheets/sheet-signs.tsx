/** What a machine shows, to read: its codes, no code at all, and symptoms. */
import { codeWords, type Sheet } from '@jeitinho/core/sheet';
import { faultName } from './fault-name';

export function Codes({ sheet }: { sheet: Sheet }) {
  const { schemes, list } = sheet.codes;
  if (list.length === 0) return <p className="m-0 text-soft">This machine shows no codes.</p>;
  return (
    <>
      {schemes.map((scheme) => (
        <p key={scheme.id} className="m-0 mb-2 text-soft">
          {scheme.hint}
        </p>
      ))}
      <dl className="m-0 grid gap-3 lg:grid-cols-2">
        {list.map((code) => (
          <div
            key={codeWords(code)}
            className="break-inside-avoid border border-hair bg-card px-4 py-2"
          >
            <dt className="font-semibold">
              <span className="figure text-[20px]">{codeWords(code)}</span> {code.title}
              {code.also && (
                <span className="font-normal text-soft"> · also {code.also.join(', ')}</span>
              )}
              {code.attempts !== undefined && (
                <span className="font-normal text-soft"> · after {code.attempts} tries</span>
              )}
            </dt>
            <dd className="m-0 text-[15px]">
              {code.means}
              {code.causes && (
                <span className="block">Usual causes: {code.causes.join('; ')}.</span>
              )}
              {code.firstLook && (
                <span className="block text-jade">{code.firstLook.join(' ')}</span>
              )}
              <Suspects sheet={sheet} suspects={code.suspects} />
            </dd>
          </div>
        ))}
      </dl>
    </>
  );
}

/** What is seen or heard where no code is shown, or beside one. */
export function Symptoms({ sheet }: { sheet: Sheet }) {
  const { none } = sheet.codes;
  const symptoms = sheet.symptoms ?? [];
  if (!none && symptoms.length === 0) return null;
  return (
    <dl className="m-0 mt-3 grid gap-3 lg:grid-cols-2">
      {none && (
        <div className="break-inside-avoid border border-hair bg-card px-4 py-2">
          <dt className="font-semibold">No code</dt>
          <dd className="m-0 text-[15px]">
            {none.means}
            <Suspects sheet={sheet} suspects={none.suspects} />
          </dd>
        </div>
      )}
      {symptoms.map(({ id, text, suspects }) => (
        <div key={id} className="break-inside-avoid border border-hair bg-card px-4 py-2">
          <dt className="font-semibold">{text}</dt>
          <dd className="m-0 text-[15px]">
            <Suspects sheet={sheet} suspects={suspects} />
          </dd>
        </div>
      ))}
    </dl>
  );
}

interface SuspectsProps {
  readonly sheet: Sheet;
  readonly suspects: Readonly<Record<string, number>>;
}

const Suspects = ({ sheet, suspects }: SuspectsProps) => (
  <span className="block text-soft">
    {Object.entries(suspects)
      .sort((a, b) => b[1] - a[1])
      .map(([id, p]) => `${faultName(sheet, id)} ${Math.round(p * 100)} %`)
      .join(' · ')}
  </span>
);
