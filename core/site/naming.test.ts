import { describe, expect, it } from 'vitest';
import { nameByPattern, tidyName } from './naming.ts';

describe('a tidy name', () => {
  it.each([
    ['Été à la mère', 'ete-a-la-mere'],
    ['Große  Straße', 'grosse-strasse'],
    ['a + b & c, d; e', 'a-b-c-d-e'],
    ['what?! (1)', 'what-1'],
    ['a--b---c', 'a-b-c'],
    ['--.a.b_c-..', 'a.b_c'],
    ['Кайт 2', 'кайт-2'],
    ['한국', '한국'],
    ['ПОЕЗД № 5 ½', 'поезд-5-½'],
    ['“”', ''],
  ])('%s → %s', (name, tidy) => expect(tidyName(name)).toBe(tidy));
});

describe('a name by a pattern', () => {
  const parts = { name: 'reel $& box', number: 7, takenAt: '2026-06-14T10:12:13' };
  const known = '{name}, {number}, {number:3}, {date}';

  it.each([
    ['{name}', 'reel $& box'],
    ['{name}-{name}', 'reel $& box-reel $& box'],
    ['k{number}', 'k7'],
    ['k{number:3}-{number:2}', 'k007-07'],
    [' {date} {number} ', '2026-06-14 7'],
    ['{date}{date}', '2026-06-142026-06-14'],
    ['kite}', 'kite}'],
  ])('%s → %s', (pattern, name) => expect(nameByPattern(pattern, parts)).toEqual({ ok: true, name }));

  it.each([
    ['{day}', `“{day}” is not known; use ${known}.`],
    ['a{name', `“{name” is not known; use ${known}.`],
    ['{number:12}', `“{number:12}” is not known; use ${known}.`],
    ['{number:x}', `“{number:x}” is not known; use ${known}.`],
    ['{dated}', `“{dated}” is not known; use ${known}.`],
    ['  ', 'The pattern gives no name.'],
    ['a/b', '“a/b” holds a character that file names cannot have.'],
    ['a\\b', '“a\\b” holds a character that file names cannot have.'],
    ['a:b', '“a:b” holds a character that file names cannot have.'],
  ])('%s is refused: %s', (pattern, reason) => expect(nameByPattern(pattern, parts)).toEqual({ ok: false, reason }));

  it('needs a date only where it is asked for', () => {
    const undated = { ...parts, takenAt: null };
    expect(nameByPattern('{date}', undated)).toEqual({
      ok: false,
      reason: 'reel $& box does not say when it was taken.',
    });
    expect(nameByPattern('{number}', undated)).toEqual({ ok: true, name: '7' });
  });
});
