/** The forms of customers, sites and units: what each asks, and where it goes. */
import type { CustomerResource, SheetListItem, SiteResource, UnitResource } from '@jeitinho/core';
import { modelMatches } from '@jeitinho/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { ApiProblem, ask } from '../../data/api';
import { amountIn } from '../../parts/money';
import { sheetsOptions } from '../../data/queries';
import { FormDialog, type FormField, type FormValues } from './form-dialog';

const CUSTOMER: readonly FormField[] = [
  { name: 'name', label: 'Name', required: true },
  { name: 'phone', label: 'Phone', type: 'tel' },
];
const OUTAGE: FormField = {
  name: 'outage',
  label: 'An hour without a machine costs them',
  type: 'amount',
};
const SITE: readonly FormField[] = [
  { name: 'name', label: 'Name of the place: house, roof, cold room', required: true },
  { name: 'address', label: 'Street and number' },
  { name: 'town', label: 'Town' },
];

type Added = (id: string) => void;

const freshIds = () => ({ id: uuidv7(), siteId: uuidv7() });

/** What is there already under this very id was added the last time. */
async function once(adding: Promise<unknown>): Promise<void> {
  try {
    await adding;
  } catch (error) {
    if (!(error instanceof ApiProblem && error.problem.code === 'id-used')) throw error;
  }
}

/** A customer with the first place where something stands: mostly there is but one. */
export function NewCustomer({ onAdded }: { readonly onAdded: Added }) {
  // Named here, so that a second press after a lost answer adds nothing twice.
  const [ids, setIds] = useState(freshIds);
  return (
    <FormDialog
      trigger="New customer"
      triggerKind="go"
      title="New customer"
      draft="customer"
      fields={[...CUSTOMER, ...SITE.slice(1)]}
      start={{}}
      act="Add"
      save={async ({ name = '', phone, address, town }) => {
        const { id, siteId } = ids;
        await once(ask('addCustomer', { body: { id, name, phone } }));
        await once(ask('addSite', { body: { id: siteId, customerId: id, name, address, town } }));
        setIds(freshIds());
        onAdded(id);
      }}
    />
  );
}

export const EditCustomer = ({ customer }: { readonly customer: CustomerResource }) => (
  <FormDialog
    trigger="Edit"
    title={customer.name}
    draft={`customer.${customer.id}`}
    fields={[...CUSTOMER, OUTAGE]}
    start={{ name: customer.name, phone: customer.phone, outage: amountText(customer.outage) }}
    act="Save"
    save={async (_, { outage, ...plain }) => {
      const body = { ...plain, ...amount(outage) };
      if (any(body)) await ask('editCustomer', { params: { id: customer.id }, body });
    }}
  />
);

export const NewSite = ({ customerId }: { readonly customerId: string }) => (
  <FormDialog
    trigger="New place"
    title="New place"
    draft={`site.of.${customerId}`}
    fields={SITE}
    start={{}}
    act="Add"
    save={({ name = '', address, town }) =>
      ask('addSite', { body: { customerId, name, address, town } })
    }
  />
);

export const EditSite = ({ site }: { readonly site: SiteResource }) => (
  <FormDialog
    trigger="Edit"
    triggerKind="quiet"
    title={site.name}
    draft={`site.${site.id}`}
    fields={SITE}
    start={{ name: site.name, address: site.address, town: site.town }}
    act="Save"
    save={async (_, changed) => {
      if (any(changed)) await ask('editSite', { params: { id: site.id }, body: changed });
    }}
  />
);

export function NewUnit({ siteId, onAdded }: { readonly siteId: string; readonly onAdded: Added }) {
  const sheets = useQuery(sheetsOptions());
  return (
    <FormDialog
      trigger="New unit"
      triggerKind="quiet"
      title="New unit, as its plate says"
      draft={`unit.at.${siteId}`}
      fields={unitFields(sheets.data ?? []).filter(({ name }) => !LATER.has(name))}
      start={{}}
      act="Add"
      save={async ({ label = '', maker = '', model = '', serial, kind = '', ...days }) => {
        const body = { siteId, label, maker, model, serial, kind, ...dates(days) };
        onAdded((await ask('addUnit', { body })).id);
      }}
    />
  );
}

