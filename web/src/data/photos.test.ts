/** Keeping and sending pictures; shrinking needs a browser and is tested there. */
import { LocalStore } from './local-store';
import { fitted, keepPhoto, sendPhotos } from './photos';

let store: LocalStore;
beforeEach(() => {
  store = new LocalStore(`photos-${Math.random()}`);
});
afterEach(() => {
  store.close();
  jest.restoreAllMocks();
});

const photo = (hash: string) => ({ hash, blob: new Blob(['x']), width: 1, height: 1 });
const answer = (status: number) =>
  jest.spyOn(globalThis, 'fetch').mockResolvedValue(new Response(null, { status }));
const states = async () =>
  (await store.photos.toArray()).map(({ hash, sendState }) => [hash, sendState]);

test.each([
  [4000, 3000, 1600, 1200],
  [3000, 4000, 1200, 1600],
  [800, 600, 800, 600],
  [16_000, 2, 1600, 1],
])('%d × %d is kept at %d × %d', (w, h, width, height) => {
  expect(fitted(w, h)).toEqual([width, height]);
});

test('kept once, sent once, and not again', async () => {
  const fetch = answer(204);
  await keepPhoto('j', photo('a'), store);
  await keepPhoto('j', photo('a'), store);
  await sendPhotos('j', store);
  await sendPhotos('j', store);
  expect(fetch).toHaveBeenCalledTimes(1);
  expect(await states()).toEqual([['a', 'sent']]);
});

test('a server that is away leaves them to be sent; one that refuses does not get them again', async () => {
  await keepPhoto('j', photo('a'), store);
  jest.spyOn(globalThis, 'fetch').mockRejectedValue(new TypeError('network'));
  await expect(sendPhotos('j', store)).rejects.toThrow('does not answer');
  answer(503);
  await expect(sendPhotos('j', store)).rejects.toThrow('does not answer');
  expect(await states()).toEqual([['a', 'unsent']]);
  answer(422);
  await expect(sendPhotos('j', store)).rejects.toThrow('does not answer');
  expect(await states()).toEqual([['a', 'unsent']]);
  answer(415);
  await sendPhotos('j', store);
  expect(await states()).toEqual([['a', 'refused']]);
});
