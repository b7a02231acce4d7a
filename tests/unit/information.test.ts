/** Picture information: what cameras note, written at each link in the language of the page. */
import { describe, expect, it } from 'vitest';
import { readSite, type SiteReading } from '../../core/model/index.ts';
import { informationFields, planFor, type Intent } from '../../core/plans/index.ts';
import { applyChange, type FileContent } from '../../core/site/index.ts';
import { INFORMATION_FIELDS, informationOf } from '../../core/plans/informationText.ts';
import { languagesKnown } from '../../core/wiring/words/languages.ts';
import { KITS } from '../kits.ts';
import { FACTS, kitFiles, NAMES, wiredPage } from '../wiring/faults.fixture.ts';

const SAID = {
  takenAt: '2021-06-05T14:30:00',
  camera: 'Moor 5',
  lens: '35 mm; f/2',
  seconds: 0.004,
  aperture: 8,
  iso: 100,
  focalLength: 35,
  credit: 'The circle',
  copyright: '© 2021',
};

describe('as a viewer shows it', () => {
  it('names each field, in the language of the page', () => {
    expect(informationOf(SAID, INFORMATION_FIELDS, 'en-GB')).toBe(
      'Taken: June 5, 2021; Camera: Moor 5; Lens: 35 mm, f/2; Exposure: 1/250 s, f/8, ISO 100, 35 mm; Credit: The circle; Copyright: © 2021',
    );
    expect(informationOf(SAID, ['exposure', 'taken'], 'de')).toBe(
      'Aufgenommen: 5. Juni 2021; Belichtung: 1/250 s, f/8, ISO 100, 35 mm',
    );
    expect(informationOf(SAID, ['taken'], 'nn')).toMatch(/^Tatt: 5/);
  });

  it('leaves out what no file says, or what is no date', () => {
    expect(informationOf({ takenAt: 'yesterday', seconds: 0 }, INFORMATION_FIELDS, '')).toBe('');
    expect(informationOf({ seconds: 2.5 }, ['exposure'], '')).toBe('Exposure: 2.5 s');
    expect(informationOf({ aperture: 5.6 }, ['exposure', 'camera'], '')).toBe('Exposure: f/5.6');
  });

  it('knows the languages that the words of viewers know', () => {
    for (const language of languagesKnown)
      expect(informationOf({ camera: 'x', lens: 'y' }, ['camera', 'lens'], language), language).not.toMatch(/^Lens/);
    expect(languagesKnown.filter((one) => informationOf(SAID, ['taken'], one).startsWith('Taken:'))).toEqual([]);
  });
});

const WHERE = { page: 'index.html', gallery: 0, kit: 'lightbox' };

function siteWith(html: string): SiteReading {
  const pictures = NAMES.flatMap((name) => [`small/${name}.jpg`, `large/${name}.jpg`]);
  const texts = { 'index.html': html, ...kitFiles('lightbox'), ...kitFiles('slideshow') };
  const files = new Map<string, FileContent>([
    ...Object.entries(texts).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]),
    ...pictures.map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 1000 }]),
  ]);
  const { takenAt, credit, copyright, ...capture } = SAID;
  const facts = new Map(
    [...FACTS].map(([hash, one]) => [
      hash,
      hash === 'large/mere.jpg' ? { ...one, takenAt, capture, words: { credit, copyright } } : one,
    ]),
  );
  return readSite(files, facts, KITS);
}

function written(site: SiteReading, intent: Intent): string {
  const planned = planFor(site, intent);
  if (!planned.ok) return planned.reason;
  const applied = applyChange(site.files, planned.change);
  if (!applied.ok) return applied.reason;
  const page = applied.files.get('index.html');
  return page?.kind === 'text' ? page.text : '';
}

describe('written into the page', () => {
  const html = wiredPage('lightbox').replaceAll('\n', '\r\n');
  const wish = (fields: (typeof INFORMATION_FIELDS)[number][]): Intent => ({
    kind: 'write-information',
    ...WHERE,
    fields,
  });

  it('is an attribute of each link whose file says something, and is taken away to the byte', () => {
    const site = siteWith(html);
    expect(informationFields(site, 'index.html', 0)).toEqual([...INFORMATION_FIELDS]);
    const now = written(site, wish(['camera', 'copyright']));
    const attribute = ' data-enlarge-info="Camera: Moor 5; Copyright: © 2021"';
    expect(now.split(attribute)).toHaveLength(2);
    expect(now.replace(attribute, '')).toBe(html);
    expect(written(siteWith(now), wish([]))).toBe(html);
    expect(written(siteWith(now), wish(['camera', 'copyright']))).toBe('There is nothing to change.');
  });

  it('is refused where nothing is to be said, or nothing shows it', () => {
    const bare = siteWith(html.replace('large/mere.jpg', 'large/loft.jpg'));
    expect(written(bare, wish(['camera']))).toBe('None of these files says any of it.');
    expect(written(siteWith(wiredPage('lantern')), { kind: 'write-information', ...WHERE, fields: [] })).toBe(
      'lightbox is not on index.html.',
    );
  });
});
