/**
 * `npm run test:mutation`: each line of the core's most careful folders is changed a little, and the unit tests have
 * to notice. It goes file by file and goes on where it stopped: a file whose text and whose tests are as they were is
 * not run again. Folders or files may be named; `--report` only prints what is known.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ready, ROOT } from './ready.mjs';

const FOLDERS = ['core/site', 'core/photo/metadata', 'core/wiring', 'core/markup', 'core/plans'];
const OUT = join(ROOT, 'tests/.out/mutation');

const below = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => `${folder}/${name}`)
    .filter((name) => statSync(join(ROOT, name)).isFile())
    .sort();

const isSource = (name) => name.endsWith('.ts') && !/\.(test|fixture)\.ts$|\/index\.ts$/.test(name);
const hashOf = (names) => {
  const hash = createHash('sha256');
  for (const name of names) hash.update(name).update(readFileSync(join(ROOT, name)));
  return hash.digest('hex');
};

/** Any test may be what notices, so a change of one of them makes every outcome old. */
const tests = [...below('core'), ...below('tests/unit')].filter((name) => /\.(test|fixture)\.ts$/.test(name));
const testsNow = hashOf(tests);

const keptAt = (name) => join(OUT, `${name.replaceAll('/', '-')}.json`);
function known(name) {
  if (!existsSync(keptAt(name))) return null;
  const kept = JSON.parse(readFileSync(keptAt(name), 'utf8'));
  return kept.stamp === hashOf([name]) + testsNow ? kept : null;
}

/** Changes one file; false where its tests could not be run. */
function run(name) {
  const report = join(OUT, 'last.json');
  const { status } = spawnSync(join(ROOT, 'node_modules/.bin/stryker'), ['run', '--mutate', name], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (status !== 0 || !existsSync(report)) return false;
  const { files } = JSON.parse(readFileSync(report, 'utf8'));
  const mutants = Object.values(files).flatMap((file) => file.mutants);
  const noticed = mutants.filter(({ status: end }) => end === 'Killed' || end === 'Timeout').length;
  const survivors = mutants.filter(({ status: end }) => end === 'Survived' || end === 'NoCoverage');
  writeFileSync(
    keptAt(name),
    JSON.stringify({
      stamp: hashOf([name]) + testsNow,
      noticed,
      survivors: survivors.map(({ location, mutatorName, replacement, status: end }) => ({
        line: location.start.line,
        says: `${mutatorName} → ${replacement.replace(/\s+/g, ' ').slice(0, 80)}${end === 'NoCoverage' ? ', no test' : ''}`,
      })),
    }),
  );
  return true;
}

const percent = (noticed, survived) => Math.round((1000 * noticed) / Math.max(1, noticed + survived)) / 10;

ready();
mkdirSync(OUT, { recursive: true });
const named = process.argv.slice(2).filter((one) => !one.startsWith('--'));
const files = FOLDERS.flatMap(below)
  .filter(isSource)
  .filter((name) => named.length === 0 || named.some((one) => name.startsWith(one)));
const failed = [];
if (!process.argv.includes('--report'))
  for (const [n, name] of files.entries()) {
    if (known(name)) continue;
    console.log(`${n + 1} of ${files.length}: ${name}`);
    if (!run(name)) failed.push(name);
  }
for (const folder of FOLDERS) {
  const own = files.filter((name) => name.startsWith(`${folder}/`));
  const outcomes = own.flatMap((name) => {
    const one = known(name);
    return one ? [{ name, ...one }] : [];
  });
  if (outcomes.length === 0) continue;
  const noticed = outcomes.reduce((sum, one) => sum + one.noticed, 0);
  const survived = outcomes.reduce((sum, one) => sum + one.survivors.length, 0);
  console.log(
    `\n${folder}: ${percent(noticed, survived)} % of ${noticed + survived}, ${outcomes.length} of ${own.length} files`,
  );
  for (const { name, survivors } of outcomes)
    for (const { line, says } of survivors) console.log(`  ${name}:${line} ${says}`);
}
for (const name of failed) console.error(`could not be run: ${name}`);
process.exit(failed.length === 0 ? 0 : 1);
