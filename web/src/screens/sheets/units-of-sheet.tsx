/** Units that a sheet is for: those that do not have it yet are offered it, all at one press. */
import type { UnitFound } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { ask } from '../../data/api';
import { sheetUnitsOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { Notice } from '../../parts/notice';
import { TickLine } from '../../parts/tick-line';

export function UnitsOfSheet({ sheetId }: { readonly sheetId: string }) {
  const query = useQuery(sheetUnitsOptions(sheetId));
  const queries = useQueryClient();
  // A unit that has another sheet has it for a reason: it is asked for by hand.
  const [touched, setTouched] = useState<ReadonlyMap<string, boolean>>(new Map());
  const fits = query.data?.fits ?? [];
  const isChosen = (unit: UnitFound) => touched.get(unit.id) ?? unit.sheetId === null;
  const chosen = fits.filter(isChosen).map(({ id }) => id);
  const giving = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('giveSheet', { params: { id: sheetId }, body: { units: chosen } }),
    onSuccess: () => queries.invalidateQueries(),
  });
  if (!query.data) return null;
  return (
    <div className="no-print mt-3">
      <p role="status" className="m-0 text-[15px] text-soft">
        {giving.data
          ? gaveWords(giving.data)
          : query.data.has > 0 && `${unitCount(query.data.has)} with it.`}
      </p>
      {fits.length > 0 && (
        <section
          aria-label="Units that it fits"
          className="mt-2 border-l-4 border-marigold bg-marigold-tint px-4 py-3"
        >
          <h2 className="m-0 text-[17px] font-bold">
            {unitCount(fits.length)} of the shop {fits.length === 1 ? 'fits' : 'fit'} this sheet and{' '}
            {fits.length === 1 ? 'does' : 'do'} not have it
          </h2>
          <Notice text={giving.isError ? `Nothing changed: ${giving.error.message}` : undefined} />
          <ul className="m-0 list-none p-0">
            {fits.map((unit) => (
              <li key={unit.id} className="flex flex-wrap items-center gap-x-4">
                <TickLine
                  checked={isChosen(unit)}
                  onChange={(checked) => setTouched(new Map(touched).set(unit.id, checked))}
                >
                  <span>
                    <strong>{unit.label}</strong> <span className="figure">{unit.model}</span>
                  </span>
                </TickLine>
                <span className="text-[14px]">
                  {unit.siteName}
                  {unit.sheetId && ` · has ${unit.sheetId}`}
                </span>
                <Link
                  to={`/units/${unit.id}`}
                  className="inline-flex min-h-11 items-center text-[14px] text-ink"
                >
                  See it<span className="sr-only">: {unit.label}</span>
                </Link>
              </li>
            ))}
          </ul>
          <Button
            kind="go"
            className="mt-1"
            disabled={chosen.length === 0 || giving.isPending}
            onClick={() => giving.mutate()}
          >
            {chosen.length === 1 ? 'Give it to this unit' : `Give it to ${chosen.length} units`}
          </Button>
        </section>
      )}
    </div>
  );
}

const unitCount = (n: number): string => (n === 1 ? 'One unit' : `${n} units`);

function gaveWords({ units, jobs }: { readonly units: number; readonly jobs: number }): string {
  const visits = jobs === 1 ? 'one open visit' : `${jobs} open visits`;
  return `Given to ${unitCount(units).toLowerCase()}${jobs > 0 ? `, and to ${visits} that waited for a sheet` : ''}.`;
}
