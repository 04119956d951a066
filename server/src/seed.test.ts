/** The demo's years of visits come in beside the shop's own, and to nobody who was erased. */
import { demoWorld } from '@jeitinho/demo';
import { harness } from '../testing/harness';
import { seedHistory } from './seed';

test('a customer who was erased, and a unit that is gone, get no years', async () => {
  const h = await harness();
  const bakery = demoWorld.customers.find(({ name }) => name === 'Padaria do Forno Velho')!;
  const oven = demoWorld.units.find(({ label }) => label === 'Deck oven')!;
  await h.store.customers.update({ erasedAt: new Date() }, { where: { id: bakery.id } });
  const [first] = demoWorld.past().filter(({ unitId }) => unitId === oven.id);
  const gone = { ...first!, unitId: 'gone' };
  const past = () => [first!, gone];
  expect(await seedHistory(h.store, { ...demoWorld, past })).toBe(0);
  expect(await h.store.jobs.count({ where: { id: first!.id } })).toBe(0);
  await h.close();
});
