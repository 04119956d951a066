// Fills a demo database to the size of a large shop, to see how lists and searches do there:
//   node scripts/fill.mjs --socket PATH [--jobs N] [--entries N] [--units N] [--sheets N] [--memory]
// Everything is made from what the demo world has; nothing of it is real. Never on a database in use.
import mariadb from 'mariadb';
import { parseArgs } from 'node:util';

const { values } = parseArgs({
  options: {
    socket: { type: 'string' },
    database: { type: 'string', default: 'jeitinho' },
    jobs: { type: 'string', default: '100000' },
    entries: { type: 'string', default: '1000000' },
    units: { type: 'string', default: '5000' },
    sheets: { type: 'string', default: '2000' },
    // What is remembered of them as well: words to find, lessons, what was done.
    memory: { type: 'boolean', default: false },
  },
});
if (!values.socket) {
  console.error('Say where the database is: --socket PATH');
  process.exit(1);
}
const [jobs, entries, units, sheets] = ['jobs', 'entries', 'units', 'sheets'].map((name) => {
  const count = Number(values[name]);
  if (!Number.isInteger(count) || count < 0) {
    console.error(`--${name} takes a whole number.`);
    process.exit(1);
  }
  return count;
});
const each = Math.max(1, Math.round(entries / Math.max(1, jobs)));

const db = await mariadb.createConnection({
  socketPath: values.socket,
  user: 'root',
  database: values.database,
});
const run = (sql, params = []) => db.query(sql, params);
// Ids that count up, in the form of UUIDs, apart from those of the demo world.
const id = (kind, n) => `CONCAT('f${kind}000000-0000-7000-8000-', LPAD(HEX(${n}), 12, '0'))`;
const sites = Math.max(1, Math.round(units / 10));
const customers = Math.max(1, Math.round(units / 25));

await run(`INSERT IGNORE INTO customers (id, name, phone)
  SELECT LOWER(${id(1, 'seq')}), CONCAT('Customer ', LPAD(seq, 5, '0')), '' FROM seq_1_to_${customers}`);
await run(`INSERT IGNORE INTO sites (id, customerId, name, address, town)
  SELECT LOWER(${id(2, 'seq')}), LOWER(${id(1, `1 + seq % ${customers}`)}),
    CONCAT(ELT(1 + seq % 5, 'Bakery ', 'Laundry ', 'School ', 'Clinic ', 'Workshop '), LPAD(seq, 4, '0')),
    CONCAT(seq % 90, ' ', ELT(1 + seq % 4, 'Mill', 'Canal', 'Orchard', 'Quarry'), ' Street'),
    ELT(1 + seq % 6, 'Valdora', 'Porto Lume', 'Serrinha', 'Campo Alto', 'Ribeira', 'Monte Claro')
  FROM seq_1_to_${sites}`);
await run(`INSERT IGNORE INTO units (id, siteId, label, maker, model, serial, kind, sheetId)
  SELECT LOWER(${id(3, 'seq')}), LOWER(${id(2, `1 + seq % ${sites}`)}),
    CONCAT(ELT(1 + seq % 4, 'Cold room ', 'Rooftop unit ', 'Dryer ', 'Boiler '), LPAD(seq, 5, '0')),
    demo.maker, demo.model, CONCAT('SN', LPAD(seq * 7919 % 1000000, 6, '0')), demo.kind, demo.sheetId
  FROM seq_1_to_${units} JOIN (SELECT * FROM units WHERE sheetId IS NOT NULL ORDER BY id LIMIT 1) AS demo`);

// Copies of the demo's sheets, in four revisions each.
const copies = Math.max(1, Math.round(sheets / 4));
await run(`INSERT IGNORE INTO sheets (id, revision, title, maker, document, createdAt, facets, facetsVersion, author, newest)
  SELECT CONCAT('copy-', LPAD(c.seq, 5, '0')), r.seq, CONCAT(demo.title, ' ', LPAD(c.seq, 5, '0')), demo.maker,
    JSON_SET(demo.document, '$.id', CONCAT('copy-', LPAD(c.seq, 5, '0')), '$.revision', r.seq),
    NOW(3), demo.facets, demo.facetsVersion, '', r.seq = 4
  FROM seq_1_to_${copies} AS c JOIN seq_1_to_4 AS r
  JOIN (SELECT * FROM sheets WHERE newest = 1 ORDER BY LENGTH(document) LIMIT 1) AS demo`);

