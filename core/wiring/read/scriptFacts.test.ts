import { describe, expect, it } from 'vitest';
import { readScript, type ScriptFacts } from './scriptFacts.ts';

function factsOf(text: string): ScriptFacts {
  const reading = readScript(text);
  if (!reading.ok) throw new Error(reading.reason);
  return reading;
}
const given = (text: string) => factsOf(text).gives.map(({ name, at }) => `${name} ${at}`);
/** As `name at`, with `!` where it is needed at once. */
const needed = (text: string) =>
  factsOf(text)
    .needs.toSorted((a, b) => a.at - b.at)
    .map(({ name, at, immediate }) => `${name} ${at}${immediate ? '!' : ''}`);
const isImmediate = (text: string) => factsOf(text).needs.find(({ name }) => name === 'kite')?.immediate;
const callOf = (text: string, called = 'kite') => factsOf(text).calls.find(({ name }) => name === called);

describe('a script', () => {
  it('with an error is told by its place', () => {
    expect(readScript('var a;\nvar b = “;')).toEqual({
      ok: false,
      reason: expect.stringMatching(/^Unexpected.*[^)]$/),
      at: 15,
    });
  });

  it('may begin with a hash bang, return, and be of today', () => {
    for (const text of ['#!/usr/bin/env node\n1', 'return;', 'a?.b ?? 1n; class A { #b = 1; static { } }', ''])
      expect(readScript(text).ok).toBe(true);
    expect(readScript('import a from "b";').ok).toBe(false);
  });

  it('is read once', () => {
    const first = readScript('var once = 1;');
    expect(readScript('var once = 1;')).toBe(first);
    for (let n = 0; n < 300; n++) readScript(`var filled${n};`);
    expect(readScript('var once = 1;')).not.toBe(first);
  });
});

describe('what a script gives', () => {
  it.each([
    ['var a; let b; const c = 1; function d() {} class E {}', ['a 0', 'b 7', 'c 14', 'd 27', 'E 43']],
    ['window.a = 1; self.b = 2; globalThis.c = 3; top.d = 4;', ['a 0', 'b 14', 'c 26', 'd 44']],
    ['(function () { window.a = 1; var b; })();', ['a 15']],
    ['window.a = 1; window.a = 2;', ['a 0']],
    ['window[a] = 1; other.b = 2; window.a.b = 1;', []],
    ['window["a"] = 1;', ['a 0']],
    // Wrappers as programs write them.
    ['(function (root, factory) { root.A = factory(); })(this, function () { return 1; });', ['A 28']],
    ['(function (w, d) { w.B = 1; d.c = 2; })(window, document);', ['B 19']],
    ['!function(e,t){"object"==typeof exports?module.exports=t():(e=e||self).C=t()}(this,function(){});', ['C 59']],
    ['(function (g, f) { f(g); })(window || this, function (w) { w.D = 1; });', ['D 59']],
    ['window.onload = 1; window.name = 2;', []],
  ])('%s', (text, names) => expect(given(text)).toEqual(names));
});

describe('what a script needs', () => {
  it.each([
    ['kite(); other;', ['kite 0!', 'other 8!']],
    ['document.title = location.href; new Map(); undefined; arguments; console.log(1)', []],
    ['var kite; kite();', []],
    ['kite(); window.kite = 1;', []],
    ['typeof kite', ['kite 7!']],
  ])('%s', (text, names) => expect(needed(text)).toEqual(names));

  it.each([
    ['kite()', true],
    ['(function () { kite(); })()', true],
    ['(function () { kite(); }())', true],
    ['(function () { kite(); }).call(window)', true],
    ['(() => { kite(); })()', true],
    ['var f = function () { kite(); };', false],
    ['var f = function () { kite(); }; f();', true],
    ['const f = () => kite(); f();', true],
    ['function f() { kite(); }', false],
    ['function f() { kite(); } f();', true],
    ['function f() { kite(); } function g() { f(); } g();', true],
    ['function f() { kite(); } function g() { f(); }', false],
    ['function f() { kite(); } x.addEventListener("click", function () { f(); });', false],
    ['list.forEach(function () { kite(); })', true],
    ['list.map(() => kite())', true],
    ['each(list, function () { kite(); })', true],
    ['x.addEventListener("click", function () { kite(); })', false],
    ['setTimeout(function () { kite(); }, 1)', false],
    ['setInterval(() => kite(), 1)', false],
    ['requestAnimationFrame(() => kite())', false],
    ['requestIdleCallback(() => kite())', false],
    ['queueMicrotask(() => kite())', false],
    ['x.then(() => kite())', false],
    ['$(document).ready(function () { kite(); })', false],
    ['$(x).on("click", function () { kite(); })', false],
    ['var o = { f: function () { kite(); } };', false],
    ['class A { f() { kite(); } }', false],
    ['f(function g() { kite(); }.name)', false],
    ['(function () { return function () { kite(); }; })()', false],
  ])('at once: %s', (text, immediate) => expect(isImmediate(text)).toBe(immediate));

  it('is not needed at once where it is asked for before every call', () => {
    expect(isImmediate('if (window.kite) kite();')).toBe(false);
    expect(isImmediate('if (kite) kite(); kite();')).toBe(true);
    expect(isImmediate('kite;')).toBe(true);
  });
});

