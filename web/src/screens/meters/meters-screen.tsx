/** The shop’s meters: what each can do and survive; one of them is in hand when a job is opened. */
import {
  formatQuantity,
  METER_FUNCTIONS,
  meterProfileSchema,
  roman,
  slug,
  type MeterProfile,
} from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useDraft } from '../../data/draft';
import { ask } from '../../data/api';
import { metersOptions, shopOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { Notice } from '../../parts/notice';
import { SchemaField, type FormContext } from '../../parts/schema-form/schema-form';
import { labelOf, type Schema } from '../../parts/schema-form/schema';
import { withValue } from '../../parts/schema-form/update';
import { useProblems } from './use-problems';

export function MetersScreen() {
  const meters = useQuery(metersOptions());
  const shop = useQuery(shopOptions());
  const [editing, setEditing] = useState<string>();
  const [fresh, setFresh] = useState<MeterProfile>();
  const list = meters.data ?? [];
  const open = fresh ?? list.find(({ id }) => id === editing);
  const done = () => {
    setEditing(undefined);
    setFresh(undefined);
  };
  return (
    <DeskFrame>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="m-0 text-[25px] font-bold">Meters</h1>
        <Button kind="go" onClick={() => setFresh(blankMeter(list))}>
          New meter
        </Button>
      </div>
      <p className="m-0 text-soft">
        Accuracy decides what a reading proves; category and volts decide what may be touched.
      </p>
      <Notice
        text={
          meters.isError ? 'The meters cannot be fetched: the server does not answer.' : undefined
        }
      />
      {open ? (
        <MeterForm key={open.id} meter={open} isNew={fresh !== undefined} onDone={done} />
      ) : (
        <ul className="m-0 mt-4 list-none p-0">
          {list.map((meter) => (
            <MeterRow
              key={meter.id}
              meter={meter}
              inHand={shop.data?.meter?.id === meter.id}
              onEdit={() => setEditing(meter.id)}
            />
          ))}
        </ul>
      )}
    </DeskFrame>
  );
}

function blankMeter(known: readonly MeterProfile[]): MeterProfile {
  let n = known.length + 1;
  while (known.some(({ id }) => id === `meter-${n}`)) n += 1;
  return {
    id: `meter-${n}`,
    name: `Meter ${n}`,
    rating: { category: 3, volts: 600 },
    functions: [
      { function: 'V=', ranges: [{ upTo: 600, resolution: 0.1, percent: 1, counts: 3 }] },
    ],
  };
}

function MeterRow({
  meter,
  inHand,
  onEdit,
}: {
  meter: MeterProfile;
  inHand: boolean;
  onEdit: () => void;
}) {
  const queries = useQueryClient();
  const taking = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('takeMeter', { params: { id: meter.id } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['shop'] }),
  });
  return (
    <li className="border-b border-hair py-3">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div className="min-w-0">
          <strong className="text-[18px]">{meter.name}</strong>
          {inHand && <span className="ml-2 text-jade">✓ in hand when a job opens</span>}
          <p className="m-0 text-[14px] text-soft">
            {meter.rating
              ? `CAT ${roman(meter.rating.category)}, ${meter.rating.volts} V`
              : 'no rating stated'}
            {meter.counts !== undefined && ` · ${meter.counts} counts`}
            {meter.buzzerBelow !== undefined && ` · buzzer below ${meter.buzzerBelow} Ω`}
            {meter.lead && ` · leads ${meter.lead.value} Ω`}
          </p>
        </div>
        <span className="flex gap-2">
          {!inHand && (
            <Button disabled={taking.isPending} onClick={() => taking.mutate()}>
              Take in hand
            </Button>
          )}
          <Button onClick={onEdit}>
            Edit<span className="sr-only"> {meter.name}</span>
          </Button>
        </span>
      </div>
      <Notice text={taking.isError ? `Nothing changed: ${taking.error.message}` : undefined} />
      <ul className="m-0 mt-1 flex list-none flex-wrap gap-x-5 gap-y-0.5 p-0 text-[14px]">
        {meter.functions.map(({ function: fn, ranges }) => {
          const facts = METER_FUNCTIONS[fn];
          const most = Math.max(...ranges.map(({ upTo }) => upTo));
          const best = Math.min(...ranges.map(({ percent }) => percent));
          return (
            <li key={fn}>
              {facts.words}{' '}
              <span className="figure text-soft">
                to {facts.unit ? formatQuantity(most, facts.unit, 3) : most}, {best} %
              </span>
            </li>
          );
        })}
      </ul>
    </li>
  );
}

function MeterForm({
  meter,
  isNew,
  onDone,
}: {
  meter: MeterProfile;
  isNew: boolean;
  onDone: () => void;
}) {
  const queries = useQueryClient();
  const [kept, keep] = useDraft(`meter.${meter.id}`);
  const draft = readDraft(kept) ?? meter;
  const problems = useProblems(draft);
  const context: FormContext = {
    change: (path, value) => keep(JSON.stringify(withValue(draft, path, value))),
    problems,
    suggest: () => [],
  };
  const finish = async () => {
    keep('');
    await queries.invalidateQueries({ queryKey: ['meters'] });
    onDone();
  };
  const saving = useMutation({
    networkMode: 'always',
    mutationFn: () => {
      const id = isNew ? slug(draft.name).toLowerCase() || draft.id : meter.id;
      return ask('keepMeter', { params: { id }, body: { ...draft, id } });
    },
    onSuccess: finish,
  });
  const removing = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('dropMeter', { params: { id: meter.id } }),
    onSuccess: finish,
  });
  // The form takes any JSON Schema, and values by the names in it.
  const { properties = {} } = meterProfileSchema as unknown as Schema;
  const required = meterProfileSchema.required as readonly string[];
  const failed = saving.error ?? removing.error;
  return (
    <section aria-label={`Meter ${draft.name}`} className="mt-4 flex flex-col gap-3">
      {Object.keys(properties)
        .filter((key) => key !== 'id')
        .map((key) => (
          <SchemaField
            key={key}
            schema={properties[key]!}
            value={(draft as unknown as Record<string, unknown>)[key]}
            path={[key]}
            context={context}
            label={labelOf(key)}
            required={required.includes(key)}
          />
        ))}
      <Notice
        text={failed ? `Nothing was saved; what you typed is kept. ${failed.message}` : undefined}
      />
      <div className="flex flex-wrap justify-between gap-3 border-t border-ink py-3">
        <span className="flex gap-2">
          <Button
            kind="quiet"
            onClick={() => {
              keep('');
              onDone();
            }}
          >
            Cancel
          </Button>
          {!isNew && (
            <Button kind="quiet" onClick={() => removing.mutate()}>
              Remove this meter
            </Button>
          )}
        </span>
        <Button
          kind="go"
          disabled={problems.size > 0 || saving.isPending}
          onClick={() => saving.mutate()}
        >
          {problems.size > 0 ? 'Mend first, then save' : 'Save the meter'}
        </Button>
      </div>
    </section>
  );
}

function readDraft(text: string): MeterProfile | undefined {
  try {
    return (JSON.parse(text || 'null') as MeterProfile | null) ?? undefined;
  } catch {
    return undefined;
  }
}
