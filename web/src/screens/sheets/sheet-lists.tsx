/** Safety, parts and procedures of a sheet, to read. */
import { formatQuantity, METER_FUNCTIONS, pairsOf, provingOf } from '@jeitinho/core';
import { expectWords } from '@jeitinho/core/judge';
import { placementWords, type Procedure, type Sheet } from '@jeitinho/core/sheet';
import { CELL, ReadTable } from './read-table';

type Part = Sheet['parts'][number];
type Warranty = NonNullable<Part['warranty']>;

export function Safety({ sheet }: { sheet: Sheet }) {
  const { safety } = sheet;
  const { gap } = provingOf(sheet);
  return (
    <div className="border-l-4 border-brick bg-brick-tint px-4 py-3">
      <p className="m-0 font-semibold">
        Up to {safety.volts} V. Every pair is proven dead, with a meter proven before and after:
      </p>
      <ol className="m-0 list-none p-0">
        {pairsOf(sheet).map((pair) => (
          <li key={pair.id}>
            {pair.name}: {placementWords(sheet, { red: pair.from, black: pair.to })},{' '}
            {METER_FUNCTIONS[pair.function].words} below {formatQuantity(pair.deadBelow, 'V')}
            {pair.waitMinutes > 0 && `, after ${pair.waitMinutes} min`}
            {pair.place && `, ${pair.place}`}.
          </li>
        ))}
      </ol>
      {gap && <p className="m-0 mt-1 font-semibold text-brick">{gap}</p>}
      <ul className="m-0 mt-1 list-none p-0">
        {[...(safety.cautions ?? []), ...(safety.licences ?? [])].map((line) => (
          <li key={line}>{line}</li>
        ))}
        <li>The maker’s instructions and local rules come first.</li>
      </ul>
    </div>
  );
}

export function Parts({ sheet }: { sheet: Sheet }) {
  return (
    <ReadTable
      label="Table of parts"
      caption="Parts"
      heads={['part', 'number', 'minutes', 'price', 'lead', 'back?', 'before it goes on']}
    >
      {sheet.parts.map((part) => (
        <tr key={part.id}>
          <th scope="row" className={CELL}>
            {part.name}
          </th>
          <td className={`${CELL} figure`}>{part.number}</td>
          <td className={`${CELL} figure`}>{part.minutes}</td>
          <td className={`${CELL} figure`}>{part.price !== undefined && `R$ ${part.price}`}</td>
          <td className={`${CELL} figure`}>
            {part.leadHours !== undefined && `${part.leadHours} h`}
          </td>
          <td className={CELL}>
            {part.returnable === undefined ? '' : part.returnable ? 'yes' : 'no'}
          </td>
          <td className={CELL}>
            {part.before?.map((line) => (
              <span key={line} className="block">
                {line}
              </span>
            ))}
            {[...partNotes(part, sheet)].map((line) => (
              <span key={line} className="block">
                {line}
              </span>
            ))}
            {part.must?.map((match) => (
              <span key={match.field} className="block text-brick">
                must: {match.field} {matchWords(match)} {match.why}
              </span>
            ))}
            {part.should?.map((match) => (
              <span key={match.field} className="block">
                should: {match.field} {matchWords(match)} {match.why}
              </span>
            ))}
          </td>
        </tr>
      ))}
    </ReadTable>
  );
}

/** Warranty, whether it can be had, what comes with it, what to ask before it is ordered. */
function* partNotes(
  { warranty, available, supersededBy, contains, data, asksAfter, licence }: Part,
  sheet: Sheet,
) {
  if (warranty) yield warrantyWords(warranty);
  if (available === 'no more') yield 'No longer to be had.';
  if (available === 'kit') yield 'Only in a kit.';
  if (supersededBy !== undefined) yield `Now ${supersededBy}.`;
  if (contains) {
    const names = contains.map((id) => sheet.parts.find((each) => each.id === id)?.name ?? id);
    yield `Comes with ${names.join(', ')}.`;
  }
  if (licence !== undefined) yield `Licence: ${licence}.`;
  if (data)
    yield Object.entries(data)
      .map(([name, value]) => `${name} ${value}`)
      .join(', ');
  if (asksAfter) yield `Why did the old one die? ${asksAfter.join(', ')}.`;
}

const warrantyWords = ({ partsMonths, labourMonths, until, say }: Warranty): string =>
  [
    partsMonths !== undefined && `part ${partsMonths} months`,
    labourMonths !== undefined && `labour ${labourMonths} months`,
    until !== undefined && `until ${until}`,
    say,
  ]
    .filter(Boolean)
    .join(', ')
    .replace(/^/, 'Warranty: ');

function matchWords(match: NonNullable<Sheet['parts'][number]['must']>[number]): string {
  const unit = match.unit ? ` ${match.unit}` : '';
  const parts = [
    match.equals !== undefined && `= ${match.equals}${unit}.`,
    match.atLeast !== undefined && `≥ ${match.atLeast}${unit}.`,
    match.atMost !== undefined && `≤ ${match.atMost}${unit}.`,
  ];
  return parts.filter(Boolean).join(' ');
}

export function Procedures({ sheet }: { sheet: Sheet }) {
  const list = sheet.procedures ?? [];
  if (list.length === 0) return <p className="m-0 text-soft">None yet.</p>;
  return (
    <div className="grid gap-4 lg:grid-cols-2">
      {list.map((procedure) => (
        <Steps key={procedure.id} procedure={procedure} />
      ))}
    </div>
  );
}

function Steps({ procedure }: { procedure: Procedure }) {
  return (
    <article className="break-inside-avoid border border-hair bg-card px-4 py-3">
      <h3 className="m-0 text-[17px] font-semibold">{procedure.title ?? procedure.id}</h3>
      <ol className="m-0 mt-1 list-decimal pl-6">
        {procedure.steps.map((step, i) => (
          <li key={i}>
            {step.do}
            {step.photo && <span className="text-soft"> (photograph)</span>}
            {step.watch && (
              <>
                Watch {step.watch.what ?? step.watch.red}: {expectWords(step.watch.expect)}.
              </>
            )}
            {step.caution && <strong className="block text-brick">{step.caution}</strong>}
          </li>
        ))}
      </ol>
      {procedure.wireMap && (
        <table className="mt-2 border-collapse text-[14px]">
          <caption className="text-left text-soft">Wires, old to new</caption>
          <tbody>
            {procedure.wireMap.map((wire) => (
              <tr key={`${wire.from} ${wire.to}`}>
                <th scope="row" className="border border-hair px-2 py-1 text-left font-normal">
                  {wire.from ?? 'no wire'}
                </th>
                <td className="border border-hair px-2 py-1">
                  → {wire.to ?? 'no terminal: insulate it'}
                </td>
                <td className="border border-hair px-2 py-1">{wire.wire}</td>
                <td className="border border-hair px-2 py-1 text-soft">{wire.signal}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </article>
  );
}
