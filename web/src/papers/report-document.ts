/**
 * The service report as a document for paper, in two versions: for the customer, who wants to know what was
 * wrong, what was done, what it cost and what is next; and for the file, with every figure against its limit.
 */
import {
  REPAIR_ITSELF,
  reportNumber,
  sourceWords,
  type JobResource,
  type Report,
} from '@jeitinho/core';
import type { Sheet } from '@jeitinho/core/sheet';
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { moneyExact } from '../parts/money';
import { percent } from '../parts/percent';
import { clockTime, longDay } from '../data/now';
import { said, TEXT_FACE } from './glyphs';

export type ReportVersion = 'customer' | 'file';

export interface ReportPapers {
  readonly job: JobResource;
  readonly sheet: Sheet;
  readonly report: Report;
  /** Pictures as data URLs, by hash; what is missing is said. */
  readonly pictures: ReadonlyMap<string, string>;
}

const MM = 72 / 25.4;
const SOFT = '#5c564a';

export function reportDocument(papers: ReportPapers, version: ReportVersion): TDocumentDefinitions {
  const { job, report } = papers;
  const number = reportNumber(job.id, job.openedAt);
  return {
    info: { title: `Service report ${number}`, author: job.shop.name, creator: 'Jeitinho' },
    pageSize: 'A4',
    pageMargins: [18 * MM, 16 * MM, 18 * MM, 18 * MM],
    defaultStyle: { font: TEXT_FACE, fontSize: 10, lineHeight: 1.15 },
    styles: {
      title: { fontSize: 20, bold: true },
      heading: { fontSize: 12, bold: true, margin: [0, 10, 0, 3] },
      found: { fontSize: 15, bold: true },
      soft: { color: SOFT },
      small: { fontSize: 8, color: SOFT },
    },
    footer: (page, pages) => ({
      margin: [18 * MM, 6, 18 * MM, 0],
      columns: [
        said(`${job.shop.name} · report ${number}`, { style: 'small' }),
        said(`page ${page} of ${pages}`, { style: 'small', alignment: 'right' }),
      ],
    }),
    content: [
      ...head(papers, number),
      ...(version === 'customer' ? forCustomer(papers) : forFile(papers)),
      ...agreed(report),
      ...list('How the machine was left', report.left),
      ...list(
        'What is to come',
        report.ahead.map(({ on, text }) => `${longDay(`${on}T12:00:00`)}: ${text}`),
      ),
      ...pictures(papers),
      ...signatures(papers),
    ],
  };
}

const heading = (text: string): Content => said(text, { style: 'heading' });

const list = (title: string, lines: readonly string[]): Content[] =>
  lines.length === 0 ? [] : [heading(title), { ul: lines.map((line) => said(line)) }];

function head({ job, report }: ReportPapers, number: string): Content[] {
  const { customer, site, unit } = job;
  const field = (name: string, text: string): TableCell[] => [
    said(name, { style: 'soft' }),
    said(text),
  ];
  return [
    {
      columns: [
        [
          said('Service report', { style: 'title' }),
          said([job.shop.name, job.shop.town].filter(Boolean).join(', '), { style: 'soft' }),
        ],
        [
          said(longDay(job.openedAt), { alignment: 'right' }),
          said(`No. ${number}`, { alignment: 'right' }),
        ],
      ],
    },
    {
      margin: [0, 6, 0, 0],
      table: {
        headerRows: 0,
        widths: [62, '*'],
        body: [
          field('Customer', [customer.name, site.address, site.town].filter(Boolean).join(', ')),
          field(
            'Unit',
            `${unit.label}, ${unit.maker} ${unit.model}, serial ${unit.serial || 'not noted'}`,
          ),
          field('Complaint', report.complaint || 'none written down'),
          field(
            'Codes',
            report.codes.map((code) => `${code.shown}, ${code.title}`).join('; ') ||
              (report.noCode ? 'none shown' : 'not read'),
          ),
        ],
      },
      layout: 'lightHorizontalLines',
    },
  ];
}

