/** What was said of a picture goes along when its file gets another name, or gives way to another one. */
import { describe, expect, it } from 'vitest';
import type { PhotoFacts } from '../photo/index.ts';
import type { SiteNotes } from '../site/index.ts';
import { asked, linked, listPage, PICTURES, siteOf } from './asked.fixture.ts';

const DATED = 'IMG_20240511_103344.jpg';

const site = (facts: Record<string, Partial<PhotoFacts>>, notes: Partial<SiteNotes> = {}) =>
  siteOf(
    { 'index.html': listPage(['a', 'b', 'c'].map((name) => linked(name))), ...PICTURES, [DATED]: 'D' },
    { notes, facts },
  );

const renamed = (of: ReturnType<typeof site>, to: string) => {
  const outcome = asked(of, { kind: 'rename', from: DATED, to });
  return typeof outcome === 'string' ? outcome : outcome.notes;
};

describe('a date that only a file’s name says', () => {
  it('is noted when the file gets a name without it', () =>
    expect(renamed(site({ D: {} }, { words: { D: { title: 'T' } } }), 'lake.jpg')).toEqual({
      words: { D: { title: 'T', takenAt: '2024-05-11T10:33:44' } },
    }));

  it.each<[string, Record<string, Partial<PhotoFacts>>, Partial<SiteNotes>, string]>([
    ['the new name says it too', { D: {} }, {}, 'lake 20240511-103344.jpg'],
    ['the file says one itself', { D: { takenAt: '2024-05-10T09:00:00' } }, {}, 'lake.jpg'],
    ['somebody has said one', { D: {} }, { words: { D: { takenAt: '2024-05-09' } } }, 'lake.jpg'],
    ['nobody has read the file yet', {}, {}, 'lake.jpg'],
  ])('is not where %s', (_why, facts, notes, to) => expect(renamed(site(facts, notes), to)).toEqual({}));
});

describe('a copy that is deleted', () => {
  const deleted = (facts: Record<string, Partial<PhotoFacts>>, notes: Partial<SiteNotes> = {}, from = 'b.jpg') => {
    const outcome = asked(site(facts, notes), { kind: 'merge', from, into: 'a.jpg' });
    return typeof outcome === 'string' ? outcome : outcome.notes;
  };

  it('leaves what was said of it to the one that stays, where that says nothing', () =>
    expect(
      deleted(
        { A: { words: { caption: 'Of A' } }, B: { words: { caption: 'Of B', credit: 'B' } } },
        { words: { B: { alt: 'Seen' } }, tags: { B: ['red'] }, placeKept: ['B'] },
      ),
    ).toEqual({
      words: { A: { credit: 'B', alt: 'Seen' }, B: { alt: 'Seen' } },
      tags: { A: ['red'], B: ['red'] },
    }));

  it('leaves the date that its name says', () =>
    expect(deleted({ A: {}, D: {} }, {}, DATED)).toEqual({ words: { A: { takenAt: '2024-05-11T10:33:44' } } }));

  it('takes nothing from what was noted of the other', () =>
    expect(deleted({}, { words: { A: { alt: 'Own' }, B: { alt: 'Other' } } })).toEqual({}));
});
