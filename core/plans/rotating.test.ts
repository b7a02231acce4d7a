/** A picture that is rotated: what is made of it, what is noted, what pages say of its size, and the way back. */
import { describe, expect, it } from 'vitest';
import { dueTasks, rotationTasks, type SiteReading } from '../model/index.ts';
import { DEFAULT_RECIPE, type Rotation, UNROTATED } from '../photo/index.ts';
import { patterned } from '../photo/patterned.fixture.ts';
import { applyChange, known, NOTES_FILE, type SiteNotes } from '../site/index.ts';
import { linked, listPage, outcomeOf, PICTURES, siteOf } from './asked.fixture.ts';
import { type MadeFile, placeMade, readyTasks } from './putMade.ts';
import { rotationAsked } from './rotation.ts';

const SIZED = linked('a').replace('<img ', '<img width="60" height="40" ');
const PAGE = listPage([SIZED, linked('b'), linked('c')]);
const PAIRS = ['a', 'b', 'c'].map((name) => ({ small: `t${name}`, large: name.toUpperCase(), belong: true }));
const FACTS = Object.fromEntries(['A', 'ta', 'B', 'tb', 'C', 'tc'].map((hash) => [hash, {}]));
const QUARTER: Rotation = { quarters: 1, degrees: 0 };

const site = (notes: Partial<SiteNotes> = {}, page = PAGE, facts = {}) =>
  siteOf({ 'index.html': page, ...PICTURES }, { notes: { decisions: PAIRS, ...notes }, facts: { ...FACTS, ...facts } });

const pairOf = ({ pairing }: SiteReading, full: string) =>
  known(
    pairing.pairs.find((pair) => pair.full === full),
    full,
  );

/** All that is made of a picture, as a worker would: contents are named after what they come from. */
function madeOf(of: SiteReading, full: string, rotation: Rotation): MadeFile[] {
  const side = rotation.quarters % 2 === 0 ? { width: 60, height: 40 } : { width: 40, height: 60 };
  return readyTasks(of, rotationTasks(of, pairOf(of, full), rotation)).map(({ source, already: _, ...task }) => ({
    task,
    source,
    hash: `${task.as} of ${source} by ${rotation.quarters * 90 + rotation.degrees}`,
    bytes: 1,
    ...side,
  }));
}

const rotated = (of: SiteReading, full: string, rotation: Rotation) =>
  outcomeOf(of, placeMade(of, madeOf(of, full, rotation)));

