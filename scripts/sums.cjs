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

/** A flaky test passed in the end, yet not dependably: it counts as failed. */
function sumPlaywright(report) {
  const { expected, unexpected, flaky, skipped } = report.stats;
  return { passed: expected, failed: unexpected + flaky + report.errors.length, skipped };
}

module.exports = { sumJest, sumPlaywright };
