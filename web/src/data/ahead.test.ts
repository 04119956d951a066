import { forgetAhead, leftAhead, noteAhead } from './ahead';
import type { LocalEntry } from './local-store';

const entry = (id: string, jobId = 'job-1') =>
  ({ id, jobId, kind: 'observed', sendState: 'unsent' }) as unknown as LocalEntry;

/** As far as a browser’s own goes here: its keys are properties. */
class Keeping {
  [key: string]: unknown;
}
const store = () =>
  Object.setPrototypeOf(
    new Keeping(),
    Object.create(null, {
      setItem: {
        value(this: Keeping, key: string, text: string) {
          this[key] = text;
        },
      },
      getItem: {
        value(this: Keeping, key: string) {
          return this[key] ?? null;
        },
      },
      removeItem: {
        value(this: Keeping, key: string) {
          delete this[key];
        },
      },
    }) as object,
  ) as Storage;

const before = Object.getOwnPropertyDescriptor(globalThis, 'localStorage');
const give = (value: unknown) =>
  Object.defineProperty(globalThis, 'localStorage', { value, configurable: true });
afterEach(() => {
  if (before) Object.defineProperty(globalThis, 'localStorage', before);
  else Reflect.deleteProperty(globalThis, 'localStorage');
});

test('what was on its way is found again, each job by itself, until it has come to the store', () => {
  give(store());
  noteAhead(entry('b'));
  noteAhead(entry('a'));
  noteAhead(entry('c', 'job-2'));
  expect(leftAhead('job-1').map(({ id }) => id)).toEqual(['a', 'b']);
  forgetAhead(entry('a'));
  expect(leftAhead('job-1').map(({ id }) => id)).toEqual(['b']);
  expect(leftAhead('job-2')).toHaveLength(1);
});

test('a browser that keeps nothing so is none the worse', () => {
  give(undefined);
  noteAhead(entry('a'));
  expect(leftAhead('job-1')).toEqual([]);
});
