/** What the shop remembers: words that find things, lessons of closed jobs, odds that were adopted, links to reports. */
import type { QueryInterface } from 'sequelize';

const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';
/** Letters of any script, told apart exactly: they are lower case and without accents already. */
const EXACT = 'CHARACTER SET utf8mb4 COLLATE utf8mb4_bin';

export async function up(db: QueryInterface): Promise<void> {
  const run = (sql: string) => db.sequelize.query(sql);
  await run(`CREATE TABLE found_words (
    id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    word VARCHAR(40) ${EXACT} NOT NULL UNIQUE) ${TABLE}`);
  await run(`CREATE TABLE found_docs (
    n INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    kind VARCHAR(10) NOT NULL,
    ref VARCHAR(36) NOT NULL,
    UNIQUE (kind, ref)) ${TABLE}`);
  // By word for finding, newest last; by document for what else it says.
  await run(`CREATE TABLE found_in (
    word INT UNSIGNED NOT NULL,
    doc INT UNSIGNED NOT NULL,
    PRIMARY KEY (word, doc),
    KEY found_in_doc (doc, word)) ${TABLE}`);
  // Narrow, because whole shops of them are looked through.
  await run(`CREATE TABLE lessons (
    jobId VARCHAR(36) NOT NULL PRIMARY KEY,
    unitId VARCHAR(36) NOT NULL,
    sheetId VARCHAR(80) NOT NULL,
    signedAt DATETIME(3) NOT NULL,
    technician VARCHAR(120) NOT NULL,
    complaint VARCHAR(400) NOT NULL,
    codes VARCHAR(400) NOT NULL,
    ending VARCHAR(400) NOT NULL,
    done VARCHAR(400) NOT NULL,
    proven BOOLEAN NOT NULL,
    said DOUBLE NULL,
    saidPart VARCHAR(80) NULL,
    saidName VARCHAR(200) NULL,
    saidRight BOOLEAN NULL,
    overruled BOOLEAN NOT NULL,
    chosenRight BOOLEAN NULL,
    minutes DOUBLE NOT NULL,
    backWith VARCHAR(36) NULL,
    KEY lessons_of_sheet (sheetId, signedAt, jobId),
    KEY lessons_of_unit (unitId, signedAt, jobId),
    KEY lessons_when (signedAt, jobId),
    KEY lessons_back (backWith)) ${TABLE}`);
  await run(`CREATE TABLE lesson_bodies (
    jobId VARCHAR(36) NOT NULL PRIMARY KEY,
    body JSON NOT NULL,
    readings JSON NOT NULL) ${TABLE}`);
  await run(`CREATE TABLE work_done (
    jobId VARCHAR(36) NOT NULL,
    nth SMALLINT NOT NULL,
    kind VARCHAR(10) NOT NULL,
    what VARCHAR(80) NOT NULL,
    name VARCHAR(400) NOT NULL,
    number VARCHAR(120) NULL,
    batch VARCHAR(120) NULL,
    supplier VARCHAR(120) NULL,
    unitId VARCHAR(36) NOT NULL,
    sheetId VARCHAR(80) NOT NULL,
    signedAt DATETIME(3) NOT NULL,
    proven BOOLEAN NOT NULL,
    PRIMARY KEY (jobId, nth),
    KEY work_done_when (signedAt, jobId, nth),
    KEY work_done_of_sheet (sheetId, what, signedAt)) ${TABLE}`);
  await run(`CREATE TABLE odds (
    sheetId VARCHAR(80) NOT NULL,
    revision INT NOT NULL,
    at DATETIME(3) NOT NULL,
    author VARCHAR(120) NOT NULL,
    kind VARCHAR(10) NOT NULL,
    jobs INT NOT NULL,
    shares JSON NOT NULL,
    note TEXT NOT NULL,
    PRIMARY KEY (sheetId, revision)) ${TABLE}`);
  await run(`CREATE TABLE report_links (
    id VARCHAR(36) NOT NULL PRIMARY KEY,
    token CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL UNIQUE,
    jobId VARCHAR(36) NOT NULL,
    madeAt DATETIME(3) NOT NULL,
    madeBy VARCHAR(120) NOT NULL,
    until DATETIME(3) NOT NULL,
    endedAt DATETIME(3) NULL,
    endedBy VARCHAR(120) NULL,
    looks INT NOT NULL DEFAULT 0,
    KEY report_links_of_job (jobId, madeAt)) ${TABLE}`);
}
