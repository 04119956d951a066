/** Every colour for words on every ground, by day and by night: WCAG 2.2, 1.4.3, at least 4.5 to 1. */
import { commons } from 'axe-core';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const css = readFileSync(join(__dirname, 'theme.css'), 'utf8');
/** What axe reckons with; its types leave it out. */
interface Colour {
  parseHexString(hex: string): void;
}
const { Color, getContrast } = (
  commons as unknown as {
    color: { Color: new () => Colour; getContrast(ground: Colour, ink: Colour): number };
  }
).color;

/** The colours that a rule of the theme sets, by name. */
function colours(selector: string): Map<string, string> {
  const at = css.indexOf(`${selector} {`);
  const block = css.slice(at, css.indexOf('}', at));
  return new Map(
    [...block.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map(([, name, hex]) => [name!, hex!]),
  );
}

const INKS = ['ink', 'soft', 'jade', 'marigold', 'brick'];
const GROUNDS = ['paper', 'card', 'board', 'jade-tint', 'marigold-tint', 'brick-tint'];
const PAIRS = [
  ...INKS.flatMap((ink) => GROUNDS.map((ground) => [ink, ground] as const)),
  ['on-jade', 'jade'],
  ['on-brick', 'brick'],
  ['paper', 'ink'],
] as const;

describe.each([
  ['day', ':root'],
  ['night', ":root[data-theme='night']"],
])('by %s', (_, selector) => {
  const theme = colours(selector);
  const color = (name: string) => {
    const made = new Color();
    made.parseHexString(theme.get(name)!);
    return made;
  };

  test.each(PAIRS)('%s reads on %s', (ink, ground) => {
    expect(getContrast(color(ground), color(ink))).toBeGreaterThanOrEqual(4.5);
  });
});

/** What the page's words are drawn in, from the class names of all its sources. */
function inksUsed(): Set<string> {
  const all = [...colours(':root').keys()].join('|');
  const named = new RegExp(`\\btext-(${all})\\b(?!-)`, 'g');
  const sources = readdirSync(join(__dirname, '..'), { recursive: true, encoding: 'utf8' })
    .filter((name) => /(?<!\.test)\.tsx?$/.test(name))
    .map((name) => readFileSync(join(__dirname, '..', name), 'utf8'));
  return new Set(sources.flatMap((text) => [...text.matchAll(named)].map(([, name]) => name!)));
}

test('words are drawn in no other colours', () => {
  const reckoned = new Set<string>(PAIRS.map(([ink]) => ink));
  expect([...inksUsed()].filter((ink) => !reckoned.has(ink))).toEqual([]);
  expect(inksUsed().size).toBeGreaterThan(5);
});