/** The site once it is rotated. */
function after(of: SiteReading, full: string, rotation: Rotation, facts = {}): SiteReading {
  const planned = placeMade(of, madeOf(of, full, rotation));
  if (!planned.ok) throw new Error(planned.reason);
  const { file } = of.notes;
  const files = new Map([...of.files, ...(file ? [[NOTES_FILE, file] as const] : [])]);
  const applied = applyChange(files, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  const texts = [...applied.files].map(([path, content]) => [
    path,
    content.kind === 'text' ? content.text : content.hash,
  ]);
  const { [NOTES_FILE]: notes = '{}', ...rest } = Object.fromEntries(texts) as Record<string, string>;
  return siteOf(rest, { notes: JSON.parse(notes) as SiteNotes, facts: { ...FACTS, ...facts } });
}

describe('a rotated picture', () => {
  it('is made anew in all its sizes, and says in pages how large it is now', () => {
    expect(rotated(site(), 'a.jpg', QUARTER)).toMatchObject({
      label: 'Rotate a.jpg',
      files: {
        'a.jpg': 'full-size of A by 90',
        't/a.jpg': 'thumbnail of A by 90',
        'index.html': PAGE.replace('width="60" height="40"', 'width="40" height="60"'),
      },
      notes: { rotations: { A: QUARTER } },
    });
  });

  it('keeps a width that the page fixes', () => {
    const fixed = PAGE.replace('width="60" height="40"', "width='150' height=100");
    expect(rotated(site({}, fixed), 'a.jpg', QUARTER)).toMatchObject({
      files: { 'index.html': PAGE.replace('width="60" height="40"', "width='150' height=225") },
    });
    // What was squeezed before is as its author wanted it.
    const squeezed = PAGE.replace('width="60" height="40"', 'width="80" height="80"');
    expect(rotated(site({}, squeezed), 'a.jpg', QUARTER)).not.toHaveProperty('files.index.html');
  });

  const now = { 'full-size of A by 90': { width: 40, height: 60 }, 'thumbnail of A by 90': { width: 40, height: 60 } };

  it('is asked for once, and made from its original whatever comes later', () => {
    const once = after(site(), 'a.jpg', QUARTER, now);
    const dues = (of: SiteReading) => dueTasks(of).filter(({ from }) => from === 'a.jpg');
    expect(dues(once)).toEqual([]);
    const other = { ...once, recipe: { ...DEFAULT_RECIPE, thumbnail: { ...DEFAULT_RECIPE.thumbnail, width: 99 } } };
    expect(readyTasks(other, dues(other))).toMatchObject([
      { as: 'thumbnail', source: 'A', rotation: QUARTER, already: QUARTER },
    ]);
    const further = { quarters: 2, degrees: -1.5 };
    expect(rotated(once, 'a.jpg', further)).toMatchObject({
      files: { 'a.jpg': 'full-size of A by 178.5', 't/a.jpg': 'thumbnail of A by 178.5' },
      notes: { rotations: { A: further } },
    });
  });

  it('comes back upright', () => {
    const back = rotated(after(site(), 'a.jpg', QUARTER, now), 'a.jpg', UNROTATED);
    expect(back).toMatchObject({
      label: 'Rotate a.jpg',
      files: { 'a.jpg': 'full-size of A by 0', 'index.html': PAGE },
      notes: { rotations: {} },
    });
  });

  it('takes the point about which it is cut along', () => {
    const focus = { A: { x: 0.2, y: 0.9 } };
    const of = site({ focus });
    const [task] = readyTasks(of, rotationTasks(of, pairOf(of, 'a.jpg'), QUARTER));
    expect(task?.focus).toEqual({ x: 1 - 0.9, y: 0.2 });
    expect(rotated(of, 'a.jpg', QUARTER)).toMatchObject({
      notes: { focus: { A: { x: 1 - 0.9, y: 0.2 }, 'full-size of A by 90': { x: 1 - 0.9, y: 0.2 } } },
    });
    const again = after(of, 'a.jpg', QUARTER, now);
    const [back] = readyTasks(again, rotationTasks(again, pairOf(again, 'a.jpg'), UNROTATED));
    expect(back?.focus.x).toBeCloseTo(0.2, 9);
    expect(back?.focus.y).toBeCloseTo(0.9, 9);
  });

  it('is not due again because what was made of it has its detail a little elsewhere', () => {
    const recipe = {
      ...DEFAULT_RECIPE,
      thumbnail: { ...DEFAULT_RECIPE.thumbnail, width: 30, height: 30, shape: 'crop' },
    };
    const luma = Object.fromEntries(['A', 'full-size of A by 90'].map((hash, n) => [hash, { luma: patterned(n + 1) }]));
    const of = site({ recipe }, PAGE, luma);
    const made = { ...now, 'full-size of A by 90': { width: 40, height: 60, ...luma['full-size of A by 90'] } };
    const once = after(of, 'a.jpg', QUARTER, made);
    expect(dueTasks(once).filter(({ from }) => from === 'a.jpg')).toEqual([]);
    // Once somebody says where, it is.
    const notes = { ...once.notes.known, focus: { A: { x: 0.1, y: 0.1 } } };
    expect(dueTasks({ ...once, notes: { ...once.notes, known: notes } }).map(({ as }) => as)).toContain('thumbnail');
  });

  it('is refused whole where only its thumbnail could be made', () => {
    const clear = site({}, PAGE, { A: { clear: true } });
    expect(rotationAsked(clear, 'a.jpg', QUARTER)).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/^a\.jpg has clear parts/),
    });
    const decided = site({ recipe: { ...DEFAULT_RECIPE, clear: 'white' } }, PAGE, { A: { clear: true } });
    expect(rotationAsked(decided, 'a.jpg', QUARTER)).toMatchObject({ ok: true });
    expect(rotationAsked(clear, 'gone.jpg', QUARTER)).toMatchObject({ reason: 'There is no gone.jpg any more.' });
  });

  it('is rotated though its recipe asks for nothing, and no other is', () => {
    const of = site({
      rotations: { A: { quarters: 2, degrees: 0 }, B: 'no rotation', C: { quarters: 9, degrees: 0 } },
    });
    expect(dueTasks(of).map(({ to }) => to)).toEqual(['a.jpg']);
  });
});
