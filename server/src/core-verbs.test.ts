import { demoWorld } from '@jeitinho/demo';
import { runVerb } from './core-verbs';

const judgeCase = {
  expect: { kind: 'between', low: 0.33, high: 0.62, unit: 'V' },
  reading: { kind: 'value', value: 0.46 },
};

test('one case gives one answer, an array an array', () => {
  expect(runVerb('judge', judgeCase)).toMatchObject({
    verdict: 'in',
    outcome: 'ok',
    corrected: 0.46,
    u: 0,
  });
  expect(runVerb('judge', [judgeCase, judgeCase])).toHaveLength(2);
});

test('diagnose takes the abridged form and a full sheet alike', () => {
  const sheet = demoWorld.sheets[0]!;
  const evidence = [{ code: '21' }, { test: 'cmd-loaded', outcome: 'low' }];
  const full = runVerb('diagnose', { sheet, evidence }) as {
    faults: Record<string, number>;
    other: number;
  };
  expect(Object.entries(full.faults).sort((a, b) => b[1] - a[1])[0]![0]).toBe('main-cmd');
  expect(full.other).toBeLessThan(0.05);
});

test.each<[string, unknown, string, string | undefined]>([
  ['fly', {}, 'invalid-input', undefined],
  ['toString', {}, 'invalid-input', undefined],
  ['judge', {}, 'invalid-input', ''],
  [
    'judge',
    [judgeCase, { ...judgeCase, reading: { kind: 'value', value: 'x' } }],
    'invalid-input',
    '/1/reading/value',
  ],
  ['diagnose', { sheet: { faults: [] }, evidence: [] }, 'invalid-input', '/sheet'],
  ['diagnose', { sheet: { format: 'jeitinho.sheet/1' }, evidence: [] }, 'invalid-input', '/sheet'],
])('%s of nonsense fails with a code and a path', (verb, input, code, path) => {
  expect(() => runVerb(verb, input)).toThrow(
    expect.objectContaining({
      code,
      ...(path !== undefined && { path: expect.stringContaining(path) }),
    }),
  );
});
