import { describe, expect, it } from 'vitest';
import { parsePage } from '../../markup/index.ts';
import { PathIndex, type FileContent } from '../../site/index.ts';
import { includesOf } from './includes.ts';
import { runScripts } from './scripts.ts';
import { readCode, readScript } from './scriptFacts.ts';

const factsOf = (text: string) => {
  const reading = readScript(text, 'module');
  if (!reading.ok) throw new Error(reading.reason);
  return reading;
};

describe('what a module imports', () => {
  it.each([
    ["import glow from './a.js'", [['glow', 'default']]],
    [
      "import glow, { beam as ray } from './a.js'",
      [
        ['glow', 'default'],
        ['ray', 'beam'],
      ],
    ],
    ["import * as all from './a.js'", [['all', '*']]],
    ["import { 'odd name' as odd } from './a.js'", [['odd', 'odd name']]],
    ["import './a.js'", [[null, null]]],
    ["export * from './a.js'", [[null, null]]],
    ["export { glow } from './a.js'", [[null, null]]],
    [
      "const { glow, beam: ray } = await import('./a.js')",
      [
        ['glow', 'glow'],
        ['ray', 'beam'],
      ],
    ],
    ["const all = await import('./a.js')", [['all', '*']]],
    ["import('./a.js').then((all) => all.glow())", [[null, null]]],
    ['import(name)', []],
    ['const a = 1', []],
  ])('%s', (text, names) => {
    const { imports } = factsOf(text);
    expect(imports.map(({ name, exported }) => [name, exported])).toEqual(names);
    for (const { from, fromAt, statement } of imports) {
      expect(from).toBe('./a.js');
      expect(text.slice(fromAt.start, fromAt.end)).toBe("'./a.js'");
      expect(statement.start).toBeLessThanOrEqual(fromAt.start);
    }
  });

  it('late ones are told from those that hold up the script', () => {
    expect(factsOf("import './a.js'; await import('./b.js')").imports.map(({ late }) => late)).toEqual([false, true]);
  });
});

it.each([
  ['export default function glow() {}', ['default'], false],
  ['export function glow() {} export class Beam {}', ['glow', 'Beam'], false],
  ['export const a = 1, b = 2; export { a as c }', ['a', 'b', 'c'], false],
  ["export * from './a.js'; export * as all from './b.js'", ['all'], true],
  ['const a = 1', [], false],
])('what a module exports: %s', (text, names, passesOn) => {
  const { exports } = factsOf(text);
  expect(exports.names.map(({ name }) => name).sort()).toEqual([...names].sort());
  expect(exports.passesOn).toBe(passesOn);
});

it('code that does not say what it is is a module where it can be nothing else', () => {
  expect(readCode('glow()').isModule).toBe(false);
  expect(readCode("import glow from './a.js'; glow()").isModule).toBe(true);
  expect(readCode('import “').ok).toBe(false);
});

const run = (html: string, texts: Record<string, string>) => {
  const files = new Map<string, FileContent>(
    Object.entries(texts).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]),
  );
  const index = new PathIndex(files.keys());
  const document = parsePage(html);
  const scripts = runScripts(includesOf(document, 'pages/index.html', index), files, {
    document,
    base: 'pages/index.html',
    index,
  });
  return scripts.map(({ include, imports, runs }) => ({
    path: include.path ?? 'inline',
    runs,
    troubles: imports.map(({ trouble }) => trouble),
  }));
};
const inline = (code: string, before = '') => `${before}<script type="module">${code}</script>`;
const MAP = '<script type="importmap">{ "imports": { "glow": "./js/glow.js", "lib/": "../lib/" } }</script>';

describe('where imports lead', () => {
  it('from the page, and from there on from each file; a file runs once, before what asks for it', () => {
    const texts = {
      'pages/js/glow.js': "import { box } from '../../lib/box.js'; export default box",
      'lib/box.js': 'export const box = 1',
    };
    expect(run(inline("import glow from './js/glow.js'; import { box } from '../lib/box.js'"), texts)).toEqual([
      { path: 'lib/box.js', runs: true, troubles: [] },
      { path: 'pages/js/glow.js', runs: true, troubles: [null] },
      { path: 'inline', runs: true, troubles: [null, null] },
    ]);
  });

  it('a plain tag of the same file is another thing', () => {
    const html = `<script src="a.js"></script>${inline("import './a.js'")}`;
    expect(run(html, { 'pages/a.js': 'export default 1' }).map(({ runs }) => runs)).toEqual([false, true, true]);
  });

  it('modules may import one another', () => {
    const texts = { 'pages/a.js': "import './b.js'", 'pages/b.js': "import './a.js'" };
    expect(run('<script type="module" src="a.js"></script>', texts).map(({ runs }) => runs)).toEqual([true, true]);
  });

  it.each([
    ['a bare name', inline("import glow from 'glow'"), 'bare'],
    ['a bare name that a map explains', inline("import glow from 'glow'", MAP), null],
    ['a beginning that a map explains', inline("import { box } from 'lib/box.js'", MAP), null],
    ['a map that comes too late', `${inline("import glow from 'glow'")}${MAP}`, 'map too late'],
    ['a map that is no JSON', inline("import glow from 'glow'", MAP.replace('{ "', '{ “')), 'bare'],
    ['a file that is not there', inline("import glow from './js/glowing.js'"), 'missing'],
    ['other capitals', inline("import glow from './js/Glow.js'"), 'missing'],
    ['a name that is not exported', inline("import { Glow } from './js/glow.js'"), 'not exported'],
    ['all of it', inline("import * as glow from './js/glow.js'"), null],
    ['a file with a mistake', inline("import './js/broken.js'"), 'cannot run'],
    ['an address elsewhere', inline("import glow from 'https://code.example/glow.js'"), null],
  ])('%s', (_, html, trouble) => {
    const texts = {
      'pages/js/glow.js': 'export default 1',
      'lib/box.js': 'export const box = 1',
      'pages/js/broken.js': 'export “',
    };
    const last = run(html, texts).at(-1);
    expect(last).toEqual({ path: 'inline', runs: trouble === null, troubles: [trouble] });
  });

  it('what is asked for late stops nothing', () => {
    expect(run(inline("import('./none.js')"), {}).at(-1)).toEqual({
      path: 'inline',
      runs: true,
      troubles: ['missing'],
    });
  });
});
