/**
 * Visits played through on every machine of the demo world, by the sheet's order and by what is worth most,
 * printed as JSON. Takes the number of visits of each; `--write` puts the table into docs/advice.md.
 */
import { machinesOf, plainSheet } from '@jeitinho/core/sheet';
import { demoWorld } from '@jeitinho/demo';
import { readFileSync, writeFileSync } from 'node:fs';
import { visitFigures, visitTable } from '../../demo/testing/visit-figures';

const asked = process.argv.slice(2);
const visits = Number(asked.find((each) => /^\d+$/.test(each)) ?? 200);
const newest = [...new Map(demoWorld.sheets.map((sheet) => [sheet.id, sheet])).values()];
const machines = newest.map((written) =>
  plainSheet(written, machinesOf(written.variants ?? [])[0]!),
);
const rows = visitFigures(machines, visits);
process.stdout.write(`${JSON.stringify({ 'simulated visits': rows }, null, 2)}\n`);

const FILE = 'docs/advice.md';
const TABLE = /<!-- table -->[\s\S]*<!-- \/table -->/;
if (asked.includes('--write'))
  writeFileSync(
    FILE,
    readFileSync(FILE, 'utf8').replace(
      TABLE,
      `<!-- table -->\n\n${visits} visits of each machine.\n\n${visitTable(rows)}\n\n<!-- /table -->`,
    ),
  );
