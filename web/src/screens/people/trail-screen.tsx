/** The trail of who: what was done, by whom, when. It only grows. */
import type { AuditResource } from '@jeitinho/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { pageAt, pathAsked, type Page } from '../../data/api';
import { momentWords } from '../../data/now';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { Notice } from '../../parts/notice';
import { ShopPlaces } from '../shop/shop-places';

/** In words; what is not here is shown by its own name. */
const WORDS: Readonly<Record<string, string>> = {
  'signed-in': 'signed in',
  'signed-out': 'signed out',
  'wrong-password': 'wrong password',
  'password-changed': 'changed the password',
  'passkey-made': 'made a passkey',
  'passkey-dropped': 'put a passkey away',
  'device-ended': 'signed a device out',
  'person-added': 'added a person',
  'person-changed': 'changed a person',
  'person-removed': 'removed a person',
  'link-made': 'made a link',
  'link-used': 'came in by a link',
  'backup-made': 'made a backup',
  'backup-failed': 'a backup failed',
  restored: 'restored a backup',
  exported: 'took everything out',
  imported: 'brought everything in',
  'customer-erased': 'erased a customer',
  'sheet-saved': 'saved a sheet',
  'sheet-proposed': 'proposed a sheet',
  'proposal-decided': 'decided on a proposal',
  'prices-changed': 'changed the prices',
  'price-list-changed': 'changed the price list',
  'job-file-brought': 'brought a job in',
  'pictures-cleared': 'cleared old pictures',
  'odds-changed': 'changed the odds of a sheet',
  'report-link-made': 'made a link to a report',
  'report-link-ended': 'ended a link to a report',
};

export function TrailScreen() {
  const trail = useInfiniteQuery({
    queryKey: ['audit'],
    queryFn: ({ pageParam }) => pageAt('audit', pageParam),
    initialPageParam: pathAsked('audit', { query: { limit: 100 } }),
    getNextPageParam: ({ next }: Page<AuditResource>) => next,
  });
  const lines = trail.data?.pages.flatMap(({ items }) => items) ?? [];
  return (
    <DeskFrame>
      <ShopPlaces />
      <h1 className="m-0 text-[25px] font-bold">Trail</h1>
      <p className="m-0 text-soft">
        Who did what to the shop itself. It only grows; nobody can change it.
      </p>
      <Notice text={trail.error?.message} />
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Trail of who">
        <table className="mt-3 w-full border-collapse text-[15px]">
          <thead>
            <tr className="border-b border-ink text-left">
              <th scope="col" className="py-1 pr-4">
                When
              </th>
              <th scope="col" className="py-1 pr-4">
                Who
              </th>
              <th scope="col" className="py-1 pr-4">
                What
              </th>
              <th scope="col" className="py-1">
                About
              </th>
            </tr>
          </thead>
          <tbody>
            {lines.map(({ at, who, what, about }, i) => (
              // Two in the same instant are told apart by their place alone.
              <tr key={`${at} ${lines.length - i}`} className="border-b border-hair align-top">
                <td className="figure py-2 pr-4 whitespace-nowrap">{momentWords(at)}</td>
                <td className="py-2 pr-4">{who}</td>
                <td className="py-2 pr-4">{WORDS[what] ?? what}</td>
                <td className="py-2 text-soft">
                  {Object.entries(about)
                    .map(([key, value]) => `${key}: ${String(value)}`)
                    .join(' · ')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {trail.hasNextPage && (
        <Button
          className="mt-4"
          onClick={() => void trail.fetchNextPage()}
          disabled={trail.isFetchingNextPage}
        >
          Further back
        </Button>
      )}
    </DeskFrame>
  );
}
