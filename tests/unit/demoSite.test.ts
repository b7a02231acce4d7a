/**
 * The whole reading of the demo site without a browser: faults, fixes, strands, wiring, and what other parsers say of
 * its outcome.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { findingsOf, RULES } from '../../core/checks/index.ts';
import { readSite, type SiteReading } from '../../core/model/index.ts';
import { planFor } from '../../core/plans/index.ts';
import { parcelOf } from '../../core/pack/index.ts';
import { applyChange, type FileContent } from '../../core/site/index.ts';
import { viewOf } from '../../core/view/index.ts';
import { matches } from '../../core/markup/index.ts';
import { lettersApart, readManifest, readScript, type Kit } from '../../core/wiring/index.ts';
import { kitNamed } from '../kits.ts';
import { withAllPictures } from '../../demo/allPictures.ts';
import { FAULTS } from '../../demo/faults.ts';
import { PICTURES, THUMBNAILS } from '../../demo/pictures.ts';

const read = (path: string) => readFileSync(new URL(path, import.meta.url), 'utf8');

const lightbox = (): Kit => kitNamed('lightbox');
const kits = (): Kit[] => [lightbox(), kitNamed('filter')];

function demoFiles(): Map<string, FileContent> {
  const files = new Map<string, FileContent>();
  const root = new URL('../../demo/site/', import.meta.url);
  for (const name of readdirSync(root, { recursive: true, encoding: 'utf8' }))
    if (/\.\w+$/.test(name)) files.set(name, { kind: 'text', text: readFileSync(new URL(name, root), 'utf8') });
  for (const kit of kits())
    for (const [name, text] of Object.entries(kit.files)) files.set(`viewer/${name}`, { kind: 'text', text });
  for (const { path } of [...PICTURES, ...THUMBNAILS]) files.set(path, { kind: 'binary', hash: path, bytes: 1000 });
  return withAllPictures(files, new Map(), kits());
}

const site = (files: Map<string, FileContent>): SiteReading => readSite(files, new Map(), kits());

describe('the demo site as text', () => {
  const files = demoFiles();
  const reading = site(files);
  const findings = findingsOf(reading);
  // Weight and another picture's thumbnail are seen in the pixels, which this test has not.
  const byText = FAULTS.filter((fault) => !['too-large', 'another-picture'].includes(fault.rule));

  it('has its planted faults as findings at their lines, and no other', () => {
    const found = findings.map(({ rule, place }) => `${rule} ${place.path}:${place.line}`).sort();
    const planted = byText
      .map(
        ({ rule, page, line }) =>
          `${rule} ${page}:${
            read(`../../demo/site/${page}`)
              .split('\n')
              .findIndex((text) => text.includes(line)) + 1
          }`,
      )
      .sort();
    expect(found).toEqual(planted);
  });

  it.each(byText.filter((fault) => fault.fix !== null && !/^.*(?:Create the|Reduce the)/.test(fault.fix.source)))(
    '$rule is mended by its fix, which is taken back to the letter',
    ({ rule, fix }) => {
      const finding = findings.find((one) => one.rule === rule);
      const n = finding?.fixes.findIndex((one) => fix?.test(one.label)) ?? -1;
      const planned = planFor(reading, { kind: 'fix', finding: finding?.id ?? '', fix: n });
      if (!planned.ok) throw new Error(planned.reason);
      const applied = applyChange(files, planned.change);
      if (!applied.ok) throw new Error(applied.reason);
      expect(
        findingsOf(site(applied.files))
          .map((one) => one.rule)
          .sort(),
      ).toEqual(
        findings
          .map((one) => one.rule)
          .filter((one) => one !== rule)
          .sort(),
      );
      const back = applyChange(applied.files, applied.inverse);
      expect(back.ok && new Map([...back.files].sort())).toEqual(new Map([...files].sort()));
    },
  );

  it('wires a page from nothing and finds nothing left to do', () => {
    const bare = new Map(files);
    const text = read('../../demo/site/workshop.html')
      .replace(/^<(link rel="stylesheet" href="viewer|script).*\n/gm, '')
      .replace(/ data-enla\w+(-group="workshop")?/g, '');
    bare.set('workshop.html', { kind: 'text', text });
    bare.delete('viewer/lightbox.js');
    bare.delete('viewer/lightbox.css');
    const before = site(bare);
    const planned = planFor(before, { kind: 'wire', page: 'workshop.html' });
    if (!planned.ok) throw new Error(planned.reason);
    const applied = applyChange(bare, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    const after = site(applied.files);
    const page = after.pages.find((one) => one.path === 'workshop.html');
    // The eighth link leads to a page and is no picture's to mark.
    expect(page?.wiring.main?.claimed.size).toBe(7);
    expect(page?.strands[0]?.filter((strand) => strand.joints[3]?.state === 'whole')).toHaveLength(7);
    const again = planFor(after, { kind: 'wire', page: 'workshop.html' });
    expect(again).toEqual({ ok: false, reason: expect.stringContaining('wired already') });
  });

  it('has a story that says what its Markdown says, with groups of five kinds', () => {
    const { pages } = viewOf(site(files));
    const story = pages.find(({ path }) => path === 'story.html');
    expect(story?.text).toEqual({ source: 'story.md', state: 'same' });
    expect(story?.groups.map(({ shown, fulls }) => `${shown?.as} ${fulls.length}`)).toEqual([
      'grid 3',
      'right 1',
      'large 1',
      'wide 1',
      'still 1',
    ]);
    expect(story?.groups.every(({ inText }) => inText !== null)).toBe(true);
  });

  it('has a page of all pictures that brings in what is mended, in the same change', () => {
    const shown = (text: string) => [...text.matchAll(/<a href="photos\/large\/([^"]*)"/g)].map(([, name]) => name);
    const before = files.get('pictures.html');
    expect(before?.kind === 'text' && shown(before.text)).toHaveLength(18);
    const finding = findings.find(({ rule }) => rule === 'link-opens-page');
    const planned = planFor(reading, { kind: 'fix', finding: finding?.id ?? '', fix: 0 });
    if (!planned.ok) throw new Error(planned.reason);
    const applied = applyChange(files, planned.change);
    const after = applied.ok ? applied.files.get('pictures.html') : undefined;
    expect(after?.kind === 'text' && shown(after.text)).toContain('spar-splice.jpg');
    expect(after?.kind === 'text' && shown(after.text)).toHaveLength(19);
  });

  it('adds the four pairs that stand on no page, in the page’s own pattern', () => {
    const pairs = viewOf(reading).pairs.filter((pair) => pair.thumbnail && pair.usedOn.length === 0);
    expect(pairs.map((pair) => pair.name)).toEqual(['glue-pot', 'sewing-seams', 'spare-spars', 'tail-bows']);
    const planned = planFor(reading, {
      kind: 'add-pictures',
      page: 'workshop.html',
      gallery: 0,
      pictures: pairs.map((pair) => ({
        thumbnail: pair.thumbnail ?? '',
        full: pair.full,
        title: pair.words.title,
        alt: '',
        caption: pair.words.title,
      })),
    });
    if (!planned.ok) throw new Error(planned.reason);
    const [edit] = planned.change.files;
    expect(edit?.kind === 'edit' && edit.edits).toHaveLength(1);
    expect(edit?.kind === 'edit' && edit.edits[0]?.text).toContain(
      '\n\n  <p class="shot"><a href="photos/large/glue-pot.jpg" data-enlarge data-enlarge-group="workshop" title="Glue pot">\n    <img src="photos/small/glue-pot.jpg"',
    );
  });

  it('packs the site’s own files and names what no page uses', () => {
    const parcel = parcelOf(site(new Map([...files, ['heathmoor.json', { kind: 'text', text: '{}' }]])));
    expect(parcel.some((entry) => entry.path === 'heathmoor.json')).toBe(false);
    expect(
      parcel.filter((entry) => entry.unused && entry.path.startsWith('photos/small/')).map((entry) => entry.path),
    ).toEqual([
      'photos/small/glue-pot.jpg',
      'photos/small/sewing-seams.jpg',
      'photos/small/spare-spars.jpg',
      'photos/small/tail-bows.jpg',
    ]);
  });

  it('has a rule for each planted fault', () =>
    expect(RULES.map((rule) => rule.id)).toEqual(expect.arrayContaining(FAULTS.map((fault) => fault.rule))));

  it('crosses to the interface as plain data', () => expect(structuredClone(viewOf(reading))).toEqual(viewOf(reading)));
});

describe('wiring', () => {
  it('reads calls, their selectors, and whether they wait', () => {
    const reading = readScript(
      "(function(){ window.startLightbox('a.open'); document.addEventListener('x', () => startLightbox({ loop: true })); })()",
    );
    expect(reading).toMatchObject({ ok: true, gives: [] });
    expect(reading.ok && reading.calls.filter(({ name }) => name === 'startLightbox')).toMatchObject([
      { way: 'function', text: 'a.open', at: 13, immediate: true, options: {} },
      { way: 'function', text: null, immediate: false, options: { loop: true } },
    ]);
  });

  it('knows the definition in the lightbox itself', () => {
    const reading = readScript(lightbox().files['lightbox.js'] ?? '');
    expect(reading.ok && reading.gives.map(({ name }) => name)).toEqual(['startLightbox']);
  });

  it('says where a script does not parse', () =>
    expect(readScript('startLightbox(;')).toMatchObject({ ok: false, at: 14 }));

  it('matches selectors over the page and reports a broken one', () => {
    const page = site(demoFiles()).pages.find((one) => one.path === 'festival.html')!;
    expect(matches(page.document, 'ul.meadow > li a[data-enlarge-group]')).toMatchObject({
      ok: true,
      elements: { length: 11 },
    });
    expect(matches(page.document, 'li:nth-child(2) img')).toMatchObject({ ok: true, elements: { length: 1 } });
    expect(matches(page.document, 'a[').ok).toBe(false);
  });

  it('counts letters that are swapped as one slip', () =>
    expect([lettersApart('data-enlagre', 'data-enlarge'), lettersApart('title', 'data-enlarge')]).toEqual([1, 9]));

  it('refuses a manifest with the place of the mistake', () =>
    expect(readManifest({ name: 'x' })).toEqual({ ok: false, reason: expect.stringMatching(/^kit\.json, title:/) }));
});
