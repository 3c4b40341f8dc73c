// npm test: everything that must hold. Its last line is "N passed, N failed".
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { bin, build, ensureChromium, ensureDecoders, ensurePackages, heard, root, run } from './steps.mjs';

await ensurePackages();
await ensureChromium();
await ensureDecoders();

let passed = 0;
let failed = 0;
const broken = [];

/** A step that passes or fails as a whole; it is shown once it is over, as others run beside it. */
async function step(name, command, args) {
  const started = Date.now();
  const { code, output } = await heard(command, args);
  if (code === 0) passed++;
  else {
    failed++;
    broken.push(name);
  }
  console.log(`\n── ${name}\n${output}`.trimEnd());
  console.log(`   ${code === 0 ? 'ok' : 'FAILED'} in ${((Date.now() - started) / 1000).toFixed(1)} s`);
}

/** Steps one after the other. */
async function lane(...steps) {
  for (const one of steps) await step(...one);
}

/** A runner that counts its own tests into a file. */
async function counted(name, command, args, report, count) {
  const file = join(root, report);
  rmSync(file, { force: true });
  console.log(`\n── ${name}`);
  const code = await run(command, args);
  const found = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 0, names: [] };
  passed += found.passed;
  failed += found.failed;
  if (code !== 0 && found.failed === 0) failed++;
  if (code === 0 && found.passed === 0) failed++;
  if (code !== 0 || found.passed === 0) broken.push(name);
  for (const one of found.names) broken.push(`${name}: ${one}`);
}

console.log('── build');
await build();
passed++;
// Two lanes of about the same length.
await Promise.all([
  lane(['lint', bin('eslint'), ['.', '--max-warnings', '0']]),
  lane(
    ['types', bin('tsc'), ['-p', 'editor']],
    ['types of tests and tools', bin('tsc'), ['-p', 'tsconfig.tools.json']],
    ['formatting', bin('prettier'), ['--check', '.', '--log-level', 'warn']],
    [
      'dependency rule',
      bin('depcruise'),
      ['--config', '.dependency-cruiser.cjs', 'core/src', 'cli/src', 'server/src', 'plugin/src', 'editor/src'],
    ],
    ['pages of the interface', bin('tsx'), ['scripts/write-api-pages.ts', '--check']],
    ['unused code', bin('knip'), ['--no-progress']],
  ),
]);
await counted(
  'unit tests',
  bin('vitest'),
  ['run', '--reporter=dot', '--reporter=json', '--outputFile.json=test-results/unit.json'],
  'test-results/unit.json',
  (report) => ({
    passed: report.numPassedTests,
    failed: report.numFailedTests + (report.numFailedTestSuites > 0 && report.numFailedTests === 0 ? 1 : 0),
    names: report.testResults.flatMap(({ name, status, message, assertionResults }) => [
      ...(status === 'failed' && assertionResults.length === 0 ? [`${relative(root, name)}: ${message}`] : []),
      ...assertionResults
        .filter((one) => one.status === 'failed')
        .map((one) => `${relative(root, name)} › ${one.fullName}\n${one.failureMessages.join('\n')}`),
    ]),
  }),
);
await counted('browser tests', bin('playwright'), ['test'], 'test-results/e2e.json', (report) => ({
  passed: report.stats.expected + report.stats.flaky,
  failed: report.stats.unexpected,
  // Its own list of what failed is the last that it prints.
  names: [],
}));

if (broken.length > 0) console.log(`\nFailed:\n${broken.join('\n')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
