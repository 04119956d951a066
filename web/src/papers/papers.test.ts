/** Papers as data: faces for every sign, what each version of the report says, cells that no spreadsheet runs. */
import type { JobResource, Report } from '@jeitinho/core';
import type { Sheet } from '@jeitinho/core/sheet';
import { runsOf, SIGN_FACE } from './glyphs';
import { openPoints, provenWords, reportDocument } from './report-document';
import { orderCsv, readingsCsv } from './tables';

const job = {
  id: '01950000-0000-7000-8000-000000000999',
  openedAt: '2026-03-02T08:00:00.000Z',
  shop: { name: 'Shop', town: 'Town' },
  customer: { name: '=HYPERLINK("x")' },
  site: { address: 'Street 1', town: 'Town' },
  unit: { label: 'Boiler', maker: 'M', model: 'X-1', serial: '+55' },
} as unknown as JobResource;
const sheet = { revision: 2, source: { document: 'Data', revision: 'A' } } as unknown as Sheet;
const report = (more: Partial<Report> = {}): Report =>
  ({
    complaint: 'dead',
    codes: [],
    noCode: true,
    observed: [],
    dead: [],
    left: ['Isolated, and proven DEAD.'],
    rows: [
      {
        at: '2026-03-02T08:10:00.000Z',
        title: 'Coil',
        where: 'Red on 1, black on 2',
        state: 'dead',
        function: 'ohms',
        value: '12 Ω',
        uncertainty: '± 0.1 Ω',
        limit: '≥ 10 kΩ',
        verdict: 'Out',
        mark: 'out',
        outcome: 'low',
        source: 'Data, p. 3',
      },
    ],
    compared: [],
    suspects: [{ name: 'Coil shorted', part: 'Valve', p: 0.9 }],
    cleared: ['Main board'],
    other: 0.02,
    sound: 0.01,
    notProven: [
      'The repair itself: nothing was fitted or proven on this visit.',
      'Not taken: x.',
      'Not taken: y.',
    ],
    repair: [],
    skipped: [],
    photos: [],
    meter: 'M',
    lead: 'not zeroed',
    ahead: [],
    decision: {
      text: 'Replace: Valve',
      number: 'V-1',
      probability: 0.9,
      reason: '',
      followsEvidence: true,
      accused: true,
      before: [],
    },
    ...more,
  }) as unknown as Report;
const textOf = (of: Report, version: 'customer' | 'file') =>
  JSON.stringify(reportDocument({ job, sheet, report: of, pictures: new Map() }, version).content);

test('signs that the text face lacks are set in the other; thin spaces stay on the line', () => {
  expect(runsOf('12 V, ±2 %')).toBe('12 V, ±2 %');
  expect(runsOf('4.7 kΩ')).toEqual([{ text: '4.7 k' }, { text: 'Ω', font: SIGN_FACE }]);
  expect(runsOf('R$\u2009410 \u2126')).toEqual([
    { text: 'R$ 410 ' },
    { text: 'Ω', font: SIGN_FACE },
  ]);
  expect(runsOf('')).toBe('');
});

test('the customer’s version has no figures and no percentages; the file’s has both', () => {
  const customer = textOf(report(), 'customer');
  expect(customer).toContain('Replace: Valve');
  expect(customer).toContain('2 more points are open');
  expect(customer).toContain('Looked at and sound: Main board.');
  expect(customer).not.toContain('90');
  expect(customer).not.toContain('12 ');
  const file = textOf(report(), 'file');
  expect(file).toContain('Red on 1, black on 2, ohms, dead');
  expect(file).toContain('Coil shorted (Valve) 90');
});

test('whether it works is said in one sentence, by what was proven and by nothing else', () => {
  expect(provenWords(report())).toMatch('Nothing was changed');
  expect(provenWords(report({ proven: false, repair: ['Fitted.'] }))).toMatch('not proven yet');
  expect(provenWords(report({ proven: true }))).toMatch('works');
  expect(openPoints(['The repair itself: x.'])).toEqual(['The repair itself: x.']);
});

test('a picture that is still on another device is said, and so is what was agreed to before', () => {
  const text = textOf(
    report({
      photos: [{ hash: 'a', at: '2026-03-02T08:00:00.000Z', caption: 'burnt', where: 'Board' }],
      accepted: {
        agreed: true,
        at: '2026-03-02T09:00:00.000Z',
        by: 'Ana',
        how: 'here',
        amount: 410.5,
        currency: 'R$',
        note: '',
        current: false,
      },
    }),
    'customer',
  );
  expect(text).toContain('still on another device');
  expect(text).toContain('R$ 410.50');
  expect(text).toContain('decided anew since');
});

test('cells that a spreadsheet would run are text; a part without an offer is still ordered', () => {
  expect(readingsCsv(report())).toMatch(/^\uFEFFtime,test,/);
  expect(readingsCsv(report())).toContain('12 Ω');
  const csv = orderCsv(job, [{ name: 'Valve', offer: undefined }], 'R$');
  expect(csv).toContain(`"'=HYPERLINK(""x"")"`);
  expect(csv).toContain(`'+55`);
  expect(csv.split('\r\n')).toHaveLength(2);
});
