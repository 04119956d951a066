/**
 * The attacks, whole: kills while devices write, odd requests to every route, garbage on a meter's socket,
 * lists of a large shop, appends beside plain commits. Prints one JSON object; ends with 1 where anything
 * was lost, broken or answered 500.
 */
import { parseArgs } from 'node:util';
import { freePort, Jeitinho } from '../support/jeitinho';
import { fuzz } from './fuzz';
import { killWhileWriting, socketOf } from './kills';
import { load } from './load';
import { meterGarbage } from './meter-garbage';
import { blocking, fill, follow, lists, longLog } from './size';

const { values } = parseArgs({
  options: {
    only: { type: 'string' },
    kills: { type: 'string', default: '60' },
    requests: { type: 'string', default: '2400' },
    seconds: { type: 'string', default: '3' },
    seed: { type: 'string', default: '1' },
    jobs: { type: 'string', default: '100000' },
  },
});
const wanted = (what: string) => !values.only || values.only.split(',').includes(what);
const say = (what: string) => process.stderr.write(`${what} …\n`);

const jeitinho = new Jeitinho(await freePort());
await jeitinho.start();
const result: Record<string, unknown> = {};
let bad = false;
try {
  const { url } = jeitinho;
  const pid = () => jeitinho.serverProcesses()[0]!;
  if (wanted('load')) {
    say('appends beside plain commits');
    result.load = await load(url, socketOf(jeitinho), Number(values.seconds));
  }
  if (wanted('long')) {
    say('a log of 20,000 entries');
    result.long = await longLog(url, socketOf(jeitinho), pid());
  }
  if (wanted('blocking')) {
    say('large requests');
    result.blocking = await blocking(url);
  }
  if (wanted('meter')) {
    say('a meter’s socket');
    const meter = await meterGarbage(url, 3000, Number(values.seed));
    result.meter = meter;
    bad ||= !meter.measures;
  }
  if (wanted('fuzz')) {
    say('odd requests');
    const before = pid();
    const found = await fuzz(url, Number(values.requests), Number(values.seed));
    const deaths = before === pid() ? 0 : 1;
    result.fuzz = { ...found, deaths };
    bad ||= deaths > 0 || found.broken.length > 0;
  }
  if (wanted('kills')) {
    say('kills');
    const kills = await killWhileWriting(jeitinho, Number(values.kills));
    result.kills = kills;
    bad ||= kills.lost + kills.doubled + kills.reordered > 0;
  }
  if (wanted('size')) {
    say('a large shop');
    const jobs = Number(values.jobs);
    const size = { jobs, entries: jobs * 10, units: 5000, sheets: 2000 };
    result.size = {
      filled: fill(socketOf(jeitinho), size),
      lists: await lists(jeitinho.url, 60),
      whole: {
        units: await follow(jeitinho.url, '/units'),
        sheets: await follow(jeitinho.url, '/sheets'),
        open: await follow(jeitinho.url, '/jobs?status=open'),
      },
    };
  }
} catch (error) {
  bad = true;
  result.error = error instanceof Error ? error.stack : String(error);
  result.output = jeitinho.output;
} finally {
  await jeitinho.stop();
  jeitinho.removeData();
}
process.stdout.write(`${JSON.stringify(result, null, 1)}\n`);
process.exit(bad ? 1 : 0);
