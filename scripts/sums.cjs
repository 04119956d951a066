// Counting what the runners report in their JSON.

/** Test files that could not even be loaded count as one failure each. */
function sumJest(report) {
  const broken = report.testResults.filter(
    (file) => file.status === 'failed' && file.assertionResults.length === 0,
  ).length;
  return {
    passed: report.numPassedTests,
    failed: report.numFailedTests + broken,
    skipped: report.numPendingTests + report.numTodoTests,
  };
}

/** A story that passed at a later try counts as passed, and is named: it is a fault to be found. */
function sumPlaywright(report) {
  const { expected, unexpected, flaky, skipped } = report.stats;
  return { passed: expected + flaky, failed: unexpected + report.errors.length, skipped };
}

function specsOf(suite) {
  return [...(suite.suites ?? []).flatMap(specsOf), ...(suite.specs ?? [])];
}

const fell = ({ tests }) => tests.some(({ status }) => status === 'unexpected');

/** More than a handful is no stall. */
const HANDFUL = 5;

/** Whether it is worth telling the fallen ones again: a few fell, and nothing else is broken. */
function fewFell({ stats, errors }) {
  return errors.length === 0 && stats.unexpected > 0 && stats.unexpected <= HANDFUL;
}

/** The whole's account after its fallen stories were told again; who stood then is unsteady. */
function withLate(report, late) {
  const stood = new Set(
    specsOf(late)
      .filter((spec) => !fell(spec))
      .map(({ id }) => id),
  );
  const risen = specsOf(report).filter((spec) => fell(spec) && stood.has(spec.id));
  for (const { tests } of risen) for (const test of tests) test.status = 'flaky';
  const { unexpected, flaky } = report.stats;
  return {
    ...report,
    stats: {
      ...report.stats,
      unexpected: unexpected - risen.length,
      flaky: flaky + risen.length,
    },
    errors: [...report.errors, ...late.errors],
  };
}

/** Titles of those that passed at a later try only. */
function unsteady(report) {
  return specsOf(report)
    .filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
    .map(({ file, title }) => `${file}: ${title}`);
}

module.exports = { sumJest, sumPlaywright, fewFell, withLate, unsteady };
