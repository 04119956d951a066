/** Money for people: whole, grouped, with the shop's sign where it has one. */
const WHOLE = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 });

export const money = (amount: number, currency: string): string =>
  [currency, WHOLE.format(amount)].filter(Boolean).join('\u2009');

const EXACT = new Intl.NumberFormat('en-GB', {
  minimumFractionDigits: 2,
  maximumFractionDigits: 2,
});

/** For papers: to the cent. */
export const moneyExact = (amount: number, currency: string): string =>
  [currency, EXACT.format(amount)].filter(Boolean).join('\u2009');

/** What was typed for a sum; undefined for what is none. */
export function amountIn(text: string): number | undefined {
  const amount = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(amount) && amount >= 0 && amount <= 1e9
    ? amount
    : undefined;
}
