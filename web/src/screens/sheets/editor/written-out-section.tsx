/** What is written once, as it stands on the machine that is chosen in the head. */
import { standsFor, type Chosen, type WrittenSheet } from '@jeitinho/core/sheet';

const CELL = 'border border-hair px-2 py-1 text-left align-top';

export function WrittenOutSection({ sheet, chosen }: { sheet: WrittenSheet; chosen: Chosen }) {
  const all = soundly(() => standsFor(sheet, chosen));
  if (!all)
    return (
      <p className="m-0 max-w-xl">
        It cannot be written out before what stands under Checks is mended.
      </p>
    );
  if (all.length === 0)
    return (
      <p className="m-0 max-w-xl">
        Everything stands once, in every machine. Say under Copies what the machine has several
        times, or under Variants how machines of this sheet differ; then “per” or “only” on what
        that is about.
      </p>
    );
  return (
    <table className="w-full border-collapse bg-card text-[15px]">
      <caption className="pb-2 text-left text-[15px] text-soft">
        {all.length} things of this sheet stand for several, or not in every machine.
      </caption>
      <thead className="text-soft">
        <tr>
          {['under', 'written', 'on this machine'].map((each) => (
            <th key={each} scope="col" className={CELL}>
              {each}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {all.map(({ list, index, written, copies }) => (
          <tr key={`${list} ${index}`}>
            <td className={`${CELL} text-soft`}>{list.replace('/list', '')}</td>
            <th scope="row" className={`${CELL} figure font-normal`}>
              {written}
            </th>
            <td className={`${CELL} figure`}>
              {copies.length > 0 ? copies.join('  ') : <span className="text-soft">not there</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Of a sheet in the middle of being written something may be missing; undefined then. */
function soundly<T>(reckon: () => T): T | undefined {
  try {
    return reckon();
  } catch {
    return undefined;
  }
}
