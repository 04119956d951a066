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

/** A story that passed at its second try counts as passed, and is named: it is a fault to be found. */
function sumPlaywright(report) {
  const { expected, unexpected, flaky, skipped } = report.stats;
  return { passed: expected + flaky, failed: unexpected + report.errors.length, skipped };
}

/** Titles of those. */
function unsteady(report) {
  const of = (suite) => [
    ...(suite.suites ?? []).flatMap(of),
    ...(suite.specs ?? [])
      .filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
      .map(({ file, title }) => `${file}: ${title}`),
  ];
  return (report.suites ?? []).flatMap(of);
}

module.exports = { sumJest, sumPlaywright, unsteady };
