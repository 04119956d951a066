/** A unit: its plate, its warranty, its sheet, and every visit. What its label opens. */
import type { AnswerOf, PlaceResource, VisitResource } from '@jeitinho/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { ApiProblem, ask } from '../../data/api';
import { longDay, useNow } from '../../data/now';
import { placeOptions, sheetsOptions, unitOptions } from '../../data/queries';
import { DeskFrame } from '../../parts/desk-frame';
import { Plate, PlateField } from '../../parts/plate';
import { warrantyWords } from '../../parts/warranty';
import { NotHere } from '../not-here';
import { UnitYears } from '../records/unit-years';
import { NewVisit } from '../today/new-visit';
import { MergeDialog } from './merge-dialog';
import { EditUnit } from './place-forms';
import { useSiteOf } from './use-site-of';

type UnitWithVisits = AnswerOf<'unit'>;

export function UnitPage() {
  const { unitId = '' } = useParams();
  const query = useQuery(unitOptions(unitId));
  if (query.isPending)
    return (
      <DeskFrame>
        <p className="text-soft">Looking …</p>
      </DeskFrame>
    );
  if (!query.data)
    return query.error instanceof ApiProblem ? (
      <NotHere
        what="There is no such unit"
        detail="The label may come from another shop, or the address be mistyped."
      />
    ) : (
      <NotHere
        what="This unit cannot be shown now"
        detail="The server does not answer, and this device has not seen it before."
      />
    );
  return <Unit unit={query.data} />;
}

function Unit({ unit }: { readonly unit: UnitWithVisits }) {
  const now = useNow(60_000);
  const site = useSiteOf(unit.siteId);
  const open = unit.visits.filter(({ summary }) => summary?.status !== 'signed');
  const past = unit.visits.filter(({ summary }) => summary?.status === 'signed');
  return (
    <DeskFrame>
      <Whereabouts site={site} />
      <div className="flex flex-wrap items-start justify-between gap-3">
        <h1 className="m-0 text-[25px] leading-tight font-bold">{unit.label}</h1>
        <div className="flex flex-wrap items-center gap-2">
          <MergeDialog
            id={unit.id}
            name={unit.label}
            guess={unit.serial || unit.model}
            belongings="visits"
            find={async (q) =>
              (await ask('units', { query: { q } })).map((each) => ({
                id: each.id,
                title: `${each.label}, ${each.maker} ${each.model}`,
                detail: [each.serial, 'siteName' in each && each.siteName]
                  .filter(Boolean)
                  .join(' · '),
              }))
            }
            merge={(double) => ask('mergeUnit', { params: { id: unit.id }, body: { double } })}
          />
          <Link
            to={`/units/${unit.id}/label`}
            className="inline-flex min-h-11 items-center px-2 text-ink"
          >
            Label
          </Link>
          <EditUnit unit={unit} />
          <NewVisit unit={unit} />
        </div>
      </div>
      <div className="mt-4">
        <Plate>
          <PlateField name="Maker">{unit.maker}</PlateField>
          <PlateField name="Model">{unit.model}</PlateField>
          <PlateField name="Serial">{unit.serial || 'not noted'}</PlateField>
          <PlateField name="Kind">{unit.kind}</PlateField>
          <PlateField name="Installed">
            {unit.installedOn ? longDay(unit.installedOn) : 'not noted'}
          </PlateField>
          <PlateField name="Warranty">{warrantyWords(unit.warrantyUntil, now)}</PlateField>
        </Plate>
      </div>
      <p className="mt-3 mb-0">
        <SheetOf unit={unit} />
      </p>
      {open.length > 0 && (
        <section aria-label="Open visits" className="mt-6">
          {open.map((visit) => (
            <Link
              key={visit.id}
              to={`/jobs/${visit.id}`}
              className="mb-2 flex min-h-14 items-center justify-between gap-4 border-2 border-jade bg-card px-4 py-2 text-ink no-underline"
            >
              <span>
                <strong className="block text-[18px]">“{visit.complaint}”</strong>
                <span className="text-[14px] text-soft">
                  opened {longDay(visit.openedAt)}
                  {visit.summary && ` · ${visit.summary.stageName} next`}
                </span>
              </span>
              <span className="shrink-0 font-semibold text-jade">Go on</span>
            </Link>
          ))}
        </section>
      )}
      <section aria-label="Visits" className="mt-6">
        <h2 className="m-0 border-b border-ink pb-1 text-[18px] font-bold">
          {past.length === 0 ? 'No visit was signed yet' : visitCount(past.length)}
        </h2>
        <ol className="m-0 list-none p-0">
          {past.map((visit) => (
            <PastVisit key={visit.id} visit={visit} />
          ))}
        </ol>
      </section>
      {past.length > 0 && <UnitYears unitId={unit.id} />}
    </DeskFrame>
  );
}

