/** What a decision costs the customer, and what can be planned with, on the shop's terms. */
import { smallSheet } from '../../test/small-sheet';
import { partsInVisit } from '../next/prices';
import { offersOf } from '../shop/offers';
import { actionsOfSheet } from './of-sheet';
import { quoteOf } from './quote';

test('a part that is no more to be had is planned with only while one lies here', () => {
  const sheet = {
    ...smallSheet,
    parts: [{ ...smallSheet.parts[0]!, available: 'no more' as const }],
  };
  expect(actionsOfSheet(sheet)).toEqual([]);
  const offers = offersOf(sheet, [{ number: 'C-1', stock: 1, price: 50 }]);
  expect(actionsOfSheet(sheet, { offers })).toMatchObject([{ material: 50, leadHours: 0 }]);
});

test('a quote by hand: part, work and ten minutes to prove it, another visit for what is ordered', () => {
  const sheet = {
    ...smallSheet,
    parts: smallSheet.parts.map((part) => ({ ...part, minutes: 50, price: 200, leadHours: 24 })),
  };
  const shop = { rate: 120, visit: 90 };
  const none = { parts: 0, labour: 0, words: '' } as const;
  const quote = (coverage: { parts: 0 | 1; labour: 0 | 1; words: string } = none) =>
    quoteOf(sheet, [{ kind: 'replace', part: 'board' }], {
      offers: offersOf(sheet, []),
      shop,
      coverage: () => coverage,
    });
  expect(quote()).toMatchObject({ visit: 90, leadHours: 24, minutes: 60, total: 200 + 120 + 90 });
  expect(quote({ ...none, parts: 1 }).total).toBe(120 + 90);
  expect(quote({ ...none, parts: 1, labour: 1 }).total).toBe(90);
  const handed = quoteOf(sheet, [{ kind: 'hand-over', to: 'x', note: 'y' }], {
    offers: [],
    shop,
    coverage: () => none,
  });
  expect(handed).toMatchObject({ lines: [], total: 0 });
});

test('the advice pays for parts on the same terms: what lies here needs no other visit', () => {
  const sheet = {
    ...smallSheet,
    parts: [{ ...smallSheet.parts[0]!, price: 200, minutes: 50, leadHours: 24 }],
  };
  expect(partsInVisit(sheet, 90)).toEqual([{ id: 'board', price: 290, minutes: 60 }]);
  const offers = offersOf(sheet, [{ number: 'C-1', price: 150, stock: 1 }]);
  expect(partsInVisit(sheet, 90, offers)).toEqual([{ id: 'board', price: 150, minutes: 60 }]);
});
