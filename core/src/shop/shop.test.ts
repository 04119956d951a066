/** Price lists read and written, parts on the shop's terms, warranties by the calendar. */
import fc from 'fast-check';
import type { Part } from '../sheet/schema';
import { coverageOf, monthsAfter, type WarrantyTerms } from './coverage';
import { offersOf } from './offers';
import { numberKey, type PriceRow } from './price-row';
import { moneyIn, priceTable, readPrices } from './read-prices';

describe('a price list', () => {
  const read = (...rows: string[][]) =>
    readPrices([
      ['Part no', 'Description', 'Price', 'Stock', 'Lead days', 'Returnable', 'Kept on return %'],
      ...rows,
    ]);

  test('columns by their headings, days as hours, percent as a share', () => {
    expect(read(['A-1', 'Board', 'R$ 1.240,50', '2', '3', 'yes', '15']).rows).toEqual([
      {
        number: 'A-1',
        name: 'Board',
        price: 1240.5,
        stock: 2,
        leadHours: 72,
        returnable: true,
        restock: 0.15,
      },
    ]);
  });
  test('missing or zero prices stand; negative and senseless ones are named, and the rest goes in', () => {
    const { rows, problems } = read(
      ['A-1', '', '', '', '', '', ''],
      ['A-2', '', '0', '', '', '', ''],
      ['A-3', '', '-5', '', '-1', 'perhaps', '150'],
      ['', 'no number', '3', '', '', '', ''],
    );
    expect(rows).toEqual([{ number: 'A-1' }, { number: 'A-2', price: 0 }]);
    expect(problems.map(({ row, column }) => `${row} ${column}`)).toEqual([
      '4 returnable',
      '4 restock',
      '4 price',
      '4 leadHours',
      '5 number',
    ]);
  });
  test('of a number that stands twice the last holds, and it is said', () => {
    const { rows, repeated } = read(
      ['a-1', '', '3', '', '', '', ''],
      ['A–1', '', '4', '', '', '', ''],
    );
    expect(rows).toEqual([{ number: 'A–1', price: 4 }]);
    expect(repeated).toEqual(['A–1']);
  });
  test.each([
    ['1.240,50', 1240.5],
    ['1,240.50', 1240.5],
    ['1240', 1240],
    ['1.240', 1240],
    ['0,5', 0.5],
    ['R$ 85', 85],
    ['free', undefined],
  ])('%s', (text, amount) => expect(moneyIn(text)).toBe(amount));

  const row = fc.record(
    {
      number: fc.stringMatching(/^[A-Z]{1,3}-\d{1,5}$/),
      name: fc.constantFrom('Board', 'Fan, outside', 'Sensor "T1"'),
      price: fc.integer({ min: 0, max: 1e6 }).map((cents) => cents / 100),
      stock: fc.nat(99),
      leadHours: fc.nat(500),
      returnable: fc.boolean(),
      restock: fc.nat(100).map((percent) => percent / 100),
      sendBackDays: fc.nat(90),
      partsMonths: fc.nat(60),
      labourMonths: fc.nat(60),
      supersededBy: fc.constant('NEW-1'),
    },
    { requiredKeys: ['number'] },
  );
  test('what is written is read again as it was', () => {
    fc.assert(
      fc.property(fc.uniqueArray(row, { selector: ({ number }) => numberKey(number) }), (rows) => {
        const again = readPrices(priceTable(rows as PriceRow[]));
        expect(again.problems).toEqual([]);
        again.rows.forEach((each, i) => {
          const { restock, ...rest } = rows[i]!;
          expect(each).toMatchObject(rest);
          expect(each.restock ?? -1).toBeCloseTo(restock ?? -1, 9);
        });
      }),
      { numRuns: 60 },
    );
  });
});

describe('what a part costs this shop', () => {
  const part: Part = {
    id: 'p',
    name: 'Board',
    number: 'A-1',
    price: 100,
    leadHours: 48,
    minutes: 20,
  };
  const offer = (...rows: PriceRow[]) => offersOf({ parts: [part] }, rows)[0]!;

  test('without a list the sheet’s word; with one its own, and what lies here needs no order', () => {
    expect(offer()).toMatchObject({ price: 100, leadHours: 48, own: false });
    expect(offer({ number: 'a-1', price: 90, stock: 1 })).toMatchObject({
      price: 90,
      leadHours: 0,
      own: true,
    });
  });
  test('superseded twice: ordered under the last number, or fitted from the old stock', () => {
    const rows: PriceRow[] = [
      { number: 'A-1', supersededBy: 'A-2' },
      { number: 'A-2', supersededBy: 'A-3', price: 110 },
      { number: 'A-3', price: 130, leadHours: 24 },
    ];
    expect(offer(...rows)).toMatchObject({
      number: 'A-3',
      price: 130,
      leadHours: 24,
      numbers: ['A-1', 'A-2', 'A-3'],
    });
    expect(offer({ ...rows[0]!, stock: 2 }, rows[1]!, rows[2]!)).toMatchObject({
      number: 'A-1',
      leadHours: 0,
    });
  });
  test('numbers that lead back to each other end, and it is said', () => {
    expect(
      offer({ number: 'A-1', supersededBy: 'A-2' }, { number: 'A-2', supersededBy: 'A-1' }),
    ).toMatchObject({
      circle: true,
      numbers: ['A-1', 'A-2'],
    });
  });
});

describe('a warranty', () => {
  const terms: WarrantyTerms = {
    until: '2026-11-27',
    installedOn: '2024-02-29',
    covers: null,
    registered: null,
  };
  test('holds to the end of its last day where the machine stands, and not a day longer', () => {
    expect(coverageOf(terms, '2026-11-27')).toMatchObject({ parts: 1, labour: 0 });
    expect(coverageOf(terms, '2026-11-28')).toMatchObject({
      parts: 0,
      labour: 0,
      words: 'The warranty ended on 2026-11-27.',
    });
  });
  test('parts and work where it says so; nothing until it is registered', () => {
    expect(coverageOf({ ...terms, covers: 'parts-labour' }, '2026-11-01')).toMatchObject({
      parts: 1,
      labour: 1,
    });
    expect(coverageOf({ ...terms, registered: false }, '2026-11-01')).toMatchObject({
      parts: 0,
      labour: 0,
    });
  });
  test('a part’s own outlasts the unit’s, from the day the unit was installed', () => {
    const over = { ...terms, until: '2025-01-01' };
    expect(coverageOf(over, '2026-02-28', { partsMonths: 24 })).toMatchObject({
      parts: 1,
      labour: 0,
    });
    expect(coverageOf(over, '2026-03-01', { partsMonths: 24 })).toMatchObject({ parts: 0 });
    expect(coverageOf(over, '2025-06-01', { partsMonths: 24, until: '2025-05-31' })).toMatchObject({
      parts: 0,
    });
  });
  test('months end on a day that there is', () => {
    expect(monthsAfter('2025-01-31', 1, undefined)).toBe('2025-02-28');
    expect(monthsAfter('2024-02-29', 24, undefined)).toBe('2026-02-28');
    expect(monthsAfter(null, 24, undefined)).toBeUndefined();
  });
});
