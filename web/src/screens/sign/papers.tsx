/** The papers of a visit, made on this device: PDFs, the claim bundle, the parts order, the job as a file. */
import type { Report } from '@jeitinho/core';
import type { Ending, FoldedEntry, StoredEntry } from '@jeitinho/core/job';
import { useState } from 'react';
import { claimBundle, fileOf, fileStem, reportPdf, type Papers } from '../../papers/bundle';
import type { ReportVersion } from '../../papers/report-document';
import { orderCsv } from '../../papers/tables';
import { download, downloadBlob } from '../../data/files';
import { Button } from '../../parts/button';
import { useTerms } from '../decide/use-terms';
import { useEntriesHere, useJob } from '../job/job-context';

export interface PaperButtonsProps {
  readonly report: Report;
  readonly version: ReportVersion;
}

const ordered = ({ kind, part }: Ending): boolean =>
  part !== undefined && (kind === 'replace' || kind === 'come-back');

export function PaperButtons({ report, version }: PaperButtonsProps) {
  const { job, sheet, state } = useJob();
  const entries = useEntriesHere();
  const { offers, currency } = useTerms();
  const [busy, setBusy] = useState('');
  const [told, setTold] = useState('');
  const stem = fileStem(job);
  const papers: Papers = {
    ...{ job, sheet, report },
    written: job.sheet!,
    // As the log has them; what marks them as sent is this device’s own.
    entries: state.log.map(plain),
  };
  const parts = (state.decision?.body.endings ?? []).filter(ordered);
  const make = async (what: string, work: () => Promise<string>) => {
    setBusy(what);
    setTold('');
    try {
      setTold(await work());
    } catch (error) {
      setTold(
        `${what} could not be made: ${error instanceof Error ? error.message : 'try again'}. Nothing of the job was changed.`,
      );
    } finally {
      setBusy('');
    }
  };
  const waiting = entries.filter(({ sendState }) => sendState !== 'sent').length;
  return (
    <section
      aria-labelledby="papers"
      className="no-print mt-5 border border-hair bg-card p-5 max-lg:p-4"
    >
      <h2 id="papers" className="m-0 text-[20px] font-bold">
        Papers
      </h2>
      <p className="m-0 text-[15px] text-soft">
        Made on this device, with or without a network.
        {waiting > 0 &&
          ` ${waiting} ${waiting === 1 ? 'entry has' : 'entries have'} not reached the server yet; the papers hold them all the same.`}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button
          disabled={busy !== ''}
          onClick={() =>
            void make('The PDF', async () => {
              downloadBlob(`report-${stem}-${version}.pdf`, await reportPdf(papers, version));
              return 'The PDF is made.';
            })
          }
        >
          PDF {version === 'customer' ? 'for the customer' : 'for the file'}
        </Button>
        <Button
          disabled={busy !== ''}
          onClick={() =>
            void make('The bundle', async () => {
              const { zip, missing } = await claimBundle(papers);
              downloadBlob(`claim-${stem}.zip`, zip);
              return missing === 0
                ? 'The bundle is made: report, readings, job and pictures.'
                : `The bundle is made without ${missing} ${missing === 1 ? 'picture that is' : 'pictures that are'} still on another device; it says which.`;
            })
          }
        >
          Warranty claim bundle
        </Button>
        {parts.length > 0 && (
          <Button
            disabled={busy !== ''}
            onClick={() => {
              const lines = parts.map(({ part }) => ({
                name: sheet.parts.find(({ id }) => id === part)?.name ?? part!,
                offer: offers.find((offer) => offer.part === part),
              }));
              download(`order-${stem}.csv`, orderCsv(job, lines, currency), 'text/csv');
              setTold(
                `The order has ${lines.length === 1 ? 'one part' : `${lines.length} parts`}.`,
              );
            }}
          >
            Parts order
          </Button>
        )}
        <Button
          disabled={busy !== ''}
          onClick={() =>
            void make('The job file', async () => {
              const file = await fileOf(papers);
              download(`job-${stem}.json`, JSON.stringify(file), 'application/json');
              return 'The whole job is in the file, its pictures too. Shop → Files brings it in elsewhere.';
            })
          }
        >
          The job as a file
        </Button>
      </div>
      <p role="status" className="m-0 min-h-6 pt-1 text-[15px]">
        {busy ? `${busy} is being made…` : told}
      </p>
    </section>
  );
}

/** As the log has it: what this device noted beside it (whether it was sent, withdrawn by what) stays here. */
const plain = ({ id, kind, at, author, device, seen, seq, offset, body }: FoldedEntry) =>
  JSON.parse(
    JSON.stringify({ id, kind, at, author, device, seen, seq, offset, body }),
  ) as StoredEntry;
