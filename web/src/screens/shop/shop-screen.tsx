/** The shop: what its work and waiting cost. Advice and plans are reckoned with these. */
import type { ShopPrices } from '@jeitinho/core/diagnose';
import { HOUSE_TOLERANCE, NAMELESS_SHOP, type ShopResource } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask } from '../../data/api';
import { fieldsIn, useDraft } from '../../data/draft';
import { shopOptions } from '../../data/queries';
import { pricesOf } from '../../data/shop-prices';
import { useMay } from '../../data/me';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { amountIn } from '../../parts/money';
import { Notice } from '../../parts/notice';

import { JobFiles } from './job-files';
import { PriceList } from './price-list';
import { ShopPlaces } from './shop-places';

const FIELDS: readonly (readonly [keyof ShopPrices, string, string])[] = [
  [
    'rate',
    'An hour of work',
    'What a technician’s hour is worth: every test and every part has minutes.',
  ],
  ['visit', 'Another visit', 'For what has to be ordered first.'],
  ['callback', 'Coming back', 'For what failed again after a repair.'],
  ['giveUp', 'Handing over', 'To somebody else, or the whole unit new: where nothing helps.'],
  [
    'downtime',
    'An hour without the machine',
    'For its owner, where neither the unit, its owner nor the visit says another. 0 where nobody minds.',
  ],
  [
    'handOverHours',
    'Hours until somebody else has it running',
    'Where it is handed over, or the unit is new.',
  ],
];

export function ShopScreen() {
  const shop = useQuery(shopOptions());
  const mayChange = useMay('setPrices');
  const mayBring = useMay('importJob');
  return (
    <DeskFrame>
      <ShopPlaces />
      <h1 className="m-0 text-[25px] font-bold">{shop.data?.name ?? 'The shop'}</h1>
      <p className="m-0 text-soft">
        What is worth measuring, and which way costs least, are reckoned with these prices.
      </p>
      <Notice
        text={shop.isError ? 'The shop cannot be fetched: the server does not answer.' : undefined}
      />
      {shop.data && <PricesForm shop={shop.data} mayChange={mayChange} />}
      <PriceList currency={pricesOf(shop.data ?? NAMELESS_SHOP).currency} />
      {mayBring && <JobFiles />}
    </DeskFrame>
  );
}

type Field = keyof ShopPrices | 'currency' | 'housePercent';

interface PricesFormProps {
  readonly shop: ShopResource;
  readonly mayChange: boolean;
}

function PricesForm({ shop, mayChange }: PricesFormProps) {
  const queries = useQueryClient();
  const { prices, currency } = pricesOf(shop);
  const [draft, setDraft] = useDraft('prices');
  const typed = fieldsIn<Record<Field, string>>(draft);
  const shown = (field: Field) =>
    typed[field] ??
    (field === 'currency'
      ? currency
      : field === 'housePercent'
        ? String(shop.prices.housePercent ?? HOUSE_TOLERANCE)
        : String(prices[field]));
  const type = (field: Field, text: string) =>
    setDraft(JSON.stringify({ ...typed, [field]: text }));
  const house = amountIn(shown('housePercent'));
  const houseWrong = house === undefined || house < 0.1 || house > 50;
  const wrong = [
    ...FIELDS.filter(([name]) => amountIn(shown(name)) === undefined).map(([, label]) => label),
    ...(houseWrong ? ['House tolerance, 0.1 to 50 %'] : []),
  ];
  const saving = useMutation({
    networkMode: 'always',
    mutationFn: () => {
      const body = {
        ...prices,
        currency: shown('currency').trim(),
        ...(house !== undefined && { housePercent: house }),
      };
      for (const [name] of FIELDS) {
        const amount = amountIn(shown(name));
        if (amount !== undefined) body[name] = amount;
      }
      return ask('setPrices', { body });
    },
    onSuccess: async () => {
      await queries.invalidateQueries();
      setDraft('');
    },
  });
  return (
    <form
      className="mt-4 max-w-[640px]"
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong.length === 0) saving.mutate();
      }}
    >
      {FIELDS.map(([name, label, help]) => (
        <div key={name} className="flex items-center gap-4 border-b border-hair py-2">
          <label htmlFor={`price-${name}`} className="min-w-0 flex-1">
            <strong>{label}</strong>
            <span className="block text-[14px] text-soft">{help}</span>
          </label>
          <input
            id={`price-${name}`}
            inputMode="decimal"
            value={shown(name)}
            aria-invalid={amountIn(shown(name)) === undefined}
            onChange={(event) => type(name, event.target.value)}
            className="figure min-h-12 w-32 border border-soft bg-card px-3 text-right text-[18px] text-ink aria-invalid:border-2 aria-invalid:border-brick"
          />
        </div>
      ))}
      <div className="flex items-center gap-4 border-b border-hair py-2">
        <label htmlFor="price-currency" className="min-w-0 flex-1">
          <strong>Sign of the currency</strong>
          <span className="block text-[14px] text-soft">Before every sum.</span>
        </label>
        <input
          id="price-currency"
          value={shown('currency')}
          maxLength={8}
          onChange={(event) => type('currency', event.target.value)}
          className="min-h-12 w-32 border border-soft bg-card px-3 text-right text-[18px] text-ink"
        />
      </div>
      <div className="flex items-center gap-4 border-b border-hair py-2">
        <label htmlFor="price-house" className="min-w-0 flex-1">
          <strong>House tolerance</strong>
          <span className="block text-[14px] text-soft">
            ± percent of a figure where no document states any. It is always shown as assumed.
          </span>
        </label>
        <input
          id="price-house"
          inputMode="decimal"
          value={shown('housePercent')}
          aria-invalid={houseWrong}
          onChange={(event) => type('housePercent', event.target.value)}
          className="figure min-h-12 w-32 border border-soft bg-card px-3 text-right text-[18px] text-ink aria-invalid:border-2 aria-invalid:border-brick"
        />
      </div>
      <p role="status" className="m-0 min-h-7 pt-2">
        {wrong.length > 0
          ? `${wrong.join(', ')}: an amount of 0 or more is wanted.`
          : saving.isSuccess
            ? 'Kept. Jobs reckon with it from now on.'
            : ''}
      </p>
      <Notice text={saving.isError ? `Nothing changed: ${saving.error.message}` : undefined} />
      {mayChange ? (
        <Button kind="go" type="submit" disabled={wrong.length > 0 || saving.isPending}>
          Keep the prices
        </Button>
      ) : (
        <p className="m-0 text-soft">Changed by the office or an owner.</p>
      )}
    </form>
  );
}
