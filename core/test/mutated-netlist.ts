/** Netlists that somebody has mistyped: a sound one with a few slips of the pen. */
import { dice } from '../src/numeric/dice';

type Slip = (lines: string[], roll: () => number) => void;

const pick = <T>(list: readonly T[], roll: () => number): T =>
  list[Math.floor(roll() * list.length)]!;
const FIGURES = ['0', '-1', '1e12', '1e-15', '4k7', '1meg', 'x', '{a}', '', '1u', '1e300'];

/** One word of a line, put right by another. */
const word =
  (change: (words: string[], at: number, roll: () => number) => void): Slip =>
  (lines, roll) => {
    const i = 1 + Math.floor(roll() * (lines.length - 1));
    const words = (lines[i] ?? '').split(/(?<=[\s(=])|(?=[\s()=])/);
    change(words, Math.floor(roll() * words.length), roll);
    lines[i] = words.join('');
  };

const SLIPS: readonly Slip[] = [
  word((words, at) => words.splice(at, 1)),
  word((words, at) => words.splice(at, 0, words[at] ?? '')),
  word((words, at, roll) => {
    words[at] = pick(FIGURES, roll);
  }),
  word((words, at, roll) => {
    words[at] = pick(words, roll);
  }),
  word((words, at, roll) => {
    const text = words[at] ?? '';
    const c = Math.floor(roll() * text.length);
    words[at] = text.slice(0, c) + pick([...'0123456789.kmup-=(){}*+'], roll) + text.slice(c + 1);
  }),
  (lines, roll) => void lines.splice(1 + Math.floor(roll() * (lines.length - 1)), 1),
  (lines, roll) => void lines.push(pick(lines, roll)),
];

/** The same for the same seed. */
export function mutated(text: string, seed: number): string {
  const roll = dice(seed);
  const lines = text.trimEnd().split('\n');
  const slips = 1 + Math.floor(roll() * 3);
  for (let n = 0; n < slips && lines.length > 2; n += 1) pick(SLIPS, roll)(lines, roll);
  return lines.join('\n');
}
