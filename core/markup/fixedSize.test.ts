import { describe, expect, it } from 'vitest';
import { applyEdits } from '../site/index.ts';
import { addItems } from './addItems.ts';
import { parsePage } from './document.ts';
import { galleriesOf } from './galleries.ts';

/** A page of items with these attributes on their images, and a new item of a file of that size added to it. */
function added(attributes: readonly string[], width: number, height: number): string | undefined {
  const items = attributes.map(
    (more, n) => `<li><a href="l/p${n}.jpg"><img src="s/p${n}.jpg" ${more} alt="P"></a></li>`,
  );
  const page = parsePage(`<ul>\n${items.join('\n')}\n</ul>\n`);
  const [gallery] = galleriesOf(page);
  if (!gallery) throw new Error('no gallery');
  const item = { src: 's/new.jpg', href: 'l/new.jpg', alt: 'New', title: '', caption: '', width, height };
  const edited = addItems(page, gallery, [item]);
  const done = edited.ok ? applyEdits(page.text, edited.edits) : edited;
  return done.ok ? /new\.jpg" ([^>]*?) alt="New"/.exec(done.text)?.[1] : done.reason;
}

describe('the size of a new item', () => {
  it.each<[string, string[], [number, number], string]>([
    [
      'fixed in all, of the same shape',
      ['width="150" height="100"', 'width="150" height="100"'],
      [400, 267],
      'width="150" height="100"',
    ],
    [
      'fixed in all, of another shape',
      ['width="150" height="100"', 'width="150" height="100"'],
      [400, 600],
      'width="150" height="225"',
    ],
    [
      'fixed in width',
      ['width="150" height="100"', 'width="150" height="200"'],
      [400, 300],
      'width="150" height="113"',
    ],
    [
      'fixed in height',
      ['width="150" height="100"', 'width="80" height="100"'],
      [400, 300],
      'width="133" height="100"',
    ],
    ['said in width alone', ['width="150"', 'width="150"'], [400, 300], 'width="150"'],
    ['other in each', ['width="150" height="100"', 'width="120" height="90"'], [400, 300], 'width="400" height="300"'],
    ['of one item, which says nothing of others', ['width="150" height="100"'], [400, 300], 'width="400" height="300"'],
    ['a share of the window', ['width="50%"', 'width="50%"'], [400, 300], 'width="400"'],
  ])('%s', (_name, attributes, [width, height], expected) => expect(added(attributes, width, height)).toBe(expected));
});
