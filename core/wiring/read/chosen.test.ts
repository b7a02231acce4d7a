import { describe, expect, it } from 'vitest';
import { readScript } from './scriptFacts.ts';

const callIn = (text: string) => {
  const reading = readScript(text);
  if (!reading.ok) throw new Error(reading.reason);
  return reading.calls.find(({ name }) => name === 'glow');
};

describe('what a start call is handed', () => {
  it.each([
    ["glow('.a')", '.a', 'selector', true],
    ["glow(document.querySelector('.a'))", '.a', 'element', true],
    ["glow(document.querySelectorAll('.a'))", '.a', 'list', true],
    ["glow(document.getElementById('a'))", '#a', 'element', false],
    ["glow(document.getElementsByClassName('a b'))", '.a.b', 'list', false],
    ["glow(document.getElementsByTagName('a'))", 'a', 'list', false],
    ["glow([...document.querySelectorAll('.a')])", '.a', 'list', true],
    ["glow(Array.from(document.querySelectorAll('.a')))", '.a', 'list', true],
    ["const links = document.querySelectorAll('.a'); glow(links)", '.a', 'list', true],
    ["var wanted = '.a'; var links = document.querySelector(wanted); glow(links)", null, null, false],
    ["var wanted = '.a'; glow(wanted)", '.a', 'selector', true],
    ["var wanted = '.a'; wanted = '.b'; glow(wanted)", null, null, false],
    ['function begin(wanted) { glow(wanted) }', null, null, false],
    ["glow(box.querySelector('.a'))", null, null, false],
    ['glow([a, b])', null, null, false],
    ['glow()', null, null, false],
  ])('%s', (text, selector, handed, isPlain) => {
    const call = callIn(text);
    expect([call?.text, call?.handed]).toEqual([selector, handed]);
    const at = call?.textAt;
    expect(at === null || at === undefined ? null : text.slice(at.start + 1, at.end - 1)).toBe(
      isPlain ? selector : null,
    );
  });
});

it('options that are kept under a name are those of the call', () => {
  expect(callIn("var set = { speed: 3, loop: true }; glow('.a', set)")?.options).toEqual({ speed: 3, loop: true });
});

describe('options with what holds without them', () => {
  const defaultsOf = (text: string) => {
    const reading = readScript(text);
    if (!reading.ok) throw new Error(reading.reason);
    return Object.fromEntries(reading.defaults.map(({ name, value }) => [name, value]));
  };

  it.each([
    ['x = $.extend({ speed: 3 }, options)', { speed: 3 }],
    ['x = Object.assign({}, byItself, options); var byItself = { speed: 3 }', { speed: 3 }],
    ['const byItself = { speed: 3 }; const set = { ...byItself, ...options }', { speed: 3 }],
    ['const set = { speed: 3, ...options }', { speed: 3 }],
    ['const set = { ...options, speed: 3 }', {}],
    ['function glow(links, { speed = 3, loop = !1 } = {}) {}', { speed: 3, loop: false }],
    ['function glow(links, options) { if (!options || options.counter !== false) count() }', { counter: true }],
    ['function glow(links, o) { o = o || {}; if (o.loop === true) round() }', { loop: false }],
    [
      'var B = { speed: 3, bind: function (s, o) { if (o && o.speed !== undefined) this.speed = o.speed } }',
      { speed: 3 },
    ],
    ['function glow(links, place) { if (!place) return; place.append(links) }', {}],
    ['addEventListener("click", function (a, event) { if (event.key === "x") go() })', {}],
    ['Object.assign({ speed: 3 })', {}],
  ])('%s', (text, expected) => expect(defaultsOf(text)).toEqual(expected));
});

describe('what is set before a call', () => {
  const settingsOf = (text: string) => {
    const reading = readScript(text);
    if (!reading.ok) throw new Error(reading.reason);
    return reading.settings.map(({ of, name, value, statement }) => [of, name, value, statement !== null]);
  };

  it.each([
    ['Beam.counter = false;', [['Beam', 'counter', false, true]]],
    ['window.Beam.counter = false', [['Beam', 'counter', false, true]]],
    ['$.fn.glow.defaults.speed = 3', [['$.fn.glow.defaults', 'speed', 3, true]]],
    [
      'jQuery.fn.glow.defaults = { speed: 3, on: go }',
      [
        ['$.fn.glow.defaults', 'speed', 3, true],
        ['$.fn.glow.defaults', 'on', null, true],
      ],
    ],
    [
      'Beam.a = 1, Beam.b = 2',
      [
        ['Beam', 'a', 1, false],
        ['Beam', 'b', 2, false],
      ],
    ],
    ['Beam[name] = 1; this.a = 1; f().a = 1; Beam.a += 1', []],
  ])('%s', (text, expected) => expect(settingsOf(text)).toEqual(expected));
});

describe('alt text that is only handed on is no caption', () => {
  it.each([
    ['large.alt = small.alt', false],
    ["large.attr('alt', small.attr('alt') || '')", false],
    ["$('<img>', { alt: small.attr('alt') })", false],
    ['large.alt = small ? small.alt : ""', false],
    ['words.textContent = small.alt', true],
    ['words.textContent = link.title || small.alt', true],
  ])('%s', (text, isRead) => {
    const reading = readScript(text);
    const reads = reading.ok
      ? reading.attributes.filter(({ name, by }) => name === 'alt' && by !== 'setAttribute')
      : [];
    expect(reads.length > 0).toBe(isRead);
  });
});
