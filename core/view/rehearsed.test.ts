import { expect, it } from 'vitest';
import type { Strand } from '../model/index.ts';
import type { Sight, WindowName } from '../wiring/index.ts';
import { rehearsalFindings, type SightOf } from './rehearsed.ts';

const strand = (name: string, line: number) =>
  ({ id: name, name, lines: { first: line, last: line }, range: { start: line * 10, end: line * 10 + 5 } }) as Strand;

const SIGHT: Sight = {
  rule: 'rehearsal-blurred',
  severity: 'warning',
  about: 'page',
  says: 'A file of 150 px fills 1120 px',
  why: 'It looks blurred.',
};

const seen = (name: string, window: WindowName, sight: Partial<Sight> = {}): SightOf => ({
  strand: strand(name, name.length),
  window,
  sight: { ...SIGHT, ...sight },
});

it('is one finding for each matter, at the first picture that has it', () => {
  const all = [
    seen('kite', 'desktop'),
    seen('meadow', 'desktop'),
    seen('kite', 'phone'),
    seen('kite', 'phone', { about: 'viewer' }),
    seen('kite', 'phone', { severity: 'unconfirmed' }),
  ];
  const found = rehearsalFindings('index.html', all, false);
  expect(found.map(({ says, place, strand: id, severity }) => ({ says, place, id, severity }))).toEqual([
    {
      says: 'A file of 150 px fills 1120 px (kite and 1 other, desktop and phone)',
      place: { path: 'index.html', line: 4, start: 40, end: 45 },
      id: 'kite',
      severity: 'warning',
    },
    {
      says: 'A file of 150 px fills 1120 px (kite, phone)',
      place: { path: 'index.html', line: 4, start: 40, end: 45 },
      id: 'kite',
      severity: 'warning',
    },
  ]);
  expect(new Set(found.map(({ id }) => id)).size).toBe(2);
});

it('says where something has changed since', () => {
  const [one] = rehearsalFindings('index.html', [seen('kite', 'phone')], true);
  expect(one?.why).toBe('It looks blurred. Seen before the last change: rehearse the page again.');
});
