const SLOWEST = 20;

/** Tests of a suite of the browser tests' report, with those of its suites. */
const testsOf = ({ suites = [], specs = [], title = '' }) => [
  ...specs.flatMap(({ title: name, tests }) =>
    tests.map(({ results }) => ({
      name: `${title}: ${name}`,
      ms: Math.max(...results.map(({ duration }) => duration)),
    })),
  ),
  ...suites.flatMap(testsOf),
];
const unitTests = ({ testResults }) =>
  testResults.flatMap(({ name, assertionResults }) =>
    assertionResults.map(({ fullName, duration }) => ({
      name: `${name.split('/').slice(-2).join('/')}: ${fullName}`,
      ms: duration ?? 0,
    })),
  );

/**
 * What all checks said together: `{ text, passed, failed }`. A runner that failed without naming a test, or left no
 * results, counts as one failure. On a starved machine a browser test may need its second try: it is told, and only
 * failing both is a failure.
 */
export function summary({ checks, unit, browser }) {
  const sums = checks.map((ok) => (ok ? [1, 0] : [0, 1]));
  const { results: units } = unit;
  const suites = units?.numRuntimeErrorTestSuites ?? 0;
  sums.push(units ? [units.numPassedTests, units.numFailedTests + suites] : [0, 1]);
  if (!unit.ok && units && units.numFailedTests + suites === 0) sums.push([0, 1]);
  const stats = browser.results?.stats;
  sums.push(stats ? [stats.expected + stats.flaky, stats.unexpected] : [0, 1]);
  if (!browser.ok && stats && stats.unexpected === 0) sums.push([0, 1]);

  const slowest = [...(units ? unitTests(units) : []), ...testsOf(browser.results ?? {})]
    .sort((one, other) => other.ms - one.ms)
    .slice(0, SLOWEST)
    .map(({ name, ms }) => `${(ms / 1000).toFixed(1).padStart(6)} s  ${name}`);
  const [passed, failed] = sums.reduce(([p, f], [a, b]) => [p + a, f + b], [0, 0]);
  const flaky = `${stats?.flaky ?? 0} flaky browser tests: passed at their second try only`;
  return { text: `\n── the slowest tests\n${slowest.join('\n')}\n\n${flaky}\n`, passed, failed };
}