describe('a call', () => {
  it('is known by a bare or a global name, with where it stands', () => {
    expect(factsOf('kite("a.b", { x: 1 });').calls).toEqual([
      {
        object: { start: 12, end: 20, last: 18 },
        way: 'function',
        name: 'kite',
        of: null,
        at: 0,
        end: 21,
        statement: { start: 0, end: 22 },
        text: 'a.b',
        textAt: { start: 5, end: 10 },
        handed: 'selector',
        firstAt: { start: 5, end: 10 },
        options: { x: 1 },
        optionsAt: { x: { start: 17, end: 18 } },
        namesAt: { x: { start: 14, end: 15 } },
        then: [],
        kept: null,
        immediate: true,
        guarded: false,
      },
    ]);
    expect(callOf('window.kite()')).toMatchObject({ at: 0, text: null, textAt: null, options: {} });
    expect(callOf('x.kite()')).toMatchObject({ way: 'method', of: 'x' });
    expect(callOf('window["kite"]()')).toMatchObject({ way: 'function' });
    expect(callOf('f().kite()')).toBeUndefined();
    expect(callOf('window[kite]()')).toBeUndefined();
    expect(callOf('kite(x)')).toMatchObject({ text: null, textAt: null });
    expect(callOf('kite(1)')).toMatchObject({ text: null, textAt: null });
    expect(callOf('function f() { kite(); }')?.immediate).toBe(false);
  });

  it('has the plain values of its options', () => {
    const text =
      'kite({ a: 1, "b-c": "x", d: true, e: null, f: g, ["h"]: 1, ...i, j() {}, 3: 4, k: -1 }, 5, { l: false })';
    expect(callOf(text)?.options).toEqual({ a: 1, 'b-c': 'x', d: true, 3: 4, l: false });
  });

  it.each([
    ['kite();', false, [0, 7]],
    ['var a = kite();', false, null],
    ['f(kite());', false, null],
    ['if (window.kite) kite();', true, [0, 24]],
    ['if (window.kite) { kite(); }', true, [0, 28]],
    ['if (window.kite) { kite(); more(); }', true, [19, 26]],
    ['if (window.kite) kite(); else more();', true, [17, 24]],
    ['if (typeof kite === "function") kite();', true, [0, 39]],
    ['if (other) kite();', false, [11, 18]],
    ['if (kite()) other();', false, null],
    ['window.kite && kite();', true, [0, 22]],
    ['other && kite();', false, null],
    ['var a = window.kite ? kite() : 1;', true, null],
    ['if (x.kite) kite();', true, [0, 19]],
    ['while (window.kite) kite();', false, [20, 27]],
  ] as const)('%s: asked for before %s, statement %j', (text, guarded, place) => {
    const call = callOf(text);
    expect(call?.guarded).toBe(guarded);
    expect(call?.statement).toEqual(place && { start: place[0], end: place[1] });
  });
});

describe('what a script asks the page for', () => {
  it.each([
    ["document.querySelector('a.b')", ['a.b 23 querySelector']],
    ['x.querySelectorAll(`li.${y} b`)', ['li. 19 querySelectorAll']],
    ["x.closest('a[b=\"' + c + '\"]' + d)", ['a[b=" 10 closest']],
    ["$('.x'); jQuery('.y').find('z')", ['.x 2 $', '.y 16 jQuery', 'z 27 find']],
    ["x.matches('a')", ['a 10 matches']],
    ['x.querySelector(a + "b"); x.querySelector(1); x.querySelector(); x.querySelector("a" - "b")', []],
    ["d.getElementById('a'); d.getElementsByTagName('b')", ['#a 17 getElementById', 'b 46 getElementsByTagName']],
    ["d.getElementsByClassName(' a  b ')", ['.a.b 25 getElementsByClassName']],
    ["d.toString('a'); d[querySelector]('a'); d.other('a')", []],
  ])('%s', (text, asked) =>
    expect(factsOf(text).selectors.map(({ name, at, by }) => `${name} ${at} ${by}`)).toEqual(asked),
  );

  it.each([
    ["a.getAttribute('Data-X')", ['data-x 15 getAttribute']],
    ["a.hasAttribute('b'); a.setAttribute('c', 1)", ['b 15 hasAttribute', 'c 36 setAttribute']],
    ["a.removeAttribute('b'); a.toggleAttribute('c')", ['b 18 removeAttribute', 'c 42 toggleAttribute']],
    ['a.getAttribute(b); a.getAttribute(1); a.other("b")', []],
    ['a.dataset.roomGroup', ['data-room-group 10 dataset']],
    ['a.dataset["roomX"]; a.dataset[room]; a.dataset[1]; a.data.room', ['data-room-x 10 dataset']],
    [
      'a.rel; a.rev; a.title; a.alt; a.target',
      ['rel 2 rel', 'rev 9 rev', 'title 16 title', 'alt 25 alt', 'target 32 target'],
    ],
    ['a.name; a["rel"]; window.title; top.alt; a[rel]', []],
    ['a.title = 1; a.dataset.b = 2; b = a.title', ['title 36 title']],
  ])('%s', (text, asked) =>
    expect(factsOf(text).attributes.map(({ name, at, by }) => `${name} ${at} ${by}`)).toEqual(asked),
  );
});