// One job in a hundred is open; the rest were signed, a few minutes apart over the years.
const [{ sheetId, sheetRevision, unitId }] = await run(
  "SELECT sheetId, sheetRevision, unitId FROM jobs WHERE status = 'signed' ORDER BY id LIMIT 1",
);
const [signed] = await run(
  "SELECT CONCAT(summary, '') AS summary, summaryVersion FROM jobs WHERE status = 'signed' ORDER BY id LIMIT 1",
);
const [open] = await run(
  `SELECT CONCAT(summary, '') AS summary FROM jobs
    WHERE status = 'open' AND summary IS NOT NULL ORDER BY lastSeq DESC LIMIT 1`,
);
const STEP = 20_000;
for (let from = 1; from <= jobs; from += STEP) {
  const to = Math.min(jobs, from + STEP - 1);
  await run(
    `INSERT IGNORE INTO jobs (id, unitId, sheetId, sheetRevision, complaint, urgent, visitAt, openedAt, lastSeq,
       status, summary, summaryVersion, queue, signedAt)
     SELECT LOWER(${id(4, 'seq')}), ${units > 0 ? `LOWER(${id(3, `1 + seq % ${units}`)})` : '?'}, ?, ?,
       'Does not get cold.', 0, NULL, NOW(3) - INTERVAL (${jobs} - seq) * 7 MINUTE, ?,
       IF(seq % 100 = 0, 'open', 'signed'), IF(seq % 100 = 0, ?, ?), ?, IF(seq % 1000 = 0, 0, 1),
       IF(seq % 100 = 0, NULL, NOW(3) - INTERVAL (${jobs} - seq) * 7 - 3 MINUTE)
     FROM seq_${from}_to_${to}`,
    [
      ...(units > 0 ? [] : [unitId]),
      sheetId,
      sheetRevision,
      each,
      open.summary,
      signed.summary,
      signed.summaryVersion,
    ],
  );
  await run(
    `INSERT IGNORE INTO entries (jobId, seq, id, kind, at, author, body, receivedAt)
     SELECT LOWER(${id(4, 'j.seq')}), n.seq, LOWER(${id(5, `j.seq * ${each} + n.seq`)}),
       IF(n.seq = 1, 'opened', 'observed'), NOW(3), 'Ana',
       IF(n.seq = 1, '{"complaint":"Does not get cold.","meter":null}', '{"text":"It hums when it is pushed."}'), NOW(3)
     FROM seq_${from}_to_${to} AS j JOIN seq_1_to_${each} AS n`,
  );
}
if (values.memory) await remember();
// As a database that has run for a while knows its tables.
await run('ANALYZE TABLE customers, sites, units, sheets, jobs, entries');
if (values.memory)
  await run('ANALYZE TABLE found_words, found_docs, found_in, lessons, lesson_bodies, work_done');

