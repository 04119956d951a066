/** Endings that mend nothing on this visit. Each asks only what it needs. */
import {
  ENDING_ASKS,
  ENDINGS,
  lookSince,
  mendedOf,
  type Ending,
  type EndingKind,
} from '@jeitinho/core/job';
import { FIELD } from '../../parts/field';
import { useJob } from '../job/job-context';
import { Tick } from './tick';
import type { Endings } from './use-endings';

const MENDLESS = ENDINGS.filter((kind) => !ENDING_ASKS[kind].mends);

const HINTS: Readonly<Partial<Record<EndingKind, string>>> = {
  sound: 'Everything that counts is good. What was proven stands in the report.',
  release: 'To the next trade, the next shift, the next test.',
  'come-back': 'The part is brought on another visit, which goes on from here.',
  'hand-over': 'To another licence, the maker, or a second pair of eyes. A respectable result.',
};

export function OtherEndings({ endings }: { readonly endings: Endings }) {
  const { sheet } = useJob();
  return MENDLESS.map((kind) => {
    const like: Ending = { kind };
    const said = endings.find(like);
    const asks = ENDING_ASKS[kind];
    const field = (name: 'to' | 'note', question: string) => (
      <label className="block text-[15px] font-semibold">
        {question}
        <input
          autoComplete="off"
          value={said?.[name] ?? ''}
          maxLength={name === 'to' ? 200 : 1000}
          onChange={(event) => endings.say({ ...like, ...said, [name]: event.target.value })}
          className={FIELD}
        />
      </label>
    );
    return (
      <div key={kind} className="border-b border-hair px-3 py-2 has-checked:bg-card">
        <label className="flex min-h-11 cursor-pointer items-center gap-4">
          <Tick
            name={asks.words}
            ticked={said !== undefined}
            onToggle={() => endings.toggle(like)}
          />
          <span>
            <strong>{asks.words}</strong>
            {HINTS[kind] && <span className="block text-[14px] text-soft">{HINTS[kind]}</span>}
          </span>
        </label>
        {said && (
          <div className="mt-1 grid gap-2 pl-10 sm:grid-cols-2">
            {kind === 'sound' && <ProvenSoFar />}
            {asks.part === 'may' && (
              <label className="block text-[15px] font-semibold">
                Which part?
                <select
                  value={said.part ?? ''}
                  onChange={(event) => {
                    const { part: _before, ...rest } = said;
                    const part = event.target.value;
                    endings.say(part === '' ? rest : { ...rest, part });
                  }}
                  className={FIELD}
                >
                  <option value="">not one of this sheet</option>
                  {sheet.parts.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {asks.to !== undefined && field('to', asks.to)}
            {asks.note !== undefined && field('note', asks.note)}
          </div>
        )}
      </div>
    );
  });
}

/** With what it is called sound. */
function ProvenSoFar() {
  const { sheet, state } = useJob();
  const counted = [...state.current.values()].filter(({ standing }) => standing.kind === 'counts');
  const looked = lookSince(state);
  return (
    <p className="m-0 text-[15px] text-soft sm:col-span-2">
      {counted.length} {counted.length === 1 ? 'finding counts' : 'findings count'}.{' '}
      {looked
        ? looked.body.seen
          ? 'The complaint was seen.'
          : 'The complaint was looked for, and not seen.'
        : 'Nobody has said whether the complaint was seen.'}
      {mendedOf(sheet, state)?.proven && ' The work so far is proven.'}
    </p>
  );
}