/** Whether it works, in a sentence that needs no meter. */
export function provenWords({ proven, repair, decision }: Report): string {
  if (proven === true)
    return 'It was tried out after the work, and works: what was wrong before is right now.';
  if (proven === false || repair.length > 0)
    return 'It is not proven yet that this mends it; what is still owed stands below.';
  return decision ? 'Nothing was changed on the machine on this visit.' : 'Nothing is decided yet.';
}

/** What is open, for somebody who has no use for each reading: the repair itself, and how much more there is. */
export function openPoints(lines: readonly string[]): string[] {
  const repair = lines.filter((line) => line.startsWith(REPAIR_ITSELF));
  const others = lines.length - repair.length;
  if (others === 0) return repair;
  const more = others === 1 ? 'One more point is' : `${others} more points are`;
  return [...repair, `${more} open; the report for the file names them.`];
}

/** What a decision rests on: the suspect that sits on the part it names, where a finding accuses one. */
export const behind = ({ suspects, decision }: Report): Report['suspects'][number] | undefined =>
  decision?.accused ? suspects.find(({ part }) => decision.text.includes(part)) : undefined;

export const takenWords = ({ rows }: Report): string =>
  `${rows.length} ${rows.length === 1 ? 'reading was' : 'readings were'} taken and kept; they are in the report for the file.`;

function forCustomer({ report }: ReportPapers): Content[] {
  const { decision, repair, notProven } = report;
  const first = behind(report);
  return [
    heading('What was found'),
    said(decision ? decision.text : 'Not decided yet', { style: 'found' }),
    ...(first ? [said(`Behind it, as far as was measured: ${first.name} (${first.part}).`)] : []),
    ...(report.cleared.length > 0
      ? [said(`Looked at and sound: ${report.cleared.join(', ')}.`)]
      : []),
    ...(report.rows.length > 0 ? [said(takenWords(report))] : []),
    ...list('What was done', repair),
    heading('Does it work'),
    said(provenWords(report)),
    ...(report.proven === true ? [] : list('Not proven', openPoints(notProven))),
    ...(report.signed?.note ? [heading('What was said'), said(report.signed.note)] : []),
  ];
}

function forFile(papers: ReportPapers): Content[] {
  const { report, sheet } = papers;
  const { decision, remains } = report;
  return [
    heading('Decision'),
    said(decision ? `${decision.text} ${decision.number}`.trim() : 'Not decided yet', {
      style: 'found',
    }),
    ...(decision?.reason ? [said(`Reason given: ${decision.reason}`)] : []),
    ...(decision?.against
      ? [
          said(
            `Expected to cost ${moneyExact(decision.against.chosenCost, decision.against.currency)}; “${decision.against.words}” was expected to cost ${moneyExact(decision.against.cost, decision.against.currency)}.`,
          ),
        ]
      : []),
    believed('When decided', report),
    ...(remains ? [believed('After the work', remains)] : []),
    ...(report.cleared.length > 0 ? [said(`Cleared: ${report.cleared.join(', ')}.`)] : []),
    ...list('Seen, heard', report.observed),
    heading('Readings'),
    readings(papers),
    said(
      `Figures less the leads (${report.lead}); ± is the meter’s own limit of error there. Meter: ${report.meter}. Limits from ${sourceWords(sheet)}, sheet revision ${sheet.revision}.`,
      { style: 'small', margin: [0, 3, 0, 0] },
    ),
    ...list(
      'Made safe',
      report.dead.map(({ at, text }) => `${clockTime(at)} ${text}`),
    ),
    ...list('Repair', report.repair),
    ...list('Not proven', [
      ...report.notProven,
      ...report.skipped.map(({ title, reason }) => `Skipped: ${title}, ${reason}.`),
    ]),
    ...list('Compared, and no evidence about this machine', report.compared),
    ...(report.signed?.owed
      ? [heading('Signed with something owed'), said(report.signed.owed)]
      : []),
    ...(report.signed?.note
      ? [heading('What the customer was told'), said(report.signed.note)]
      : []),
  ];
}

