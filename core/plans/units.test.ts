import { describe, expect, it } from 'vitest';
import { known, type SiteNotes } from '../site/index.ts';
import { asked, linked, siteOf } from './asked.fixture.ts';
import { unitChoices } from './units.ts';

const page = (body: string) => `<html><body>${body}</body></html>`;
const choices = (body: string, at: string) => {
  const html = page(body);
  const read = known(siteOf({ 'k.html': html }).pages[0], 'page');
  return unitChoices(read, html.indexOf(at)).map(
    ({ selector, says, items, now }) => `${selector} ${says} ${items}${now ? ' now' : ''}`,
  );
};
const set = (body: string, selector: string, gallery: boolean | null, units: SiteNotes['units'] = []) =>
  asked(siteOf({ 'k.html': page(body), 'other.html': '' }, { notes: { units } }), {
    kind: 'set-units',
    page: 'k.html',
    selector,
    gallery,
  });

describe('what may be an item', () => {
  it('is the picture and each element around it, from the inside out', () => {
    const body = `<div id="all"><p class="shot big">${linked('a')}</p><p class="shot">${linked('b')}</p><p class="shot">x</p></div>`;
    expect(choices(body, 't/a.jpg')).toEqual([
      'p.shot > a > img <img> 2',
      'p.shot > a <a> 2',
      'p.shot <p class="shot big"> 2 now',
      'body > div <div> 1',
    ]);
    expect(choices(body, '<p class="shot">x')).toEqual([]);
    expect(choices(body, '<div id')).toEqual(choices(body, 't/a.jpg'));
  });

  it('is told by an id around it, or by its place in the body', () => {
    const body = `<div id="all"><p>${linked('a')}</p><p>${linked('b')}</p></div>`;
    expect(choices(body, 't/a')).toEqual([
      '#all > p > a > img <img> 2',
      '#all > p > a <a> 2',
      '#all > p <p> 2 now',
      'body > div <div> 1',
    ]);
    expect(choices(`<ul id="2x"><li class="-">${linked('a')}</li><li>${linked('b')}</li></ul>`, 't/a')).toEqual([
      'body > ul > li > a > img <img> 2',
      'body > ul > li > a <a> 2',
      'body > ul > li <li class="-"> 2 now',
      'body > ul <ul> 1',
    ]);
  });

  it('is a picture behind an element, not a picture element', () => {
    expect(choices('<p style="background: url(a.jpg)">x</p>', 'x')).toEqual(['body > p <p> 1']);
    expect(choices('<picture><img src="a.jpg"></picture>', 'a.jpg')).toEqual(['body > picture > img <img> 1']);
    expect(choices('<p><img alt="x"></p>', 'alt')).toEqual([]);
  });
});

describe('what an item is', () => {
  const body = `<div><p>${linked('a')}${linked('b')}</p><p>${linked('c')}</p></div>`;
  const said = (selector: string, gallery = true, path = 'k.html') => ({ page: path, selector, gallery });

  it('is said, corrected, and taken back', () => {
    expect(set(body, 'p', true)).toEqual({
      label: 'Set 2 × p as items of k.html',
      files: {},
      notes: { units: [said('p')] },
    });
    expect(set(body, 'p', false)).toMatchObject({
      label: 'Set p as not a gallery on k.html',
      notes: { units: [said('p', false)] },
    });
    const other = said('p', true, 'other.html');
    expect(set(body, 'p a', true, [other, said('p')])).toMatchObject({ notes: { units: [other, said('p a')] } });
    expect(set(body, 'p', null, [said('p'), other])).toMatchObject({
      label: 'Remove the choice of items on k.html',
      notes: { units: [other] },
    });
    expect(set(`${body}<ul><li>${linked('d')}</li></ul>`, 'li', true, [said('p')])).toMatchObject({
      notes: { units: [said('p'), said('li')] },
    });
  });

  it('is refused where nothing would be of it', () => {
    expect(set(body, 'ul', true)).toBe('No element of k.html is “ul” any more.');
    expect(set(body, 'p[', true)).toBe('No element of k.html is “p[” any more.');
    expect(set(`<p>x</p>${body}`, 'body > p', true)).toBe('With that there would be no item with a picture.');
    expect(set(body, 'p', null)).toBe('Nothing was said of it.');
    expect(asked(siteOf({}), { kind: 'set-units', page: 'k.html', selector: 'p', gallery: true })).toBe(
      'There is no page k.html any more.',
    );
  });
});