export function EditUnit({ unit }: { readonly unit: UnitResource }) {
  const sheets = useQuery(sheetsOptions());
  const start: FormValues = {
    label: unit.label,
    maker: unit.maker,
    model: unit.model,
    serial: unit.serial,
    kind: unit.kind,
    installedOn: unit.installedOn ?? '',
    warrantyUntil: unit.warrantyUntil ?? '',
    warrantyCovers: unit.warrantyCovers ?? '',
    registered: yesText(unit.registered),
    outage: amountText(unit.outage),
    sheetId: unit.sheetId ?? '',
  };
  return (
    <FormDialog
      trigger="Edit"
      title={unit.label}
      draft={`unit.${unit.id}`}
      fields={unitFields(sheets.data ?? [], unit)}
      start={start}
      act="Save"
      save={async (_, changed) => {
        const {
          installedOn,
          warrantyUntil,
          sheetId,
          warrantyCovers,
          registered,
          outage,
          ...plain
        } = changed;
        const body = {
          ...plain,
          ...amount(outage),
          ...(warrantyCovers !== undefined && { warrantyCovers: coversIn(warrantyCovers) }),
          ...(registered !== undefined && {
            registered: registered === '' ? null : registered === 'yes',
          }),
          ...dates({ installedOn, warrantyUntil }),
          ...(sheetId !== undefined && { sheetId: sheetId || null }),
        };
        if (any(body)) await ask('editUnit', { params: { id: unit.id }, body });
      }}
    />
  );
}

/** Asked once it is there, not while its plate is read. */
const LATER: ReadonlySet<string> = new Set(['sheetId', 'warrantyCovers', 'registered', 'outage']);

const amountText = (value: number | null | undefined): string =>
  value === null || value === undefined ? '' : String(value);
const yesText = (value: boolean | null | undefined): string =>
  value === null || value === undefined ? '' : value ? 'yes' : 'no';
const coversIn = (text: string): 'parts' | 'parts-labour' | null =>
  text === 'parts' || text === 'parts-labour' ? text : null;
/** A sum that was named; blank for none. The form lets nothing else through. */
const amount = (text: string | undefined) =>
  text === undefined ? {} : { outage: amountIn(text) ?? null };

const any = (values: object): boolean => Object.keys(values).length > 0;

/** Days that were named; blank for none. */
const dates = ({ installedOn, warrantyUntil }: Partial<Record<string, string>>) => ({
  ...(installedOn !== undefined && { installedOn: installedOn || null }),
  ...(warrantyUntil !== undefined && { warrantyUntil: warrantyUntil || null }),
});

function unitFields(sheets: readonly SheetListItem[], unit?: UnitResource): FormField[] {
  const distinct = (texts: readonly string[]) => [...new Set(texts)].sort();
  const fits = (item: SheetListItem) =>
    unit !== undefined &&
    [item.maker, ...item.facets.makers].includes(unit.maker) &&
    item.facets.models.some((pattern) => modelMatches(pattern, unit.model));
  const inOrder = [...sheets.filter(fits), ...sheets.filter((item) => !fits(item))];
  return [
    { name: 'label', label: 'What it is called here: Boiler, Dryer 4', required: true },
    {
      name: 'maker',
      label: 'Maker',
      required: true,
      options: distinct(sheets.flatMap(({ maker, facets }) => [maker, ...facets.makers])),
    },
    {
      name: 'model',
      label: 'Model',
      required: true,
      options: distinct(sheets.flatMap(({ facets }) => facets.models)),
    },
    { name: 'serial', label: 'Serial number' },
    {
      name: 'kind',
      label: 'Kind: gas boiler, wall split',
      required: true,
      options: distinct(sheets.map(({ facets }) => facets.kind)),
    },
    { name: 'installedOn', label: 'Installed on', type: 'date' },
    { name: 'warrantyUntil', label: 'Warranty until', type: 'date' },
    {
      name: 'warrantyCovers',
      label: 'The warranty bears',
      choices: [
        ['', 'not noted: parts'],
        ['parts', 'parts'],
        ['parts-labour', 'parts and work'],
      ],
    },
    {
      name: 'registered',
      label: 'Registered with its maker',
      choices: [
        ['', 'not noted'],
        ['yes', 'yes'],
        ['no', 'no'],
      ],
    },
    { name: 'outage', label: 'An hour without it costs', type: 'amount' },
    {
      name: 'sheetId',
      label: 'Service sheet of its next visits',
      choices: [
        ['', 'none'],
        ...inOrder.map(
          (item) => [item.id, fits(item) ? `${item.title} (fits this model)` : item.title] as const,
        ),
      ],
    },
  ];
}
