/** What stays charged on this unit after isolation, where, and how much. */
import { formatQuantity, storesOf } from '@jeitinho/core';
import { useJob } from '../job/job-context';

export function Stores() {
  const { sheet } = useJob();
  return (
    <table className="mt-3 w-full max-w-xl border-collapse text-left text-[15px]">
      <caption className="text-left font-semibold">Stays charged after isolation</caption>
      <thead className="sr-only">
        <tr>
          <th scope="col">what</th>
          <th scope="col">where</th>
          <th scope="col">volts</th>
          <th scope="col">stored energy</th>
        </tr>
      </thead>
      <tbody>
        {storesOf(sheet).map(({ name, where, volts, joules }) => (
          <tr key={name} className="border-b border-hair">
            <th scope="row" className="py-1 pr-3 font-semibold">
              {name}
            </th>
            <td className="py-1 pr-3 text-soft">{where}</td>
            <td className="figure py-1 pr-3 whitespace-nowrap">
              {volts === undefined ? '' : formatQuantity(volts, 'V')}
            </td>
            <td className="figure py-1 whitespace-nowrap text-soft">
              {joules === undefined ? '' : `${Number(joules.toPrecision(2))} J`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
