/** The shop: what its work and waiting cost. Advice and plans are reckoned with these. */
import { USUAL_SHOP, type ShopPrices } from '@jeitinho/core/diagnose';
import type { ShopResource } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../data/api';
import { shopOptions } from '../../data/queries';
import { pricesOf } from '../../data/shop-prices';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { amountIn } from '../../parts/money';
import { Notice } from '../../parts/notice';

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
    'For its owner, where a visit says nothing else. 0 where nobody minds.',
  ],
];

export function ShopScreen() {
  const shop = useQuery(shopOptions());
  return (
    <DeskFrame>
      <h1 className="m-0 text-[25px] font-bold">{shop.data?.name ?? 'The shop'}</h1>
      <p className="m-0 text-soft">
        What is worth measuring, and which way costs least, are reckoned with these prices.
      </p>
      <Notice
        text={shop.isError ? 'The shop cannot be fetched: the server does not answer.' : undefined}
      />
      {shop.data && <PricesForm shop={shop.data} />}
    </DeskFrame>
  );
}

type Typed = Readonly<Record<keyof ShopPrices | 'currency', string>>;

function PricesForm({ shop }: { readonly shop: ShopResource }) {
  const queries = useQueryClient();
  const { prices, currency } = pricesOf(shop);
  const [typed, setTyped] = useState<Typed>(() => ({
    ...(Object.fromEntries(FIELDS.map(([name]) => [name, String(prices[name])])) as Omit<
      Typed,
      'currency'
    >),
    currency,
  }));
  const wrong = FIELDS.filter(([name]) => amountIn(typed[name]) === undefined);
  const saving = useMutation({
    networkMode: 'always',
    mutationFn: () =>
      ask('setPrices', {
        body: {
          ...USUAL_SHOP,
          ...(Object.fromEntries(
            FIELDS.map(([name]) => [name, amountIn(typed[name]) ?? 0]),
          ) as unknown as ShopPrices),
          currency: typed.currency.trim(),
        },
      }),
    onSuccess: () => queries.invalidateQueries(),
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
            value={typed[name]}
            aria-invalid={amountIn(typed[name]) === undefined}
            onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
            className="figure min-h-12 w-32 border border-soft bg-card px-3 text-right text-[18px] text-ink aria-invalid:border-2 aria-invalid:border-brick"
          />
        </div>
      ))}
      <div className="flex items-center gap-4 border-b border-hair py-2">
        <label htmlFor="price-currency" className="min-w-0 flex-1">
          <strong>Sign of the currency</strong>
          <span className="block text-[14px] text-soft">Before every sum; it may be empty.</span>
        </label>
        <input
          id="price-currency"
          value={typed.currency}
          maxLength={8}
          onChange={(event) => setTyped({ ...typed, currency: event.target.value })}
          className="min-h-12 w-32 border border-soft bg-card px-3 text-right text-[18px] text-ink"
        />
      </div>
      <p role="status" className="m-0 min-h-7 pt-2">
        {wrong.length > 0
          ? `${wrong.map(([, label]) => label).join(', ')}: an amount of 0 or more is wanted.`
          : saving.isSuccess
            ? 'Kept. Jobs reckon with it from now on.'
            : ''}
      </p>
      <Notice text={saving.isError ? `Nothing changed: ${saving.error.message}` : undefined} />
      <Button kind="go" type="submit" disabled={wrong.length > 0 || saving.isPending}>
        Keep the prices
      </Button>
    </form>
  );
}
