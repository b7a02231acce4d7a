/** The viewers are read by those who learn from them: short lines, small functions, one text for one thing. */
import { readFileSync } from 'node:fs';
import { parse, type Node } from 'acorn';
import { full } from 'acorn-walk';
import { describe, expect, it } from 'vitest';
import { VIEWERS } from '../kits.ts';

const scriptOf = (name: string): string =>
  readFileSync(new URL(`../../viewers/${name}/${name}.js`, import.meta.url), 'utf8');

interface Named {
  name: string;
  text: string;
  lines: number;
}

const linesOf = (text: string): number => text.split('\n').length;

/** Functions and methods with their texts; the one around all of a script is none of them. */
function functionsOf(script: string): Named[] {
  const found: Named[] = [];
  const add = (name: string, node: Node) => {
    const text = script.slice(node.start, node.end);
    found.push({ name, text, lines: linesOf(text) });
  };
  full(parse(script, { ecmaVersion: 'latest' }), (node) => {
    const one = node;
    if (one.type === 'FunctionDeclaration') add(one.id?.name ?? '', one);
    if (one.type === 'MethodDefinition') add('method', one);
    if (one.type === 'VariableDeclarator' && one.init?.type === 'ArrowFunctionExpression')
      add(one.id.type === 'Identifier' ? one.id.name : '', one);
  });
  return found;
}

/** What is named alike in several viewers and means another thing in each. */
const OWN = new Set(['start', 'method', 'show', 'open', 'hear', 'address', 'end', 'put', 'done', 'isMeant', 'shift']);

describe.each(VIEWERS.map(({ manifest }) => [manifest.name] as const))('the script of the %s', (name) => {
  const script = scriptOf(name);

  it('has no line over 100 characters', () => {
    expect(script.split('\n').filter((line) => line.length > 100)).toEqual([]);
  });

  it('has functions of less than 40 lines', () => {
    expect(functionsOf(script).filter(({ lines }) => lines >= 40)).toEqual([]);
  });

  it('has no choice within a choice, and no trick with bits', () => {
    const bad: string[] = [];
    full(parse(script, { ecmaVersion: 'latest' }), (node) => {
      const one = node;
      if (one.type === 'ConditionalExpression')
        for (const part of [one.test, one.consequent, one.alternate])
          if (part.type === 'ConditionalExpression') bad.push(script.slice(one.start, one.end));
      if (one.type === 'BinaryExpression' && /^(?:[&|^]|<<|>>>?)$/.test(one.operator))
        bad.push(script.slice(one.start, one.end));
    });
    expect(bad).toEqual([]);
  });

  it('acts once where it is included twice', () => {
    const start = VIEWERS.find(({ manifest }) => manifest.name === name)?.manifest.start?.call;
    expect(script).toContain(`if (window.${start}) return;`);
  });
});

it('what the viewers share is the same text in each', () => {
  const texts = new Map<string, Map<string, string[]>>();
  for (const { manifest } of VIEWERS)
    for (const { name, text } of functionsOf(scriptOf(manifest.name))) {
      if (OWN.has(name) || name === '') continue;
      const known = texts.get(name) ?? new Map<string, string[]>();
      known.set(text, [...(known.get(text) ?? []), manifest.name]);
      texts.set(name, known);
    }
  const different = [...texts]
    .filter(([, known]) => known.size > 1)
    .map(([name, known]) => [name, [...known.values()]]);
  expect(different).toEqual([]);
});

describe.each(VIEWERS.map((kit) => [kit.manifest.name, kit] as const))(
  'the manifest of the %s',
  (name, { manifest }) => {
    const style = readFileSync(new URL(`../../viewers/${name}/${name}.css`, import.meta.url), 'utf8');

    it('names every custom property that its stylesheet reads for a page to set, and no other', () => {
      // Those that the script sets itself are none of the page’s.
      const script = scriptOf(name);
      const read = new Set([...style.matchAll(/var\((--[\w-]+)/g)].map(([, property]) => property));
      const set = new Set([...script.matchAll(/setProperty\(\s*'(--[\w-]+)'/g)].map(([, property]) => property));
      const given = new Set([...script.matchAll(/widen\(\S+, '(--[\w-]+)'\)/g)].map(([, property]) => property));
      const own = [...read].filter((one) => !set.has(one) && !given.has(one));
      const named = manifest.look.map(({ property }) => property);
      const inScript = named.filter((one) => script.includes(`'${one}'`) && !read.has(one));
      expect([...own, ...inScript].sort()).toEqual([...named].sort());
    });

    it('names the words that its script says, and their English', () => {
      const script = scriptOf(name);
      for (const [key, word] of Object.entries(manifest.words)) {
        expect(script).toContain(`${key}: '${word}'`);
        expect(script, key).toMatch(new RegExp(`WORDS\\.${key}\\b|WORDS\\[name\\]`));
      }
    });

    it('has presets whose options do what they say together', () => {
      for (const preset of manifest.presets)
        for (const { when, options, says } of manifest.idle) {
          const held = Object.entries(when).every(
            ([key, value]) =>
              (preset.options[key] ?? manifest.options.find((one) => one.name === key)?.without) === value,
          );
          const vain = held ? options.filter((one) => one in preset.options) : [];
          expect(vain, `${preset.name}: ${says}`).toEqual([]);
        }
    });
  },
);
