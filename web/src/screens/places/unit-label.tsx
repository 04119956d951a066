/** The label of a unit, to print and stick inside its lid: a camera that looks at it opens its page. */
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { shopOptions, unitOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { QrCode } from '../../parts/qr-code';
import { NotHere } from '../not-here';
import { useSiteOf } from './use-site-of';

/** Addresses that mean each machine itself. */
const ONLY_HERE = /^(localhost|127\.|\[::1\])/;

export function UnitLabel() {
  const { unitId = '' } = useParams();
  const { data: unit, isPending } = useQuery(unitOptions(unitId));
  const shop = useQuery(shopOptions()).data;
  const site = useSiteOf(unit?.siteId ?? '');
  if (isPending)
    return (
      <DeskFrame>
        <p className="text-soft">Looking …</p>
      </DeskFrame>
    );
  if (!unit) return <NotHere what="There is no such unit" detail="The address may be mistyped." />;
  const address = `${window.location.origin}/units/${unit.id}`;
  return (
    <DeskFrame>
      <div className="no-print mb-5">
        <Link
          to={`/units/${unit.id}`}
          className="inline-flex min-h-11 min-w-11 items-center text-[14px] text-soft"
        >
          {unit.label}
        </Link>
        <h1 className="m-0 text-[25px] font-bold">Label</h1>
        <p className="m-0 max-w-prose text-soft">
          Print it and stick it inside the lid. A phone’s camera that looks at it opens this unit
          with its visits.
        </p>
        {ONLY_HERE.test(window.location.hostname) && (
          <p className="mt-2 mb-0 max-w-prose border-l-4 border-marigold pl-3">
            This page is open under an address of this machine alone ({window.location.host}): a
            label printed from here opens nothing on a phone. Print it from the address under which
            the shop’s devices reach Jeitinho.
          </p>
        )}
      </div>
      <section
        aria-label="Label"
        className="flex w-[92mm] max-w-full items-center gap-[4mm] border border-black bg-white p-[3mm] text-black"
      >
        <QrCode text={address} label={`QR code of ${address}`} className="size-[34mm]" />
        <div className="min-w-0 text-[3.6mm] leading-snug [overflow-wrap:anywhere]">
          <strong className="block text-[5mm] leading-tight">{unit.label}</strong>
          <span className="figure block">
            {unit.maker} {unit.model}
          </span>
          {unit.serial && <span className="figure block">{unit.serial}</span>}
          {site && <span className="block">{site.name}</span>}
          {shop && <span className="block font-semibold">{shop.name}</span>}
        </div>
      </section>
      <p className="no-print mt-5">
        <Button kind="go" onClick={() => window.print()}>
          Print the label
        </Button>
      </p>
    </DeskFrame>
  );
}
