/** Debian's ngspice as an independent solver: runs a netlist in batch and reads what it prints. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Analysis } from '../src/bench/circuit';

export interface Reference {
  /** Time or frequency; empty for an operating point. */
  readonly axis: number[];
  /** For each node its values; complex ones as pairs. */
  readonly nodes: Record<string, (number | [number, number])[]>;
}

/**
 * @param text - The netlist, its analyses included; only the one asked for is run.
 * @returns the volts of the nodes, at the same points as ours.
 */
export function ngspice(text: string, analysis: Analysis, nodes: readonly string[]): Reference {
  const folder = mkdtempSync(join(tmpdir(), 'spice-'));
  try {
    const body = text
      .split('\n')
      .filter((line) => !/^\.(op|tran|ac|end)\b/i.test(line))
      .join('\n');
    const vectors = nodes.map((node) => `v(${node})`).join(' ');
    // Relative: ngspice makes the words of its commands lower case.
    const save = `wrdata out ${vectors}`;
    const run = {
      op: () => `op\n${save}`,
      // Its own steps are made short, so that ours are compared with the curve and not with its tolerance.
      tran: ({ step, stop, start, uic }: Extract<Analysis, { kind: 'tran' }>) =>
        `tran ${step} ${stop} ${start} ${Math.min(step / 6, stop / 2000)}${uic ? ' uic' : ''}\nlinearize\n${save}`,
      ac: ({ sweep, points, from, to }: Extract<Analysis, { kind: 'ac' }>) =>
        `ac ${sweep} ${points} ${from} ${to}\n${save}`,
    }[analysis.kind] as (a: Analysis) => string;
    const deck = `${body}\n.options reltol=1e-4\n.control\nset wr_singlescale\nset numdgt=12\n${run(analysis)}\nquit\n.endc\n.end\n`;
    writeFileSync(join(folder, 'deck.cir'), deck);
    execFileSync('ngspice', ['-b', 'deck.cir'], { cwd: folder, stdio: 'pipe', timeout: 60_000 });
    return parse(readFileSync(join(folder, 'out'), 'utf8'), analysis.kind, nodes);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function parse(text: string, kind: Analysis['kind'], nodes: readonly string[]): Reference {
  const rows = text
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/).map(Number));
  const width = kind === 'ac' ? 2 : 1;
  return {
    axis: kind === 'op' ? [] : rows.map((row) => row[0]!),
    nodes: Object.fromEntries(
      nodes.map((node, i) => [
        node,
        rows.map((row) => {
          const at = 1 + i * width;
          return width === 2 ? ([row[at]!, row[at + 1]!] as [number, number]) : row[at]!;
        }),
      ]),
    ),
  };
}
