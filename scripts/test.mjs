/**
 * `npm test`: types, lint, boundaries, unit and browser tests, with what they need; `--long` adds what takes longer.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ready, ROOT, step } from './ready.mjs';

const OUT = join(ROOT, 'tests/.out');
const has = (command, ...args) => spawnSync(command, args, { stdio: 'ignore' }).status === 0;

/** Debian packages that the browser tests use; where they may not be installed, the checks that need them are named. */
function debian() {
  const wanted = [
    {
      there: () => existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium'),
      name: 'chromium',
      without: 'all browser tests',
    },
    { there: () => has('java', '-version'), name: 'default-jre-headless', without: 'the Nu HTML checker' },
    { there: () => has('unzip', '-v'), name: 'unzip', without: 'reading archives with unzip' },
    {
      there: () => existsSync('/usr/share/doc/debian-policy'),
      name: 'debian-policy',
      without: 'pages that nobody here wrote',
    },
    { there: () => has('python3', '--version'), name: 'python3', without: 'reading archives with Python' },
  ].filter((one) => !one.there());
  if (wanted.length === 0) return;
  const mayInstall = process.getuid?.() === 0 && has('apt-get', '--version');
  if (mayInstall) {
    console.log(`Installing ${wanted.map((one) => one.name).join(', ')} from Debian…`);
    spawnSync('apt-get', ['update', '-qq'], { stdio: 'ignore' });
    spawnSync('apt-get', ['install', '-y', '-qq', ...wanted.map((one) => one.name)], {
      stdio: 'ignore',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  }
  for (const { there, name, without } of wanted)
    if (!there()) console.log(`left out: ${without}, for ${name} is not here and could not be installed`);
}

const counts = { passed: 0, failed: 0 };

function count(file, read) {
  if (!existsSync(file)) return;
  const [passed, failed] = read(JSON.parse(readFileSync(file, 'utf8')));
  counts.passed += passed;
  counts.failed += failed;
}

ready();
debian();
mkdirSync(OUT, { recursive: true });
const long = process.argv.includes('--long');
if (long) process.env.LONG = 'yes';
const steps = [
  ['format', ['prettier', '--check', '.', '--log-level', 'warn']],
  ['types', ['react-router', 'typegen'], ['tsc', '--noEmit']],
  ['lint', ['eslint', '--max-warnings', '0', '.']],
  [
    'boundaries',
    [
      'depcruise',
      '--config',
      '.dependency-cruiser.cjs',
      'core',
      'app',
      'server',
      'protocol',
      'preview',
      'viewers',
      'kits',
      'demo',
      'tests',
    ],
  ],
  ['unused', ['knip', '--no-progress']],
  ['demo site', ['tsx', 'demo/make.ts']],
  [
    'unit',
    [
      'vitest',
      'run',
      '--silent=passed-only',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${join(OUT, 'unit.json')}`,
    ],
  ],
  ['build', ['node', 'scripts/build.mjs']],
];
if (existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium'))
  steps.push([
    'browser',
    ['playwright', 'test', '--config', 'tests/playwright.config.ts', ...(long ? ['--repeat-each', '3'] : [])],
  ]);

const began = Date.now();
const times = [];
let status = 0;
for (const [name, ...commands] of steps) {
  const start = Date.now();
  console.log(`\n— ${name}`);
  for (const command of commands) status ||= step(...command);
  times.push(`${name} ${Math.round((Date.now() - start) / 1000)} s`);
  if (status !== 0) break;
}
count(join(OUT, 'unit.json'), (unit) => [unit.numPassedTests, unit.numFailedTests]);
count(join(OUT, 'browser.json'), ({ stats }) => {
  if (stats.flaky > 0) console.log(`${stats.flaky} browser tests came through only at another try; see above.`);
  return [stats.expected + stats.flaky, stats.unexpected];
});
console.log(`\n${times.join(', ')}; ${Math.round((Date.now() - began) / 1000)} s in all`);
if (status !== 0) console.log(`Stopped at: ${times.at(-1)?.replace(/ \d+ s$/, '')}`);
console.log(`${counts.passed} passed, ${Math.max(counts.failed, status === 0 ? 0 : 1)} failed`);
process.exit(status);
