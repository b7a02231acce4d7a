import { describe, expect, it } from 'vitest';
import { asked, linked, listPage, siteOf } from './asked.fixture.ts';
import type { Intent } from './intent.ts';
import { patternTrouble, type PatternValues, textBy } from './textPattern.ts';

const VALUES: PatternValues = {
  name: 'p1',
  number: 3,
  title: 'Delta',
  caption: '',
  alt: 'A delta kite',
  credit: 'Kite Circle',
  copyright: '',
  tags: ['red', 'tall'],
  takenAt: '2026-06-20T10:00:00',
  capture: { camera: 'Box 1' },
  place: 'the mere',
};

const text = (pattern: string, more: Partial<PatternValues> = {}, language = 'en') => {
  const made = textBy(pattern, { ...VALUES, ...more }, language);
  return made.ok ? made.text : made.reason;
};

describe('a pattern of texts', () => {
  it.each([
    ['{title}, {month} {year}', 'Delta, June 2026'],
    ['{number}. {title} at {place} ({day})', '3. Delta at the mere (June 20, 2026)'],
    ['{tags}: {alt} · {camera}', 'red, tall: A delta kite · Box 1'],
    ['{title}[ – {caption}][, {place}]', 'Delta, the mere'],
    ['[{lens}]{caption}', 'Nobody knows its caption.'],
    ['[{lens}]', 'Nothing of the pattern is known.'],
    ['© {year} {credit}', '© 2026 Kite Circle'],
  ])('%s gives %s', (pattern, made) => expect(text(pattern)).toBe(made));

  it('says days and months as the language of the page does', () => {
    expect(text('{day}', {}, 'de')).toBe('20. Juni 2026');
    expect(text('{month}', { takenAt: '2026-06' }, 'fr')).toBe('juin');
    expect(text('{day}', { takenAt: '2026-06' })).toBe('Nobody knows the day it was taken.');
    expect(text('{month}', {}, 'no such language')).toBe('2026-06');
    expect(text('{title}', { title: '{year} [x]' })).toBe('{year} [x]');
  });

  it.each([
    ['', 'The pattern is empty.'],
    ['{colour}', '“{colour}” is not known'],
    ['{title', 'A brace is open or closed alone.'],
    ['[{title}', 'A square bracket is not closed.'],
    ['[[{title}]]', 'Square brackets stand in pairs'],
    [']{title}[', 'Square brackets stand in pairs'],
  ])('%s is refused', (pattern, says) => expect(patternTrouble(pattern)).toContain(says));
});

const FACTS = { A: { takenAt: '2026-06-20T10:00:00' }, B: {} };
const item = (name: string, caption: string) => linked(name).replace('</a>', `</a> <p>${caption}</p>`);
const page = (items: string[]) => listPage(items).replace('<html>', '<html lang="de">');
const PAGE = page([item('a', ''), item('b', 'The b <b>x</b>'), item('a', 'Mine')]);

const FILES = { 'a.jpg': 'A', 't/a.jpg': 'ta', 'b.jpg': 'B', 't/b.jpg': 'tb', 'one.html': PAGE };

const wish = (more: Partial<Extract<Intent, { kind: 'texts-by-rule' }>> = {}): Intent => ({
  kind: 'texts-by-rule',
  paths: ['a.jpg', 'b.jpg'],
  field: 'caption',
  pattern: '{place}, {month} {year}',
  place: 'Tarrowby & mere',
  onlyEmpty: true,
  ...more,
});

describe('texts by a rule', () => {
  it('are written into items that have a place for them, and noted of the pictures', () => {
    const outcome = asked(siteOf(FILES, { facts: FACTS }), wish());
    expect(outcome).toMatchObject({
      label: 'Write captions of 1 picture by a rule',
      files: {
        'one.html': page([item('a', 'Tarrowby &amp; mere, Juni 2026'), item('b', 'The b <b>x</b>'), item('a', 'Mine')]),
      },
      notes: { words: { A: { caption: 'Tarrowby & mere, Juni 2026' } } },
    });
  });

  it('take the place of others where that is wanted', () => {
    const outcome = asked(siteOf(FILES, { facts: FACTS }), wish({ onlyEmpty: false, pattern: '{number} {year}' }));
    expect(outcome).toMatchObject({
      files: { 'one.html': page([item('a', '1 2026'), item('b', 'The b <b>x</b>'), item('a', '1 2026')]) },
    });
  });

  it('may be credits, which stand with the pictures', () => {
    const outcome = asked(siteOf(FILES, { facts: FACTS }), wish({ field: 'credit', pattern: '{place}' }));
    expect(outcome).toMatchObject({ files: {}, notes: { words: { A: { credit: 'Tarrowby & mere' } } } });
  });

  it('are refused where nothing would be said', () => {
    expect(asked(siteOf(FILES), wish())).toBe('None of these pictures would say anything else.');
    expect(asked(siteOf(FILES), wish({ pattern: '{x}' }))).toContain('“{x}” is not known');
  });
});
