/** What a thousand closed jobs teach, printed as JSON. Takes the number of jobs. */
import { machinesOf, plainSheet } from '@jeitinho/core/sheet';
import { demoWorld } from '@jeitinho/demo';
import { learningFigures } from '../../demo/testing/learning-figures';

const asked = Number(process.argv.slice(2).find((each) => /^\d+$/.test(each)) ?? 1000);
const newest = [...new Map(demoWorld.sheets.map((sheet) => [sheet.id, sheet])).values()];
const machines = newest.map((written) =>
  plainSheet(written, machinesOf(written.variants ?? [])[0]!),
);
const { bands, ...figures } = learningFigures(machines, asked);
process.stdout.write(
  `${JSON.stringify({ 'learning from closed jobs': figures, 'calibration, before': bands.before, 'calibration, after': bands.after }, null, 2)}\n`,
);
