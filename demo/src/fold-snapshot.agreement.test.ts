/**
 * Old logs fold as they did: the whole state, the assessment, the report, the summary and the refusals of
 * the demo’s logs and of a thousand drawn ones, as digests. Where one changes on purpose, run with
 * FOLD_DUMP=folder before and after, compare the two folders, say why in the commit, and write the digests
 * anew (FOLD_WRITE=1).
 */
import { buildReport } from '@jeitinho/core';
import { assess } from '@jeitinho/core/diagnose';
import { foldJob, summarise } from '@jeitinho/core/job';
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoLogs, likelyLogs, refusalsIn, senselessLogs, type AnyLog } from '../testing/any-logs';

const FILE = join(__dirname, '../testing/fold-snapshot.json');
/** Logs to one digest. */
const TOGETHER = 20;

const plain = (_: string, value: unknown): unknown => {
  if (value instanceof Map) return { map: [...value] };
  if (value instanceof Set) return { set: [...value] };
  // Ids are enough of what belongs to the sheet; floating point to ten digits.
  if (typeof value === 'number' && !Number.isInteger(value)) return Number(value.toPrecision(10));
  return value;
};

function shown(log: AnyLog): string {
  const state = foldJob(log.sheet, log.entries);
  const assessment = assess(log.sheet, state);
  return JSON.stringify(
    {
      state: { ...state, log: state.log.map(({ id, withdrawnBy }) => [id, withdrawnBy]) },
      assessment,
      report: buildReport(log.sheet, state, assessment),
      summary: summarise(log.sheet, state),
      refusals: refusalsIn(log),
    },
    plain,
    1,
  );
}

test.each([
  ['demo', demoLogs],
  ['senseless', () => senselessLogs(800)],
  ['likely', () => likelyLogs(200)],
])('the %s logs fold, are judged, refused and reported as before', (name, logs) => {
  const dump = process.env.FOLD_DUMP;
  const texts = logs().map((log) => [log.name, shown(log)] as const);
  if (dump) {
    mkdirSync(dump, { recursive: true });
    for (const [log, text] of texts) writeFileSync(join(dump, `${log}.json`), text);
  }
  const digests = [];
  for (let i = 0; i < texts.length; i += TOGETHER) {
    const hash = createHash('sha256');
    for (const [, text] of texts.slice(i, i + TOGETHER)) hash.update(text);
    digests.push(hash.digest('hex').slice(0, 16));
  }
  const kept = JSON.parse(readFileSync(FILE, 'utf8')) as Record<string, string[]>;
  if (process.env.FOLD_WRITE)
    writeFileSync(FILE, `${JSON.stringify({ ...kept, [name]: digests }, null, 2)}\n`);
  else expect(digests).toEqual(kept[name]);
});