const visitCount = (n: number): string => (n === 1 ? 'One signed visit' : `${n} signed visits`);

function Whereabouts({ site }: { readonly site: ReturnType<typeof useSiteOf> }) {
  const place = useQuery({ ...placeOptions(site?.customerId ?? ''), enabled: site !== undefined });
  const [customer]: readonly PlaceResource[] = place.data ?? [];
  return (
    <p className="m-0 text-[14px] text-soft">
      <Link to="/customers" className="text-soft">
        Customers
      </Link>
      {site && customer && (
        <>
          {' · '}
          <Link to={`/customers/${customer.id}`} className="text-soft">
            {customer.name}
          </Link>
          {' · '}
          <Link to={`/sites/${site.id}`} className="text-soft">
            {[siteWords(site.name, customer.name), site.address, site.town]
              .filter(Boolean)
              .join(', ')}
          </Link>
        </>
      )}
    </p>
  );
}

/** Places are mostly called after their customer: said once is enough. */
const siteWords = (site: string, customer: string): string =>
  site.startsWith(customer) ? site.slice(customer.length).replace(/^[\s,·-]+/, '') : site;

function SheetOf({ unit }: { readonly unit: UnitWithVisits }) {
  const sheets = useQuery(sheetsOptions());
  const sheet = sheets.data?.find(({ id }) => id === unit.sheetId);
  if (!unit.sheetId)
    return (
      <span className="border-l-4 border-marigold pl-3">
        No service sheet for this model yet.{' '}
        <Link
          to="/sheets/quick"
          state={{ machine: { maker: unit.maker, model: unit.model, kind: unit.kind } }}
        >
          Make a quick one
        </Link>{' '}
        or choose one with “Edit”.
      </span>
    );
  return (
    <Link
      to={`/sheets/${encodeURIComponent(unit.sheetId)}`}
      className="inline-flex min-h-11 items-center"
    >
      Service sheet: {sheet?.title ?? unit.sheetId}
      {sheet && `, revision ${sheet.revision}`}
    </Link>
  );
}

function PastVisit({ visit }: { readonly visit: VisitResource }) {
  const { summary } = visit;
  return (
    <li className="border-b border-hair">
      <Link
        to={`/jobs/${visit.id}/sign`}
        className="grid min-h-14 grid-cols-[9.5rem_minmax(0,1fr)_minmax(0,1fr)] items-center gap-x-4 py-1.5 text-ink no-underline max-lg:grid-cols-1"
      >
        <span className="text-[14px] text-soft">
          {longDay(summary?.signedAt ?? visit.openedAt)}
        </span>
        <span>
          “{visit.complaint}”
          {summary && summary.codes.length > 0 && (
            <span className="figure ml-2 text-[14px] text-soft">
              code {summary.codes.join(', ')}
            </span>
          )}
        </span>
        <strong>{summary?.ending ?? 'undecided'}</strong>
      </Link>
    </li>
  );
}
