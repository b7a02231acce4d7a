/**
 * Runs the unit tests that judge a change of one place, for Stryker. Vitest begins anew for each of thousands of
 * changes, which takes a second where the tests take a hundredth of it. Here all tests are one bundle: for each change
 * it is evaluated again, so that every module is new, and only the tests that reach the change are run. Vitest's own
 * `expect` judges; of its interface the bundle gets `describe`, `it`, `test` and their `each`, and no more.
 */
import { readFileSync } from 'node:fs';
import { createRequire, isBuiltin } from 'node:module';
import { join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import { constants, Script } from 'node:vm';
import { declareClassPlugin, PluginKind } from '@stryker-mutator/api/plugin';
import {
  determineHitLimitReached,
  DryRunStatus,
  TestStatus,
  toMutantRunResult,
} from '@stryker-mutator/api/test-runner';
import {
  ASYMMETRIC_MATCHERS_OBJECT,
  chai,
  customMatchers,
  GLOBAL_EXPECT,
  JestAsymmetricMatchers,
  JestChaiExpect,
  JestExtend,
  setState,
} from '@vitest/expect';
import { build } from 'esbuild';

/** Where the changed source looks which change is on, and counts what was reached. */
const stryker = (globalThis.__stryker__ ??= {});

function judgingExpect() {
  const expect = (value, message) => {
    setState({ assertionCalls: 0, isExpectingAssertions: false, expectedAssertionsNumber: null }, expect);
    return chai.expect(value, message);
  };
  for (const plugin of [JestExtend, JestChaiExpect, JestAsymmetricMatchers]) chai.use(plugin);
  Object.assign(expect, chai.expect, globalThis[ASYMMETRIC_MATCHERS_OBJECT]);
  Object.defineProperty(globalThis, GLOBAL_EXPECT, { value: expect, configurable: true });
  chai.expect.extend(expect, customMatchers);
  return expect;
}

/** What tests import from Vitest; what they declare is collected. */
function collector(expect) {
  const tests = [];
  /** What a `describe` works out for its tests before they are run: under which name it is counted, and for whom. */
  const preparations = [];
  const within = [];
  let n = 0;
  const eachOf = (declare) => (table) => (name, body) => {
    for (const row of table) declare(`${name} #${(n += 1)}`, () => body(...(Array.isArray(row) ? row : [row])));
  };
  const test = (name, body) => {
    const id = [...within, name].join(' › ');
    tests.push({ id: tests.some((one) => one.id === id) ? `${id} #${(n += 1)}` : id, body });
  };
  const nested = (name, body) => {
    within.push(name);
    body();
    within.pop();
  };
  const describe = (name, body) => {
    const first = tests.length;
    const outer = stryker.currentTestId;
    nested(name, () => {
      stryker.currentTestId = `what “${within.join(' › ')}” prepares`;
      body();
      preparations.push({ id: stryker.currentTestId, first, end: tests.length });
      stryker.currentTestId = outer;
    });
  };
  test.each = eachOf(test);
  describe.each = eachOf(describe);
  return { tests, preparations, inFile: nested, face: { expect, describe, test, it: test } };
}

/** What was reached while tests were prepared counts as reached by each of them. */
function countPreparations(coverage, tests, preparations) {
  for (const { id, first, end } of preparations) {
    const reached = Object.entries(coverage.perTest[id] ?? {});
    delete coverage.perTest[id];
    for (const test of tests.slice(first, end)) {
      const own = (coverage.perTest[test.id] ??= {});
      for (const [change, times] of reached) own[change] = (own[change] ?? 0) + times;
    }
  }
}

/** A package as a module of the bundle that hands on what Node has loaded. */
const handedOn = (name, loaded) =>
  [
    `const loaded = __packages.get(${JSON.stringify(name)});`,
    ...Object.keys(loaded).map((key, at) =>
      key === 'default'
        ? 'export default loaded.default;'
        : `const _${at} = loaded[${JSON.stringify(key)}]; export { _${at} as ${JSON.stringify(key)} };`,
    ),
  ].join('\n');

/** All tests and what they read, but for packages, as one script. */
async function bundled(tests, packages) {
  const inFile = (name) =>
    `__inFile(${JSON.stringify(name)}, () => require(${JSON.stringify(join(process.cwd(), name))}))`;
  const packagesStay = {
    name: 'packages-stay',
    setup(bundle) {
      bundle.onResolve({ filter: /^[@a-z]/ }, ({ path }) => {
        if (isBuiltin(path)) return { path, external: true };
        return { path, namespace: 'package' };
      });
      bundle.onLoad({ filter: /.*/, namespace: 'package' }, async ({ path }) => {
        if (path === 'vitest') return { contents: 'export const { expect, describe, test, it } = __vitest;' };
        packages.set(path, await import(path));
        return { contents: handedOn(path, packages.get(path)) };
      });
      bundle.onLoad({ filter: /\.ts$/ }, ({ path }) => {
        const own = JSON.stringify(pathToFileURL(path).href);
        return { loader: 'ts', contents: readFileSync(path, 'utf8').replaceAll('import.meta.url', own) };
      });
    },
  };
  const { outputFiles } = await build({
    stdin: { contents: tests.map(inFile).join('\n'), resolveDir: process.cwd() },
    bundle: true,
    write: false,
    format: 'cjs',
    platform: 'node',
    target: 'node20',
    logLevel: 'error',
    plugins: [packagesStay],
  });
  return outputFiles[0].text;
}

class BundledTests {
  #evaluate;
  #packages = new Map();
  #expect = judgingExpect();

  capabilities() {
    // Every run evaluates everything anew.
    return { reloadEnvironment: true };
  }

  async init() {
    const tests = process.env.JUDGES.split(',').map((name) => relative(process.cwd(), name));
    const source = await bundled(tests, this.#packages);
    const script = new Script(`((require, __vitest, __inFile, __packages) => {${source}\n})`, {
      filename: join(process.cwd(), 'tests.js'),
      importModuleDynamically: constants.USE_MAIN_CONTEXT_DEFAULT_LOADER,
    });
    this.#evaluate = script.runInThisContext();
  }

  /** The tests as they are declared by modules that are new. */
  #declared() {
    const { tests, preparations, inFile, face } = collector(this.#expect);
    this.#evaluate(createRequire(join(process.cwd(), 'tests.js')), face, inFile, this.#packages);
    return { tests, preparations };
  }

  async dryRun() {
    stryker.mutantCoverage = { static: {}, perTest: {} };
    const { tests, preparations } = this.#declared();
    const outcomes = [];
    for (const test of tests) outcomes.push(await outcomeOf(test));
    countPreparations(stryker.mutantCoverage, tests, preparations);
    return { status: DryRunStatus.Complete, tests: outcomes, mutantCoverage: stryker.mutantCoverage };
  }

  async mutantRun({ activeMutant, testFilter, hitLimit }) {
    stryker.activeMutant = activeMutant.id;
    stryker.hitLimit = hitLimit;
    stryker.hitCount = hitLimit === undefined ? undefined : 0;
    const tests = [];
    try {
      const chosen = testFilter && new Set(testFilter);
      for (const test of this.#declared().tests) {
        if (chosen && !chosen.has(test.id)) continue;
        tests.push(await outcomeOf(test));
        if (tests.at(-1).status === TestStatus.Failed) break;
      }
    } catch (error) {
      // Not even to be read, let alone to be run.
      tests.push(failed(testFilter?.[0] ?? 'reading the tests', 0, error));
    } finally {
      stryker.activeMutant = undefined;
    }
    const endless = determineHitLimitReached(stryker.hitCount, hitLimit);
    return toMutantRunResult(endless ?? { status: DryRunStatus.Complete, tests });
  }
}

const failed = (id, timeSpentMs, error) => ({
  id,
  name: id,
  timeSpentMs,
  status: TestStatus.Failed,
  failureMessage: String(error?.message ?? error),
});

async function outcomeOf({ id, body }) {
  const begin = performance.now();
  stryker.currentTestId = id;
  try {
    await body();
    return { id, name: id, timeSpentMs: performance.now() - begin, status: TestStatus.Success };
  } catch (error) {
    return failed(id, performance.now() - begin, error);
  } finally {
    stryker.currentTestId = undefined;
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.TestRunner, 'bundled-tests', BundledTests)];
