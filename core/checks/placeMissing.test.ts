import { describe, expect, it } from 'vitest';
import { siteOf } from '../plans/asked.fixture.ts';
import { applyChange } from '../site/index.ts';
import { findingsOf } from './index.ts';

const FILES = { 'index.html': '<p>x</p>', 'img/a.jpg': 'a', 'img/Sky.jpg': 's' };
const found = (files: Record<string, string>) =>
  findingsOf(siteOf({ ...FILES, ...files })).filter(({ rule }) => rule === 'place-missing');

describe('a file that is missing where no link or source asks for it', () => {
  it.each([
    ['css/own.css', 'p {}\nb { background: url(../a.jpg) }', 2, 'b { background: url(../img/a.jpg) }'],
    ['index.html', '<p>\n<img src="img/a.jpg" srcset="img/a.jpg 1x, a.jpg 2x" alt="">', 2, 'img/a.jpg 2x"'],
    ['index.html', '<style>p { background: url(x/a.jpg) }</style>', 1, 'url(img/a.jpg)'],
    ['site.webmanifest', '{"icons":[]}', null, ''],
    ['index.html', '<video poster="b/a.jpg"></video>', 1, 'poster="img/a.jpg"'],
    ['face.svg', '<svg><image href="b/a.jpg"/></svg>', 1, 'href="img/a.jpg"'],
  ])('in %s: %s', (path, text, line, mended) => {
    const site = siteOf({ ...FILES, [path]: text });
    const [finding, ...more] = found({ [path]: text });
    if (line === null) return expect(finding).toBeUndefined();
    expect(more).toEqual([]);
    expect(finding?.place).toMatchObject({ path, line });
    const [fix] = finding?.fixes ?? [];
    const planned = fix?.kind === 'change' ? fix.plan() : null;
    const applied = planned?.ok ? applyChange(site.files, planned.change) : null;
    const file = applied?.ok ? applied.files.get(path) : null;
    expect(file?.kind === 'text' && file.text).toContain(mended);
    return undefined;
  });

  it('is told where only capitals differ', () => {
    const [finding] = found({ 'css/own.css': 'p { background: url(../img/sky.jpg) }' });
    expect(finding?.says).toBe('url() asks for sky.jpg; on disk the file is Sky.jpg.');
  });

  it('is none where the text only looks like an address, leads outside, or is taken out', () => {
    expect(
      found({
        'index.html':
          '<p data-x="y.jpg">x</p><!-- <img srcset="y.jpg"> --><img srcset="https://a.example/y.jpg" alt="">',
        'js/own.js': 'show("y.jpg")',
        'css/own.css': 'p { background: url(data:image/png;base64,AA); content: "y.jpg" }',
      }),
    ).toEqual([]);
  });
});
