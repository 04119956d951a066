/** What can be mended without a new part, and what is tried first: a table, to read. */
import type { Sheet } from '@jeitinho/core/sheet';
import { faultName } from './fault-name';
import { CELL, ReadTable } from './read-table';

type Repair = NonNullable<Sheet['repairs']>[number];

const percent = (p: number) => `${Math.round(p * 100)} %`;

export function Repairs({ sheet }: { sheet: Sheet }) {
  const { repairs = [], tries = [] } = sheet;
  if (repairs.length + tries.length === 0) return <p className="m-0 text-soft">None yet.</p>;
  return (
    <ReadTable
      label="Table of repairs and tries"
      caption="Repairs and tries"
      heads={['what', 'how', 'minutes', 'price', 'takes away, with its chance']}
    >
      {tries.map((each) => (
        <tr key={each.id}>
          <th scope="row" className={CELL}>
            {each.name}
          </th>
          <td className={CELL}>
            {['tried first', each.steps?.join(', ')].filter(Boolean).join(': ')}
          </td>
          <td className={`${CELL} figure`}>{each.minutes}</td>
          <td className={CELL} />
          <td className={CELL}>
            {Object.entries(each.cures)
              .map(([id, p]) => `${faultName(sheet, id)} ${percent(p)}`)
              .join(', ')}
          </td>
        </tr>
      ))}
      {repairs.map((repair) => (
        <tr key={repair.id}>
          <th scope="row" className={CELL}>
            {repair.name ?? repair.id}
          </th>
          <td className={CELL}>{[...howWords(repair)].join('; ')}</td>
          <td className={`${CELL} figure`}>{repair.minutes}</td>
          <td className={`${CELL} figure`}>{repair.price > 0 && `R$ ${repair.price}`}</td>
          <td className={CELL}>
            {repair.fixes.map((id) => faultName(sheet, id)).join(', ')} {percent(repair.success)}
            {repair.relapse !== undefined && `; comes back ${percent(repair.relapse)}`}
          </td>
        </tr>
      ))}
    </ReadTable>
  );
}

function* howWords({ what, wanted, skill, licence }: Repair) {
  yield what ?? 'mended on the board';
  if (wanted !== undefined) yield `to ${wanted}`;
  if (skill !== undefined) yield `wants ${skill}`;
  if (licence !== undefined) yield `licence: ${licence}`;
}
