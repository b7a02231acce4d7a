/**
 * `npm run test:mutation`: each line of the core's most careful folders is changed a little, and the unit tests have
 * to notice. It goes on where it stopped: a file whose text and whose tests are as they were is not run again. Folders
 * or files may be named. `--report` only prints what is known. `--again` is for whoever writes tests: where only tests
 * were added, it tries again what nothing had noticed, and takes the rest as it was.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ready, ROOT } from './ready.mjs';

/** For each folder the tests that have to notice a change in it: those that are about it, and quick. */
const JUDGES = {
  'core/site': ['core/site/'],
  'core/photo/metadata': ['core/photo/metadata/', 'metadata'],
  'core/wiring': ['core/wiring/', 'kits', 'wiringFaults', 'evidence', 'rewire', 'model'],
  'core/markup': ['core/markup/', 'menus', 'sections', 'units', 'links', 'sourcePlaces', 'split', 'pageWork'],
  'core/plans': [
    'core/plans/',
    ...['making', 'importPictures', 'pageWork', 'sections', 'split', 'menus', 'links', 'units', 'model', 'rewire'],
    ...['evidence', 'style', 'sourcePlaces'],
  ],
};
const FOLDERS = Object.keys(JUDGES);
/** Files that go into one run, by their bytes: each run begins with all of its tests unchanged. */
const TOGETHER = 30_000;
/** How much source there is to one change, about. */
const BYTES_PER_CHANGE = 50;
const OUT = join(ROOT, 'tests/.out/mutation');

const below = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => `${folder}/${name}`)
    .filter((name) => statSync(join(ROOT, name)).isFile())
    .sort();

const isSource = (name) => name.endsWith('.ts') && !/\.(test|fixture)\.ts$|\/index\.ts$/.test(name);
const bytesOf = (name) => statSync(join(ROOT, name)).size;
const hashOf = (names) => {
  const hash = createHash('sha256');
  for (const name of names) hash.update(name).update(readFileSync(join(ROOT, name)));
  return hash.digest('hex');
};

const tests = [...below('core'), ...below('tests/unit')].filter((name) => name.endsWith('.test.ts'));
const fixtures = [...below('core'), ...below('tests/unit')].filter((name) =>
  /\.fixture\.ts$|unit\/sites\.ts$/.test(name),
);

/** The short ones first: those beside a file notice most of what is changed in it, and the first that does is enough. */
const judgesOf = (folder) =>
  JUDGES[folder]
    .flatMap((judge) => {
      const found = tests.filter((name) => name.startsWith(judge) || name === `tests/unit/${judge}.test.ts`);
      if (found.length === 0) throw new Error(`There is no test “${judge}”.`);
      return found;
    })
    .sort((a, b) => bytesOf(a) - bytesOf(b));

/** An outcome is old where the file, one of the tests that judge it, or what they read has changed. */
const stampOf = (folder, name) => ({ source: hashOf([name]), judges: hashOf([...judgesOf(folder), ...fixtures]) });

const keptAt = (name) => join(OUT, `${name.replaceAll('/', '-')}.json`);
const AGAIN = process.argv.includes('--again');

/** What is known of a file as it is; where that is enough, as it was judged by the tests of some time ago. */
function known(folder, name, { byOldTests = false } = {}) {
  if (!existsSync(keptAt(name))) return null;
  const kept = JSON.parse(readFileSync(keptAt(name), 'utf8'));
  const { source, judges } = stampOf(folder, name);
  return kept.source === source && (byOldTests || kept.judges === judges) ? kept : null;
}

const noticedEnds = ['Killed', 'Timeout'];
const survivedEnds = ['Survived', 'NoCoverage'];
const inShort = (replacement) => replacement.replace(/\s+/g, ' ').slice(0, 80);

/** Where a change stands, as Stryker takes it: lines from 1, columns from 0, though its report counts both from 1. */
const rangeOf = ({ start, end }) => `${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`;
const sameChange = (a, b) => a.range === b.range && a.says === b.says;

/** What stands in the source where a change is made. */
function standing(lines, { start, end }) {
  const within = lines.slice(start.line - 1, end.line);
  const last = within.length - 1;
  within[last] = within[last].slice(0, end.column - 1);
  within[0] = within[0].slice(start.column - 1);
  return within.join(' ');
}