describe('ways of calling', () => {
  const only = (text: string) =>
    factsOf(text).calls.map(({ way, of, name, text: selector, immediate, then }) =>
      [way, of, name, selector, immediate ? 'now' : 'later', ...then.map((one) => one.name)].join(' '),
    );

  it.each([
    ["$('.thumb').glow({ speed: 300 });", ['collection $ glow .thumb now']],
    ["$(function () { $('.thumb').glow(); });", ['function  $  now', 'collection $ glow .thumb later']],
    ["jQuery(document).ready(function ($) { $('#g a').glow(); });", ['collection $ glow #g a later']],
    ["(function ($) { $('.a').find('b').glow(); })(jQuery);", ['collection $ glow .a now']],
    ["var j = jQuery.noConflict(); j('.a').glow();", ['collection j glow .a now']],
    ["Beam.bind('[data-beam]', { loop: true });", ['method Beam bind [data-beam] now']],
    ["window.Beam.bind('.b');", ['method Beam bind .b now']],
    ["new Gleam('#g', { items: 'a' });", ['constructor  Gleam #g now']],
    ["new Gleam('#g').init();", ['constructor  Gleam #g now init']],
    ["var g = new Gleam('#g'); g.on('x'); g.init();", ['constructor  Gleam #g now on init']],
  ])('%s', (text, wanted) => expect(only(text)).toEqual(expect.arrayContaining(wanted)));

  it('a call whose outcome is kept can be taken out where nothing else is done with it', () => {
    const kept = (text: string) => factsOf(text).calls.find(({ name }) => name === 'Gleam')?.statement ?? null;
    expect(kept("var g = new Gleam('#g');")).toEqual({ start: 0, end: 24 });
    expect(kept("var g = new Gleam('#g'); g.init();")).toEqual({ start: 0, end: 24 });
    expect(kept("var g = new Gleam('#g'); show(g);")).toBeNull();
    expect(kept("var g = new Gleam('#g'); var n = g.init();")).toBeNull();
  });
});

describe('a script on top of a base', () => {
  it('says which plug-ins it gives, what they read and what they do by themselves', () => {
    const facts = factsOf(`(function ($) {
      $.fn.glow = function (options) {
        var set = $.extend({ speed: 300, loop: true }, options);
        $(document).on('click', 'a[rel]', function () { return $(this).attr('rel') + $(this).data('bayGroup'); });
      };
      $.fn.extend({ dim: function () {} });
    })(jQuery);`);
    expect(facts.plugIns.map(({ name }) => name)).toEqual(['glow', 'dim']);
    expect(facts.defaults.map(({ name, value }) => [name, value])).toEqual([
      ['speed', 300],
      ['loop', true],
    ]);
    expect(facts.attributes.map(({ name }) => name)).toEqual(['rel', 'data-bay-group']);
    expect(facts.selectors.map(({ name }) => name)).toContain('a[rel]');
    expect(facts.needs.map(({ name }) => name)).toEqual(['jQuery']);
  });

  it('says which elements it defines, and as a module what it imports', () => {
    expect(factsOf("customElements.define('pic-tour', class extends HTMLElement {});").elements).toMatchObject([
      { name: 'pic-tour' },
    ]);
    const module = readScript("import Ray, { a as b } from './ray.js';\nimport './c.js';\nRay.start('.x');", 'module');
    expect(module.ok && module.imports.map(({ name, from }) => [name, from])).toEqual([
      ['Ray', './ray.js'],
      ['b', './ray.js'],
      [null, './c.js'],
    ]);
    expect(readScript("import Ray from './ray.js';").ok).toBe(false);
    const given = readScript('var a = 1; window.b = 2;', 'module');
    expect(given.ok && given.gives.map(({ name }) => name)).toEqual(['b']);
  });
});
