/** How the shop's data is kept: the last good backup first, everything out as open files, everything in. */
import type { KeepingResource } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { ask } from '../../data/api';
import { momentWords, useNow } from '../../data/now';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { Notice } from '../../parts/notice';
import { ShopPlaces } from '../shop/shop-places';
import { QrCode } from '../../parts/qr-code';

const DAY_MS = 86_400_000;

export function KeepingScreen() {
  const keeping = useQuery({
    queryKey: ['keeping'],
    queryFn: () => ask('keeping', {}),
    refetchInterval: 60_000,
  });
  return (
    <DeskFrame>
      <ShopPlaces />
      <h1 className="m-0 text-[25px] font-bold">Keeping</h1>
      <p className="m-0 text-soft">
        What survives this machine. Try a restore before you need one.
      </p>
      <Notice text={keeping.error?.message} />
      {keeping.data && <LastGood keeping={keeping.data} />}
      {keeping.data && <Backups keeping={keeping.data} />}
      {keeping.data?.trust && <Trust trust={keeping.data.trust} />}
      <OutAndIn />
    </DeskFrame>
  );
}

function LastGood({ keeping }: { readonly keeping: KeepingResource }) {
  const now = useNow(60_000);
  const queries = useQueryClient();
  const making = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('backUp', { body: undefined }),
    onSettled: () => queries.invalidateQueries({ queryKey: ['keeping'] }),
  });
  const good = keeping.backups.find(({ whole }) => whole);
  const late = !good || now - Date.parse(good.at) > 2 * DAY_MS;
  const { jobs, entries, photos, photoBytes } = keeping.counts;
  return (
    <section
      aria-label="Last good backup"
      className={`mt-4 border-l-8 px-5 py-4 ${late ? 'border-marigold bg-marigold-tint' : 'border-jade bg-jade-tint'}`}
    >
      <p className="m-0 text-soft">Last good backup</p>
      <p className="figure m-0 text-[34px] leading-tight font-bold max-lg:text-[26px]">
        {good ? momentWords(good.at) : 'none yet'}
      </p>
      <p className="m-0">
        {keeping.nextAt
          ? `The next one makes itself ${momentWords(keeping.nextAt)}.`
          : 'None makes itself here: this database is kept elsewhere.'}{' '}
        In the shop now: {jobs} visits, {entries} entries, {photos} pictures (
        {(photoBytes / 1e6).toFixed(1)} MB).
      </p>
      <Notice text={making.error?.message ?? keeping.trouble ?? undefined} />
      {keeping.nextAt && (
        <Button className="mt-3" onClick={() => making.mutate()} disabled={making.isPending}>
          {making.isPending ? 'Writing, and reading it again …' : 'Make one now'}
        </Button>
      )}
    </section>
  );
}

function Backups({ keeping }: { readonly keeping: KeepingResource }) {
  if (keeping.backups.length === 0) return null;
  return (
    <section className="mt-7">
      <h2 className="m-0 text-[20px] font-bold">Backups</h2>
      <p className="m-0 max-w-prose text-soft">
        In the folder “backups” beside the database: one of each of seven days and five weeks. Copy
        them to another machine as well.
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Backups">
        <table className="mt-2 w-full border-collapse text-[15px]">
          <thead>
            <tr className="border-b border-ink text-left">
              <th scope="col" className="py-1 pr-4">
                Made
              </th>
              <th scope="col" className="py-1 pr-4">
                File
              </th>
              <th scope="col" className="py-1 pr-4 text-right">
                Size
              </th>
              <th scope="col" className="py-1">
                Read again
              </th>
            </tr>
          </thead>
          <tbody>
            {keeping.backups.map(({ file, at, bytes, whole }) => (
              <tr key={file} className="border-b border-hair">
                <td className="py-2 pr-4 whitespace-nowrap">{momentWords(at)}</td>
                <td className="figure py-2 pr-4">{file}</td>
                <td className="figure py-2 pr-4 text-right whitespace-nowrap">
                  {(bytes / 1e6).toFixed(1)} MB
                </td>
                <td className="py-2">{whole ? 'whole' : '▲ not known to be whole'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Trust({ trust }: { readonly trust: NonNullable<KeepingResource['trust']> }) {
  const address = `${window.location.origin}${trust.path}`;
  return (
    <section className="mt-7 flex flex-wrap items-start gap-6">
      <QrCode
        text={address}
        label="Address of the page that shows a phone how to trust this shop"
      />
      <div className="min-w-0 flex-1">
        <h2 className="m-0 text-[20px] font-bold">A new phone or tablet</h2>
        <p className="m-0 max-w-prose">
          Open <code className="figure break-all">{address}</code> on it, compare the letters below
          with what it shows, and follow it. Camera, meters and work without a network want that.
        </p>
        <code className="figure mt-2 block bg-card p-3 text-[15px] leading-relaxed">
          {trust.fingerprint}
        </code>
      </div>
    </section>
  );
}

function OutAndIn() {
  const queries = useQueryClient();
  const field = useRef<HTMLInputElement>(null);
  const bringing = useMutation({
    networkMode: 'always',
    mutationFn: (file: File) =>
      ask('importAll', { body: new Blob([file], { type: 'application/x-tar' }) }),
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <section className="mt-7">
      <h2 className="m-0 text-[20px] font-bold">Everything out, everything in</h2>
      <p className="m-0 max-w-prose text-soft">
        Open files: JSON lines, a CSV of readings, pictures. Without passwords. Brought into an
        empty shop they make it this one.
      </p>
      <div className="mt-3 flex flex-wrap gap-3">
        <a
          href="/api/v1/keeping/export"
          download
          className="inline-flex min-h-11 items-center border border-soft bg-card px-4 text-ink no-underline"
        >
          Take everything out
        </a>
        <Button onClick={() => field.current?.click()} disabled={bringing.isPending}>
          {bringing.isPending ? 'Bringing it in …' : 'Bring everything in'}
        </Button>
        <input
          ref={field}
          type="file"
          accept=".tar,application/x-tar"
          aria-label="Export to bring in"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) bringing.mutate(file);
          }}
        />
      </div>
      <Notice text={bringing.error?.message} />
      <p role="status" className="m-0 min-h-7">
        {bringing.data
          ? `Brought in: ${bringing.data.rows} rows, ${bringing.data.photos} pictures.`
          : ''}
      </p>
    </section>
  );
}