const believed = (
  when: string,
  { suspects, sound, other }: Pick<Report, 'suspects' | 'sound' | 'other'>,
): Content =>
  said(
    `${when}: ${[
      ...suspects.map((each) => `${each.name} (${each.part}) ${percent(each.p)}`),
      `nothing wrong ${percent(sound)}`,
      `something not on this sheet ${percent(other)}`,
    ].join(' · ')}`,
    { style: 'soft' },
  );

function readings({ report }: ReportPapers): Content {
  if (report.rows.length === 0) return said('No readings were taken.');
  const cell = (text: string, more: object = {}): TableCell =>
    said(text, { fontSize: 8.5, ...more }) as TableCell;
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths: [28, '*', 'auto', 'auto', 90, 62],
      body: [
        ['Time', 'Test', 'Reading', 'Limit', 'Verdict', 'Source'].map((text) =>
          cell(text, { color: SOFT }),
        ),
        ...report.rows.map((row): TableCell[] => {
          const gone = row.mark === 'withdrawn' || row.mark === 'repeated';
          const struck = gone ? { decoration: 'lineThrough', color: SOFT } : {};
          return [
            cell(clockTime(row.at)),
            [
              cell(row.title, struck),
              cell([row.where, row.function, row.state].filter(Boolean).join(', '), {
                fontSize: 7.5,
                color: SOFT,
              }),
            ] as unknown as TableCell,
            cell([row.value, row.uncertainty].filter(Boolean).join('\n'), struck),
            cell(row.limit),
            cell(row.verdict, row.mark === 'out' ? { bold: true } : {}),
            cell(row.source, { fontSize: 7.5, color: SOFT }),
          ];
        }),
      ],
    },
    layout: 'lightHorizontalLines',
  };
}

function agreed({ accepted }: Report): Content[] {
  if (!accepted) return [];
  const { agreed: yes, by, how, amount, currency, at, note, current } = accepted;
  return [
    heading('What the customer said to it'),
    said(
      `${by} ${yes ? 'agreed to' : 'did not agree to'} ${moneyExact(amount, currency)}, ${how}, on ${longDay(at)} at ${clockTime(at)}.${note ? ` ${note}` : ''}${current ? '' : ' What is to be done was decided anew since.'}`,
    ),
  ];
}

function pictures({ report, pictures: kept }: ReportPapers): Content[] {
  if (report.photos.length === 0) return [];
  return [
    heading('Pictures'),
    ...report.photos.map(({ hash, at, caption, where }): Content => {
      const url = kept.get(hash);
      const words = [clockTime(at), [where, caption].filter(Boolean).join(': ')]
        .filter(Boolean)
        .join(' ');
      return url === undefined
        ? said(`${words} (the picture is still on another device)`, { style: 'soft' })
        : {
            unbreakable: true,
            margin: [0, 4, 0, 4],
            stack: [{ image: url, fit: [330, 230] }, said(words, { style: 'small' })],
          };
    }),
  ];
}

function signatures({ report, pictures: kept }: ReportPapers): Content[] {
  const { signed } = report;
  const line = (role: string, name: string, at: string | undefined, drawn?: string) => {
    const url = drawn === undefined ? undefined : kept.get(drawn);
    return {
      stack: [
        url === undefined
          ? said(' ', { margin: [0, 0, 0, 24] })
          : { image: url, fit: [180, 44] as [number, number] },
        said(name || ' ', { fontSize: 12 }),
        { canvas: [{ type: 'line' as const, x1: 0, y1: 2, x2: 210, y2: 2, lineWidth: 0.7 }] },
        said(at ? `${role}, ${longDay(at)} ${clockTime(at)}` : role, { style: 'small' }),
      ],
    };
  };
  return [
    {
      unbreakable: true,
      margin: [0, 22, 0, 0],
      columnGap: 24,
      columns: [
        line('Technician', signed?.technician ?? '', signed?.at, signed?.drawn?.technician),
        line('Customer', signed?.customer ?? '', undefined, signed?.drawn?.customer),
        ...(signed?.second === undefined
          ? []
          : [
              line(
                signed.second ? 'Looked through' : 'To be looked through by a second person',
                signed.second?.name ?? '',
                signed.second?.at,
              ),
            ]),
      ],
    } as Content,
  ];
}
