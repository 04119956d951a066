/** `.op`, `.tran step stop [start [most]] [uic]`, `.ac dec|oct|lin points from to`. */
import type { Analysis } from '../circuit';
import type { Words } from './words';

/** Points that one answer holds at most. */
export const MOST_POINTS = 200_000;

/** What only says which of the answers is wanted: all are given. */
const OUTPUTS: ReadonlySet<string> = new Set(['.print', '.plot', '.probe', '.save', '.width']);
/** What is not read, and what to write instead. */
const INSTEAD: Readonly<Record<string, string>> = {
  '.ic': 'write the volts behind the capacitor (IC=…), and uic in the .tran',
  '.nodeset': 'leave it out: the operating point is found without',
  '.include': 'put the lines of that file here',
  '.inc': 'put the lines of that file here',
  '.lib': 'put the models of that file here',
  '.global': 'only 0 (gnd) is known everywhere; hand the node to the subcircuit',
  '.control': 'leave the commands out; only the netlist and its .op, .tran, .ac are read',
  '.dc': 'ask for the operating point (.op) of each level, or sweep a PWL source with .tran',
  '.meas': 'leave it out, and take the figure from the answer',
  '.measure': 'leave it out, and take the figure from the answer',
  '.func': 'write the formula where it is used, in {…}',
  '.step': 'write a netlist for each of the figures',
};

/** @returns undefined for a line that asks for nothing that is not given anyway. */
export function readAnalysis(words: Words): Analysis | undefined {
  const kind = words.word('an analysis');
  if (OUTPUTS.has(kind)) return undefined;
  const analysis = read(kind, words);
  words.end();
  return analysis;
}

function read(kind: string, words: Words): Analysis {
  switch (kind) {
    case '.op':
      return { kind: 'op' };
    case '.tran': {
      const uic = words.left > 0 && words.peek() !== undefined && takeUic(words);
      const step = words.positive('the step');
      const stop = words.positive('the end');
      const start = words.left > 0 ? words.figure('the start') : 0;
      const most = words.left > 0 ? words.positive('the longest step') : undefined;
      if (start < 0 || start >= stop) words.fail('the start must lie before the end');
      if ((stop - start) / step > MOST_POINTS)
        words.fail(`that is more than ${MOST_POINTS} points; take a longer step`);
      return { kind: 'tran', step, stop, start, uic, ...(most !== undefined && { most }) };
    }
    case '.ac': {
      const sweep = words.word('dec, oct or lin');
      if (sweep !== 'dec' && sweep !== 'oct' && sweep !== 'lin')
        return words.fail(`“${sweep}” should be dec, oct or lin`);
      const points = words.positive('the number of points');
      const from = words.positive('the lowest frequency');
      const to = words.positive('the highest frequency');
      if (to < from) words.fail('the frequencies must grow');
      const decades = Math.log10(to / from);
      const total = sweep === 'lin' ? points : points * decades * (sweep === 'oct' ? 3.33 : 1);
      if (!Number.isInteger(points) || total > MOST_POINTS)
        words.fail(`the number of points must be whole and give ${MOST_POINTS} at most`);
      return { kind: 'ac', sweep, points, from, to };
    }
    default:
      return words.fail(
        INSTEAD[kind] ??
          `“${kind}” is not known; there are .op, .tran, .ac, .model, .param, .subckt`,
      );
  }
}

function takeUic(words: Words): boolean {
  const last = words.last('its end');
  if (last === 'uic') return true;
  words.putBack(last);
  return false;
}