/** Thirty words of notes a job out of three thousand, some in nearly all; and the words of its unit and place. */
async function remember() {
  await run(`INSERT IGNORE INTO found_words (word)
    SELECT CONCAT(ELT(1 + seq % 8, 'hum', 'leak', 'board', 'fan', 'coil', 'plug', 'rust', 'valve'), LPAD(seq, 4, '0')) FROM seq_1_to_3000`);
  await run(`CREATE TEMPORARY TABLE notes (n INT PRIMARY KEY AUTO_INCREMENT, id INT)
    SELECT id FROM found_words WHERE word REGEXP '^[a-z]+[0-9]{4}$' ORDER BY RAND(7)`);
  const texts = `LOWER(CONCAT_WS(' ', u.label, u.maker, u.model, u.serial, s.name, s.town))`;
  // MariaDB takes texts apart by JSON.
  const words = (text) =>
    `JSON_TABLE(CONCAT('["', REPLACE(REPLACE(${text}, '-', ' '), ' ', '","'), '"]'), '$[*]' COLUMNS (word VARCHAR(40) PATH '$')) w`;
  await run(
    `INSERT IGNORE INTO found_words (word) SELECT DISTINCT w.word FROM units u JOIN sites s ON s.id = u.siteId, ${words(texts)}`,
  );
  await run(`INSERT IGNORE INTO found_docs (kind, ref) SELECT 'unit', id FROM units ORDER BY id`);
  await run(
    `INSERT IGNORE INTO found_docs (kind, ref) SELECT 'job', id FROM jobs ORDER BY openedAt`,
  );
  await run(`CREATE TEMPORARY TABLE unit_words (PRIMARY KEY (unit, word))
    SELECT DISTINCT u.id AS unit, f.id AS word FROM units u JOIN sites s ON s.id = u.siteId, ${words(texts)} JOIN found_words f ON f.word = w.word`);
  await run(`INSERT IGNORE INTO found_in (word, doc)
    SELECT w.word, d.n FROM unit_words w JOIN found_docs d ON d.kind = 'unit' AND d.ref = w.unit`);
  await run(`INSERT IGNORE INTO found_in (word, doc)
    SELECT w.word, d.n FROM jobs j JOIN unit_words w ON w.unit = j.unitId JOIN found_docs d ON d.kind = 'job' AND d.ref = j.id`);
  await run(`INSERT IGNORE INTO found_in (word, doc)
    SELECT notes.id, picked.doc FROM (
      SELECT d.n AS doc, 1 + FLOOR(3000 * POW(RAND(d.n * 31 + k.seq), 3)) AS n FROM found_docs d JOIN seq_1_to_30 k WHERE d.kind = 'job'
    ) picked JOIN notes ON notes.n = picked.n`);
  const [lesson] = await run(
    "SELECT CONCAT(body, '') AS body, CONCAT(readings, '') AS readings FROM lesson_bodies JOIN lessons USING (jobId) WHERE proven ORDER BY jobId LIMIT 1",
  );
  const copy = `CONCAT('copy-', LPAD(1 + CRC32(j.id) % ${copies}, 5, '0'))`;
  await run(`INSERT IGNORE INTO lessons (jobId, unitId, sheetId, signedAt, technician, complaint, codes, ending, done, proven,
      said, saidPart, saidName, saidRight, overruled, minutes)
    SELECT j.id, j.unitId, ${copy}, j.signedAt, ELT(1 + CRC32(j.id) % 3, 'Ana', 'Bia', 'Caio'), j.complaint, '47 1',
      'Replace: Igniter', 'Igniter', 1, 0.05 * (1 + CRC32(j.id) % 19), 'igniter', 'Igniter',
      RAND(CRC32(j.id)) < 0.05 * (1 + CRC32(j.id) % 19), 0, 40
    FROM jobs j WHERE j.status = 'signed' AND j.signedAt IS NOT NULL`);
  await run(
    'INSERT IGNORE INTO lesson_bodies (jobId, body, readings) SELECT jobId, ?, ? FROM lessons',
    [lesson.body, lesson.readings],
  );
  await run(`UPDATE lessons l JOIN jobs n ON n.unitId = l.unitId AND n.openedAt > l.signedAt
      AND n.openedAt <= l.signedAt + INTERVAL 90 DAY SET l.backWith = n.id WHERE CRC32(l.jobId) % 20 = 0`);
  await run(`INSERT IGNORE INTO work_done (jobId, nth, kind, what, name, number, batch, supplier, unitId, sheetId, signedAt, proven)
    SELECT jobId, 0, 'part', ELT(1 + CRC32(jobId) % 4, 'igniter', 'control', 'valve', 'rod'),
      ELT(1 + CRC32(jobId) % 4, 'Igniter', 'Control', 'Valve', 'Rod'), CONCAT('N-', CRC32(jobId) % 40), CONCAT('B', CRC32(jobId) % 400),
      ELT(1 + CRC32(jobId) % 5, 'S1', 'S2', 'S3', 'S4', 'S5'), unitId, sheetId, signedAt, 1 FROM lessons`);
}

const count = async (table) => Number((await run(`SELECT COUNT(*) AS n FROM ${table}`))[0].n);
console.log(
  JSON.stringify({
    customers: await count('customers'),
    sites: await count('sites'),
    units: await count('units'),
    sheets: await count('sheets'),
    jobs: await count('jobs'),
    entries: await count('entries'),
  }),
);
await db.end();
