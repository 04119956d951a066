import { parseTrack, trackText } from './track-draft';

test('a series being recorded survives a reload, and nonsense in its place counts as none', () => {
  const draft = { startedAt: 5, samples: [{ t: 0, value: 1 }], eventAt: 9 };
  expect(parseTrack(trackText(draft))).toEqual(draft);
  for (const text of ['', '{', '7', '{"startedAt":"x"}', 'null'])
    expect(parseTrack(text).samples).toEqual([]);
});
