/** What stays charged on this unit after isolation, where, and how much. */
import { formatQuantity, storesOf } from '@jeitinho/core';
import { useJob } from '../job/job-context';
import { joulesWords } from './pair-card';

export function Stores() {
  const { sheet } = useJob();
  const stores = storesOf(sheet);
  if (stores.length === 0) return null;
  return (
    <table className="mt-3 w-full max-w-xl border-collapse text-left text-[15px]">
      <caption className="text-left font-semibold">Stays charged after isolation, at most</caption>
      <thead className="sr-only">
        <tr>
          <th scope="col">what</th>
          <th scope="col">where</th>
          <th scope="col">volts</th>
          <th scope="col">stored energy</th>
        </tr>
      </thead>
      <tbody>
        {stores.map(({ name, where, highest, usual, joules }) => (
          <tr key={name} className="border-b border-hair">
            <th scope="row" className="py-1 pr-3 font-semibold">
              {name}
            </th>
            <td className="py-1 pr-3 text-soft">{where}</td>
            <td className="py-1 pr-3">
              <span className="figure whitespace-nowrap">{formatQuantity(highest, 'V')}</span>
              {usual !== undefined && (
                <span className="text-[14px] text-soft"> usually {formatQuantity(usual, 'V')}</span>
              )}
            </td>
            <td className="figure py-1 whitespace-nowrap text-soft">
              {joules === undefined ? '' : joulesWords(joules)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
