/**
 * `npm test`: format, types, lint, boundaries, unit and browser tests, with what they need. `--long` runs the browser
 * tests that take minutes, and nothing else.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { CHROMIUM_BUILDS, chromiumHere } from './chromium.mjs';
import { ready, ROOT } from './ready.mjs';

const OUT = join(ROOT, 'tests/.out');
const has = (command, ...args) => spawnSync(command, args, { stdio: 'ignore' }).status === 0;

/** What the tests use of Debian; of several packages the first that can be had is enough. */
const DEBIAN = [
  {
    there: () => chromiumHere() !== null,
    names: CHROMIUM_BUILDS.map(({ name }) => name),
    without: 'all browser tests',
  },
  { there: () => has('java', '-version'), names: ['default-jre-headless'], without: 'the Nu HTML checker' },
  { there: () => has('unzip', '-v'), names: ['unzip'], without: 'reading archives with unzip' },
  {
    there: () => existsSync('/usr/share/doc/debian-policy'),
    names: ['debian-policy'],
    without: 'pages that nobody here wrote',
  },
  {
    there: () => existsSync('/usr/share/doc/xfig/html'),
    names: ['xfig-doc'],
    without: 'galleries that nobody here wrote',
  },
  {
    there: () => existsSync('/usr/share/doc/imagemagick-6-common/html/www'),
    names: ['imagemagick-6-doc'],
    without: 'groups of pictures on pages of words that nobody here wrote',
  },
  {
    there: () => existsSync('/usr/share/hugin/xrc/data/help_en_EN'),
    names: ['hugin-data'],
    without: 'groups with captions that hold links',
  },
  {
    there: () => existsSync('/usr/share/doc/gri/html'),
    names: ['gri-html-doc'],
    without: 'groups on pages laid out in tables',
  },
  { there: () => has('python3', '--version'), names: ['python3'], without: 'reading archives with Python' },
];

/** Installs what is not here; where that may not be, the checks that need it are named. */
function debian() {
  const wanted = DEBIAN.filter(({ there }) => !there());
  const quicker = CHROMIUM_BUILDS[0];
  const slow = !process.env.CHROMIUM && !existsSync(quicker.path);
  const mayInstall = process.getuid?.() === 0 && has('apt-get', '--version');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...args) => spawnSync('apt-get', ['-qq', ...args], { stdio: 'ignore', env }).status === 0;
  const install = (name) => {
    console.log(`Installing ${name} from Debian…`);
    return apt('install', '-y', name);
  };
  if (mayInstall && (wanted.length > 0 || slow)) {
    apt('update');
    for (const { names } of wanted) names.some(install);
    if (slow && !existsSync(quicker.path)) install(quicker.name);
  }
  for (const { there, names, without } of wanted)
    if (!there()) console.log(`left out: ${without}, for ${names.join(' or ')} is not here and could not be installed`);
}

const counts = { passed: 0, failed: 0 };

function count(file, read) {
  if (!existsSync(file)) return;
  const [passed, failed] = read(JSON.parse(readFileSync(file, 'utf8')));
  counts.passed += passed;
  counts.failed += failed;
}

const began = Date.now();
const times = [];
const seconds = (since) => Math.round((Date.now() - since) / 1000);

/** Runs a command to its end; what it says is held back where something else is running beside it. */
function command([name, ...args], held) {
  const bin = name === 'node' ? process.execPath : join(ROOT, 'node_modules/.bin', name);
  const child = spawn(bin, args, { cwd: ROOT, stdio: held ? 'pipe' : 'inherit' });
  const said = [];
  child.stdout?.on('data', (piece) => said.push(piece));
  child.stderr?.on('data', (piece) => said.push(piece));
  return new Promise((resolve) => {
    child.on('error', (error) => resolve({ failed: true, said: String(error) }));
    child.on('close', (code) => resolve({ failed: code !== 0, said: Buffer.concat(said).toString() }));
  });
}

/** Steps one after the other; gives the name of the one that failed, or null. */
async function lane(steps, held) {
  for (const [name, ...commands] of steps) {
    const start = Date.now();
    if (!held) console.log(`\n— ${name}`);
    for (const one of commands) {
      const { failed, said } = await command(one, held);
      if (held && said.trim() !== '') console.log(`\n— ${name}\n${said.trimEnd()}`);
      if (failed) return name;
    }
    times.push(`${name} ${seconds(start)} s`);
  }
  return null;
}

const FOLDERS = ['core', 'app', 'server', 'protocol', 'preview', 'viewers', 'kits', 'demo', 'tests'];
const DEMO = ['demo site', ['tsx', 'demo/make.ts']];
const BUILD = ['build', ['node', 'scripts/build.mjs']];
const BROWSER = ['browser', ['playwright', 'test', '--config', 'tests/playwright.config.ts']];
const UNIT = [
  'unit',
  [
    'vitest',
    'run',
    '--silent=passed-only',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${join(OUT, 'unit.json')}`,
  ],
];

/** Reading the code takes one core; two such lanes go side by side. */
const LINT = [['lint', ['eslint', '--max-warnings', '0', '.']]];
const OTHER_READING = [
  ['format', ['prettier', '--check', '.', '--log-level', 'warn']],
  ['types', ['tsc', '--noEmit']],
  ['boundaries', ['depcruise', '--config', '.dependency-cruiser.cjs', ...FOLDERS]],
  ['unused', ['knip', '--no-progress']],
  DEMO,
];

async function all(browser) {
  // Both lanes read the types of the routes.
  const routes = await lane([['types of routes', ['react-router', 'typegen']]], true);
  if (routes !== null) return routes;
  const [lint, other] = await Promise.all([lane(LINT, true), lane(OTHER_READING, true)]);
  return lint ?? other ?? (await lane([UNIT, BUILD, ...browser], false));
}

ready();
debian();
times.push(`what it needs ${seconds(began)} s`);
mkdirSync(OUT, { recursive: true });
for (const name of ['unit.json', 'browser.json']) rmSync(join(OUT, name), { force: true });
const browser = chromiumHere() ? [BROWSER] : [];
const long = process.argv.includes('--long');
if (long) process.env.LONG = 'yes';
const failed = long ? await lane([DEMO, BUILD, ...browser], false) : await all(browser);
if (!long) count(join(OUT, 'unit.json'), (unit) => [unit.numPassedTests, unit.numFailedTests]);
count(join(OUT, 'browser.json'), ({ stats }) => {
  if (stats.flaky > 0) console.log(`${stats.flaky} browser tests came through only at another try; see above.`);
  return [stats.expected + stats.flaky, stats.unexpected];
});
console.log(`\n${times.join(', ')}; ${seconds(began)} s in all`);
if (failed !== null) console.log(`Stopped at: ${failed}`);
console.log(`${counts.passed} passed, ${Math.max(counts.failed, failed === null ? 0 : 1)} failed`);
process.exit(failed === null ? 0 : 1);
