/** The prices of the shop as a job has them; a job that this device kept from before has the usual ones. */
import { NAMELESS_SHOP, type ShopResource } from '@jeitinho/core';
import { USUAL_SHOP, type ShopPrices } from '@jeitinho/core/diagnose';

const known = new WeakMap<object, { prices: ShopPrices; currency: string }>();

export function pricesOf(shop: ShopResource) {
  const before = known.get(shop);
  if (before) return before;
  const kept: Partial<ShopResource['prices']> = shop.prices ?? {};
  const { currency = NAMELESS_SHOP.prices.currency, ...prices } = kept;
  const found = { prices: { ...USUAL_SHOP, ...prices }, currency };
  known.set(shop, found);
  return found;
}
