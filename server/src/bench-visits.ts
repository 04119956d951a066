/**
 * Visits played through on every machine of the demo world, by the sheet's order, by what is worth most and
 * by each school of the trade, printed as JSON. Takes the number of visits of each; `--write` puts the
 * tables into docs/advice.md.
 */
import { costsOf, smallModel } from '../../core/test/small-optimum';
import { machinesOf, plainSheet } from '@jeitinho/core/sheet';
import { demoWorld } from '@jeitinho/demo';
import { readFileSync, writeFileSync } from 'node:fs';
import {
  schoolFigures,
  schoolTable,
  visitFigures,
  visitTable,
} from '../../demo/testing/visit-figures';

const asked = process.argv.slice(2);
const visits = Number(asked.find((each) => /^\d+$/.test(each)) ?? 200);
const newest = [...new Map(demoWorld.sheets.map((sheet) => [sheet.id, sheet])).values()];
const machines = newest.map((written) =>
  plainSheet(written, machinesOf(written.variants ?? [])[0]!),
);
const rows = visitFigures(machines, visits);
// Each school weighs every test anew: a quarter of the visits tells them apart.
const schools = schoolFigures(machines, Math.ceil(visits / 4));
/** Small models against the best that can be done at all: expected money, advised ÷ optimal. */
const MODELS = 300;
const small = Array.from({ length: MODELS }, (_, i) => costsOf(smallModel(i + 1)));
const money = (of: (costs: (typeof small)[number]) => number) =>
  small.reduce((sum, each) => sum + of(each), 0);
const optimum = {
  models: MODELS,
  'advised ÷ optimal': Number((money((c) => c.advised) / money((c) => c.optimal)).toFixed(4)),
  'the worst of them': Number(
    Math.max(...small.map(({ advised, optimal }) => advised / optimal)).toFixed(3),
  ),
  'without any test ÷ optimal': Number(
    (money((c) => c.untested) / money((c) => c.optimal)).toFixed(3),
  ),
};
process.stdout.write(
  `${JSON.stringify(
    {
      'simulated visits': rows,
      'schools of the trade': schools,
      'small models against the optimum': optimum,
    },
    null,
    2,
  )}\n`,
);

const FILE = 'docs/advice.md';
const TABLE = /<!-- table -->[\s\S]*<!-- \/table -->/;
const OPTIMUM = /<!-- optimum -->[\s\S]*<!-- \/optimum -->/;
const SCHOOLS = /<!-- schools -->[\s\S]*<!-- \/schools -->/;
if (asked.includes('--write'))
  writeFileSync(
    FILE,
    readFileSync(FILE, 'utf8')
      .replace(
        TABLE,
        `<!-- table -->\n\n${visits} visits of each machine.\n\n${visitTable(rows)}\n\n<!-- /table -->`,
      )
      .replace(
        SCHOOLS,
        `<!-- schools -->\n\n${Math.ceil(visits / 4)} visits of each machine, all pooled.\n\n${schoolTable(schools)}\n\n<!-- /schools -->`,
      )
      .replace(
        OPTIMUM,
        `<!-- optimum -->\n\nOf ${MODELS} such models the advice costs ${optimum['advised ÷ optimal']} of the optimum, ${optimum['the worst of them']} on the worst; replacing without any test costs ${optimum['without any test ÷ optimal']}.\n\n<!-- /optimum -->`,
      ),
  );