function keep(folder, name, mutants, before) {
  const lines = readFileSync(join(ROOT, name), 'utf8').split('\n');
  const found = mutants.map(({ location, mutatorName, replacement, status }) => ({
    range: rangeOf(location),
    says: `${mutatorName}: ${inShort(standing(lines, location))} → ${inShort(replacement)}`,
    status,
  }));
  const tried = before ? found.filter((one) => before.survivors.some((old) => sameChange(old, one))) : found;
  const survivors = tried.filter(({ status }) => survivedEnds.includes(status));
  const noticed = tried.filter(({ status }) => noticedEnds.includes(status)).length + (before?.noticed ?? 0);
  writeFileSync(keptAt(name), JSON.stringify({ ...stampOf(folder, name), noticed, survivors }));
}

/** Changes some files of a folder; false where its tests could not be run. */
function run(folder, names) {
  const report = join(OUT, 'last.json');
  rmSync(report, { force: true });
  const before = new Map(names.map((name) => [name, AGAIN ? known(folder, name, { byOldTests: true }) : null]));
  const places = names.flatMap((name) => before.get(name)?.survivors.map(({ range }) => `${name}:${range}`) ?? [name]);
  const { status } = spawnSync(join(ROOT, 'node_modules/.bin/stryker'), ['run', '--mutate', places.join(',')], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, JUDGES: judgesOf(folder).join(','), HARDEST_ONLY: 'yes' },
  });
  if (status !== 0 || !existsSync(report)) return false;
  const { files } = JSON.parse(readFileSync(report, 'utf8'));
  for (const name of names) keep(folder, name, files[name]?.mutants ?? [], before.get(name));
  return true;
}

/** The bytes of a file that are changed in a run: few, where only what survived is tried again. */
function weightOf(folder, name) {
  const before = AGAIN ? known(folder, name, { byOldTests: true }) : null;
  return before ? before.survivors.length * BYTES_PER_CHANGE : bytesOf(name);
}

/** The files that are still to be changed, a run's worth at a time. */
function runsOf(folder, names) {
  const runs = [];
  let bytes = Infinity;
  for (const name of names) {
    if (known(folder, name)) continue;
    const size = weightOf(folder, name);
    if (bytes + size > TOGETHER) {
      runs.push([]);
      bytes = 0;
    }
    runs.at(-1).push(name);
    bytes += size;
  }
  return runs;
}

const percent = (noticed, survived) => Math.round((1000 * noticed) / Math.max(1, noticed + survived)) / 10;

ready();
mkdirSync(OUT, { recursive: true });
const named = process.argv.slice(2).filter((one) => !one.startsWith('--'));
const wanted = (name) => named.length === 0 || named.some((one) => name.startsWith(one));
const filesOf = (folder) => below(folder).filter((name) => isSource(name) && wanted(name));
const failed = [];
if (!process.argv.includes('--report'))
  for (const folder of FOLDERS)
    for (const names of runsOf(folder, filesOf(folder))) {
      console.log(names.join(', '));
      if (!run(folder, names)) failed.push(...names);
    }
for (const folder of FOLDERS) {
  const own = filesOf(folder);
  const outcomes = own.flatMap((name) => {
    const one = known(folder, name, { byOldTests: true });
    return one ? [{ name, ...one, isOld: !known(folder, name) }] : [];
  });
  if (outcomes.length === 0) continue;
  const noticed = outcomes.reduce((sum, one) => sum + one.noticed, 0);
  const survived = outcomes.reduce((sum, one) => sum + one.survivors.length, 0);
  const old = outcomes.filter(({ isOld }) => isOld).length;
  console.log(
    `\n${folder}: ${percent(noticed, survived)} % of ${noticed + survived}, ${outcomes.length} of ${own.length} files` +
      (old > 0 ? `; ${old} of them as earlier tests judged them` : ''),
  );
  for (const { name, survivors } of outcomes)
    for (const { range, says, status } of survivors)
      console.log(`  ${name}:${range.split(':')[0]} ${says}${status === 'NoCoverage' ? ', no test' : ''}`);
}
for (const name of failed) console.error(`could not be run: ${name}`);
process.exit(failed.length === 0 ? 0 : 1);
