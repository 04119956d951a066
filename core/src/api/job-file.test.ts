/** A job as a file: whole it is read; one entry changed, left out, put in or moved, and it is named. */
import fc from 'fast-check';
import { measured, provenDead, smallSheet } from '../../test/small-sheet';
import type { JobResource } from './resources';
import type { StoredEntry } from '../job/kinds/index';
import { jobFile, photosNamed, sealsOf, tamperedIn, type JobFile } from './job-file';

const log = provenDead();
log.add('energised', { precautions: true });
log.add('reading', measured('rail', '12', 3));
const made = (): JobFile =>
  JSON.parse(
    JSON.stringify(
      jobFile({
        job: {
          id: '01950000-0000-7000-8000-000000000999',
          complaint: 'dead',
          urgent: false,
          openedAt: '2026-03-02T08:00:00.000Z',
          technician: null,
          customer: { id: 'c', name: 'Ana', phone: '' },
          site: { id: 's', customerId: 'c', name: 'House', address: '', town: '' },
          unit: { id: 'u', siteId: 's', label: 'Machine' },
        } as unknown as JobResource,
        sheet: smallSheet,
        entries: log.entries,
        photos: [],
        savedAt: '2026-03-02T10:00:00.000Z',
      }),
    ),
  ) as JobFile;
const wrong = (change: (file: JobFile) => JobFile) => tamperedIn(change(made()), smallSheet);

test('a whole one is whole, however its fields are ordered', () => {
  expect(wrong((file) => file)).toBeUndefined();
  const turned = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(turned)
      : value !== null && typeof value === 'object'
        ? Object.fromEntries(
            Object.entries(value)
              .reverse()
              .map(([k, v]) => [k, turned(v)]),
          )
        : value;
  expect(wrong((file) => turned(file) as JobFile)).toBeUndefined();
});

test('a figure made better by hand is named', () => {
  const better = wrong((file) => {
    const entries = file.entries.map((entry) =>
      entry.kind === 'reading'
        ? { ...entry, body: { ...entry.body, reading: { kind: 'value' as const, value: 5 } } }
        : entry,
    );
    return { ...file, entries: entries as StoredEntry[] };
  });
  expect(better).toMatch(/^Entry 7 of 7 is not what was written: “5 V rail/);
});

test('left out, put in, moved, cut at the end: found at the first place that differs', () => {
  const n = made().entries.length;
  fc.assert(
    fc.property(fc.nat(n - 2), fc.constantFrom('out', 'twice', 'moved', 'cut'), (at, how) => {
      const found = wrong((file) => {
        const entries = [...file.entries];
        if (how === 'out') entries.splice(at, 1);
        if (how === 'twice') entries.splice(at, 0, entries[at]!);
        if (how === 'moved') entries.splice(at, 2, entries[at + 1]!, entries[at]!);
        if (how === 'cut') entries.length = at + 1;
        return { ...file, entries };
      });
      expect(found).toMatch(how === 'cut' ? /missing at its end/ : /^Entry \d+ of/);
    }),
  );
});

test('another customer, another limit in the sheet: its head was changed', () => {
  expect(wrong((file) => ({ ...file, customer: { ...file.customer, name: 'Eva' } }))).toMatch(
    'Its head',
  );
  expect(wrong((file) => ({ ...file, sheet: { ...file.sheet, revision: 2 } }))).toMatch('Its head');
});

test('seals hang on each other, and pictures are named once', () => {
  const seals = sealsOf(log.entries);
  expect(new Set(seals).size).toBe(seals.length);
  expect(sealsOf(log.entries.slice(1))[0]).not.toBe(seals[1]);
  const photo = { kind: 'photo', body: { hash: 'a'.repeat(64) } } as unknown as StoredEntry;
  const signed = {
    kind: 'signed',
    body: { drawn: { customer: 'b'.repeat(64) } },
  } as unknown as StoredEntry;
  expect(photosNamed([photo, photo, signed])).toEqual(['a'.repeat(64), 'b'.repeat(64)]);
});
