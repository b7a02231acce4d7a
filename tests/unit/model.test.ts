/** The reading of a site: references, strands joint by joint, findings and their fixes, renames, wiring. */
import { describe, expect, it } from 'vitest';
import { faultsOf } from '../faults.ts';
import { fileLayer, pageAddresses, styleAddresses } from '../../core/addresses/index.ts';
import { JOINTS, newReadingMemory, readSite, renameFile, type SiteReading } from '../../core/model/index.ts';
import { parsePage } from '../../core/markup/index.ts';
import type { PhotoFacts } from '../../core/photo/index.ts';
import { patterned } from '../../core/photo/patterned.fixture.ts';
import { Intent, planFor } from '../../core/plans/index.ts';
import { applyChange, type Change, type FileContent } from '../../core/site/index.ts';
import { includesOf, type Kit } from '../../core/wiring/index.ts';
import { kitNamed } from '../kits.ts';
import { PathIndex } from '../../core/site/index.ts';

const KIT: Kit = kitNamed('lightbox');

type Source = Record<string, string | { bytes: number } | null>;

/** Files by path: a string is text, null a picture, and with `bytes` a picture of that weight. */
function filesOf(source: Source): Map<string, FileContent> {
  return new Map(
    Object.entries(source).map(([path, value]): [string, FileContent] => [
      path,
      typeof value === 'string'
        ? { kind: 'text', text: value }
        : { kind: 'binary', hash: path, bytes: value?.bytes ?? 1000 },
    ]),
  );
}

const site = (source: Source, facts: Record<string, PhotoFacts> = {}): SiteReading =>
  readSite(filesOf(source), new Map(Object.entries(facts)), [KIT]);
const page = (body: string, head = '') =>
  `<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title>${head}</head>\n<body>\n${body}\n</body></html>\n`;
const SCRIPT = '<link rel="stylesheet" href="viewer/lightbox.css"><script src="viewer/lightbox.js" defer></script>';
const VIEWER = {
  'viewer/lightbox.js': KIT.files['lightbox.js'] ?? '',
  'viewer/lightbox.css': KIT.files['lightbox.css'] ?? '',
};
const PICTURES = {
  's/a.jpg': null,
  'l/a.jpg': null,
  's/b.jpg': null,
  'l/b.jpg': null,
  's/c.jpg': null,
  'l/c.jpg': null,
};
const item = (
  n: string,
  { mark = ' data-enlarge data-enlarge-group="g"', href = `l/${n}.jpg`, src = `s/${n}.jpg`, alt = ` alt="${n}"` } = {},
) => `<p><a href="${href}"${mark}><img src="${src}"${alt}></a></p>`;
/** Pictures of the same seed show the same. */
const facts = (width: number, seed = 1, words = {}): PhotoFacts => ({
  width,
  height: width,
  orientation: 1,
  likeness: '0123456789abcdef',
  mean: [9, 9, 9],
  luma: patterned(seed),
  words,
});

/** The states of the second strand's joints, in their order. */
function second(
  body: string,
  { head = SCRIPT, more = {}, known = {} }: { head?: string; more?: Source; known?: Record<string, PhotoFacts> } = {},
) {
  const reading = site({ 'index.html': page(body, head), ...VIEWER, ...PICTURES, ...more }, known);
  const strand = reading.pages[0]?.strands[0]?.[1];
  if (!strand) throw new Error('There is no second strand.');
  return {
    reading,
    strand,
    states: Object.fromEntries(strand.joints.map((joint) => [joint.name, joint.state])),
    says: strand.joints.map((joint) => joint.says).join(' '),
  };
}

const around = (middle: string) => `<div>\n${item('a')}\n${middle}\n${item('c')}\n</div>`;
const WHOLE = { thumbnail: 'whole', image: 'whole', link: 'whole', viewer: 'whole', 'full-size': 'whole' };

describe('strands', () => {
  it('have their five joints in the same order', () =>
    expect(second(around(item('b'))).strand.joints.map((joint) => joint.name)).toEqual([...JOINTS]));

  it.each<[string, string, Partial<Record<string, string>>, RegExp]>([
    ['whole', item('b'), {}, /^ *$/],
    ['a thumbnail that is not there', item('b', { src: 's/x.jpg' }), { thumbnail: 'broken' }, /There is no s\/x\.jpg/],
    [
      'a thumbnail in other capitals',
      item('b', { src: 's/B.jpg' }),
      { thumbnail: 'broken' },
      /On disk it is s\/b\.jpg/,
    ],
    ['no alt text', item('b', { alt: '' }), { image: 'look' }, /no alt text/],
    ['an empty alt text where the link has no other', item('b', { alt: ' alt=""' }), { image: 'look' }, /has no name/],
    [
      'an empty alt text beside words is the author’s',
      item('b', { alt: ' alt=""' }).replace('</a>', ' Bea</a>'),
      {},
      /^ *$/,
    ],
    [
      'an alt text that is what a camera calls a file',
      item('b', { alt: ' alt="DSC 0117"' }),
      { image: 'look' },
      /name of a file/,
    ],
    [
      'a link to a page',
      item('b', { href: 'index.html' }),
      { link: 'broken', 'full-size': 'none' },
      /opens index\.html, a page/,
    ],
    ['a dummy link', item('b', { href: '#' }), { link: 'broken', 'full-size': 'none' }, /leads to this same page/],
    ['an empty link', item('b', { href: '' }), { link: 'broken', 'full-size': 'none' }, /no address/],
    [
      'a link out of the site',
      item('b', { href: '../../b.jpg' }),
      { link: 'broken', 'full-size': 'none' },
      /out of the site/,
    ],
    [
      'a link from the host’s root',
      item('b', { href: '/l/b.jpg' }),
      { link: 'look', 'full-size': 'none' },
      /root of the host/,
    ],
    ['no marker', item('b', { mark: '' }), { viewer: 'broken' }, /not marked with data-enlarge/],
    [
      'a marker misspelt',
      item('b', { mark: ' data-enlarg data-enlarge-group="g"' }),
      { viewer: 'broken' },
      /reads data-enlarg;/,
    ],
    ['no group', item('b', { mark: ' data-enlarge' }), { viewer: 'broken' }, /no group/],
    [
      'another group',
      item('b', { mark: ' data-enlarge data-enlarge-group="h"' }),
      { viewer: 'look' },
      /neighbours are in “g”/,
    ],
    [
      'a full-size picture that is not there',
      item('b', { href: 'l/x.jpg' }),
      { 'full-size': 'broken' },
      /There is no l\/x\.jpg/,
    ],
    [
      'a full-size picture in other capitals',
      item('b', { href: 'L/b.jpg' }),
      { 'full-size': 'broken' },
      /On disk it is l\/b\.jpg/,
    ],
    [
      'a picture from elsewhere',
      item('b', { src: 'https://example.org/b.jpg' }),
      { thumbnail: 'look' },
      /comes from another host/,
    ],
  ])('%s', (_name, middle, joints, says) => {
    const found = second(around(middle));
    expect(found.states).toEqual({ ...WHOLE, ...joints });
    expect(found.says).toMatch(says);
  });

  it('without a viewer are whole all the same', () => {
    expect(
      second(around(item('b', { mark: '' })).replace(/ data-enlarge[-\w]*(="g")?/g, ''), { head: '' }).states,
    ).toEqual({ ...WHOLE, viewer: 'none' });
  });

  it('with markers but no script, or a script that is not there, are broken at the viewer', () => {
    expect(second(around(item('b')), { head: '' })).toMatchObject({
      states: { viewer: 'broken' },
      says: expect.stringContaining('does not load'),
    });
    expect(second(around(item('b')), { head: '<script src="js/lightbox.js"></script>' })).toMatchObject({
      states: { viewer: 'broken' },
      says: expect.stringContaining('is not there'),
    });
  });

  it('are claimed by the selector of a start call too', () => {
    const head = `${SCRIPT}<script defer src="own.js"></script>`;
    const body = around(item('b', { mark: ' class="open" data-enlarge-group="g"' }));
    expect(second(body, { head, more: { 'own.js': "startLightbox('p > a.open');" } }).states.viewer).toBe('whole');
    expect(second(body, { head, more: { 'own.js': "startLightbox('p > a.opn');" } }).states.viewer).toBe('broken');
  });

  it('tell a picture that is far too large, and one that cannot be read', () => {
    expect(
      second(around(item('b')), { more: { 'l/b.jpg': { bytes: 3_000_000 } }, known: { 'l/b.jpg': facts(5000) } }),
    ).toMatchObject({ states: { 'full-size': 'look' }, says: expect.stringContaining('3.0 MB and 5000 × 5000 px') });
    // Heavy but no larger than a window may be is the author's choice.
    expect(
      second(around(item('b')), { more: { 'l/b.jpg': { bytes: 3_000_000 } }, known: { 'l/b.jpg': facts(2000) } })
        .states['full-size'],
    ).toBe('whole');
    expect(
      second(around(item('b')), { known: { 'l/b.jpg': { ...facts(0), unreadable: 'It is damaged.' } } }),
    ).toMatchObject({ states: { 'full-size': 'broken' }, says: expect.stringContaining('damaged') });
  });

  it('tell a thumbnail of another picture and which one it is', () => {
    const known = {
      's/a.jpg': facts(150, 1),
      'l/a.jpg': facts(900, 1),
      's/b.jpg': facts(150, 3),
      'l/b.jpg': facts(900, 2),
      's/c.jpg': facts(150, 3),
      'l/c.jpg': facts(900, 3),
    };
    expect(second(around(item('b')), { known })).toMatchObject({
      states: { thumbnail: 'broken' },
      says: expect.stringContaining('It shows c'),
    });
  });
});

describe('references', () => {
  it('are every address of a page, with its range', () => {
    const text = page(
      '<a href="a&amp;b.html"><img src="s/a.jpg" srcset="s/a.jpg 1x, s/a@2x.jpg 2x" alt=""></a><div style="background: url(bg.png)"></div><video poster="p.jpg"></video>',
      '<link rel="stylesheet" href="x.css"><style>h1 { background: url("h.png") }</style>',
    );
    const found = pageAddresses(parsePage(text));
    expect(found.map((one) => one.value).sort()).toEqual([
      'a&b.html',
      'bg.png',
      'h.png',
      'p.jpg',
      's/a.jpg',
      's/a.jpg',
      's/a@2x.jpg',
      'x.css',
    ]);
    for (const one of found.filter((each) => each.by === 'srcset' || each.by === 'src' || each.value === 'h.png'))
      expect(text.slice(one.range.start, one.range.end)).toBe(one.value);
  });

  it('of stylesheets are urls and imports, also beside mistakes', () => {
    const css =
      '@import "base.css";\n.a { background: url(img/a.png) no-repeat; colour }\n.b { content: "url(no.png)"; mask: url("m.svg") }';
    const found = styleAddresses(fileLayer(css)).filter(({ certain }) => certain);
    expect(found.map((one) => one.value)).toEqual(['base.css', 'img/a.png', 'm.svg']);
    for (const one of found) expect(css.slice(one.range.start, one.range.end)).toBe(one.value);
  });
});

describe('includes', () => {
  it('stand in the order in which a browser runs them', () => {
    const text = page(
      '<script src="body.js"></script>',
      '<script src="late.js" defer></script><script src="first.js"></script><script type="module" src="module.js"></script><script async src="any.js"></script><script type="application/ld+json">{}</script><script>inline()</script>',
    );
    const index = new PathIndex(['first.js']);
    const order = includesOf(parsePage(text), 'index.html', index);
    expect(order.map((one) => one.written ?? 'inline')).toEqual([
      'first.js',
      'inline',
      'body.js',
      'late.js',
      'module.js',
      'any.js',
    ]);
    expect(order.map((one) => one.lookup.found)).toEqual([
      'exact',
      'nothing',
      'nothing',
      'nothing',
      'nothing',
      'nothing',
    ]);
  });
});

function done(reading: SiteReading, change: Change): Map<string, string> {
  const applied = applyChange(reading.files, change);
  if (!applied.ok) throw new Error(applied.reason);
  return new Map(
    [...applied.files].map(([path, content]) => [path, content.kind === 'text' ? content.text : '(picture)']),
  );
}

describe('renaming', () => {
  it('follows addresses in styles, in their own way of writing', () => {
    const reading = site({
      'a.html': page(
        `<p style="color: red; background: url(a.jpg) no-repeat">x</p><p style='background: url(&quot;a.jpg&quot;)'>y</p><style>b { background: url('a.jpg') }</style><img src='a.jpg' alt=''>`,
      ),
      's.css': 'p { background: url(a.jpg) }',
      'a.jpg': null,
    });
    const after = done(reading, renameFile(reading, 'a.jpg', 'b & (c).jpg'));
    expect(after.get('a.html')).toContain('<p style="color: red; background: url(b%20&amp;%20%28c%29.jpg) no-repeat">');
    expect(after.get('a.html')).toContain("<p style='background: url(&quot;b%20&amp;%20%28c%29.jpg&quot;)'>");
    expect(after.get('a.html')).toContain("b { background: url('b%20&%20%28c%29.jpg') }");
    expect(after.get('s.css')).toBe('p { background: url(b%20&%20%28c%29.jpg) }');
    expect(done(reading, renameFile(reading, 'a.jpg', "it's.jpg")).get('a.html')).toContain(
      "<img src='it%27s.jpg' alt=''>",
    );
    const again = site(
      Object.fromEntries([...after].map(([path, text]) => [path, text === '(picture)' ? null : text])),
    );
    expect([...again.used].filter((path) => path.endsWith('.jpg'))).toEqual(['b & (c).jpg']);
  });

  it('gives a copy up for the one that stays', () => {
    const reading = site({
      'a.html': page('<a href="copy/k.jpg"><img src="copy/k.jpg" alt=""></a>'),
      'copy/k.jpg': null,
      'k.jpg': null,
    });
    const planned = planFor(reading, { kind: 'merge', from: 'copy/k.jpg', into: 'k.jpg' });
    const after = done(reading, planned.ok ? planned.change : { label: '', files: [] });
    expect([...after.keys()]).toEqual(['a.html', 'k.jpg']);
    expect(after.get('a.html')).toContain('<a href="k.jpg"><img src="k.jpg" alt=""></a>');
  });

  it('refuses a name that is taken, leads out, or tells another format', () => {
    const reading = site({ 'a.jpg': null, 'b.jpg': null });
    for (const [to, reason] of [
      ['b.jpg', 'already'],
      ['B.JPG', 'already'],
      ['../x.jpg', 'cannot be'],
      ['a.png', 'by name alone'],
      ['a.jpg', 'already'],
    ] as const) {
      expect(planFor(reading, { kind: 'rename', from: 'a.jpg', to })).toMatchObject({
        ok: false,
        reason: expect.stringContaining(reason),
      });
    }
    expect(planFor(reading, { kind: 'rename', from: 'a.jpg', to: 'A.jpg' })).toMatchObject({ ok: true });
    expect(planFor(reading, { kind: 'exchange', one: 'a.jpg', other: 'gone.png' })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('gone.png'),
    });
  });

  it('exchanges two files, and does so again to undo it', () => {
    const reading = site({ 'a.jpg': null, 'b.jpg': null });
    const planned = planFor(reading, { kind: 'exchange', one: 'a.jpg', other: 'b.jpg' });
    const applied = planned.ok ? applyChange(reading.files, planned.change) : planned;
    if (!applied.ok) throw new Error(applied.reason);
    expect(applied.files.get('a.jpg')).toEqual(reading.files.get('b.jpg'));
    expect(applyChange(applied.files, applied.inverse)).toMatchObject({ ok: true, files: reading.files });
  });

  it('rewrites every reference and leaves those that read right already', () => {
    const reading = site({
      'a.html': page('<a href="Pics/Kite.JPG#x"><img src="pics/kite.jpg" srcset="Pics/Kite.JPG 2x" alt=""></a>'),
      'sub/b.html': page('<img src="../Pics/Kite.JPG?v=1" alt="">'),
      'css/s.css': 'body { background: url(../Pics/Kite.JPG) }',
      'Pics/Kite.JPG': null,
    });
    const after = done(reading, renameFile(reading, 'Pics/Kite.JPG', 'pics/kite.jpg'));
    expect(after.has('pics/kite.jpg')).toBe(true);
    expect(after.get('a.html')).toContain(
      '<a href="pics/kite.jpg#x"><img src="pics/kite.jpg" srcset="pics/kite.jpg 2x" alt="">',
    );
    expect(after.get('sub/b.html')).toContain('src="../pics/kite.jpg?v=1"');
    expect(after.get('css/s.css')).toBe('body { background: url(../pics/kite.jpg) }');
  });
});

describe('findings', () => {
  const rules = (reading: SiteReading) => faultsOf(reading).map((finding) => finding.rule);

  it('are none on a whole site', () =>
    expect(rules(site({ 'index.html': page(around(item('b')), SCRIPT), ...VIEWER, ...PICTURES }))).toEqual([]));

  it('offer the picture’s metadata where the alt text is missing', () => {
    const reading = site(
      { 'index.html': page(around(item('b', { alt: '' })), SCRIPT), ...VIEWER, ...PICTURES },
      { 'l/b.jpg': facts(900, 1, { caption: 'A kite & its tail' }) },
    );
    const [finding] = faultsOf(reading);
    expect(finding?.fixes.map((fix) => fix.label)).toEqual(['Use “A kite & its tail”', 'Write alt text']);
    const fix = finding?.fixes[0];
    const planned = fix?.kind === 'change' ? fix.plan() : null;
    expect(planned?.ok && done(reading, planned.change).get('index.html')).toContain(
      '<img src="s/b.jpg" alt="A kite &amp; its tail">',
    );
  });

  it('point a path that leads nowhere at the one file of that name', () => {
    const reading = site({
      'index.html': page('<img src="old/logo.png" alt="x"><img src="none.png" alt="y">'),
      'img/logo.png': null,
    });
    expect(
      faultsOf(reading).map((finding) => [finding.rule, finding.place.line, finding.fixes.map((fix) => fix.label)]),
    ).toEqual([
      ['file-missing', 4, ['Point the address at img/logo.png']],
      ['file-missing', 4, []],
    ]);
  });

  it('guess where a placeholder should lead, or say nothing', () => {
    const reading = site({
      'index.html': page('<a href="#">Our festival</a> <a href="#">More</a> <a href="#top">Up</a>'),
      'festival.html': page('<h1>x</h1>'),
    });
    expect(faultsOf(reading).map((finding) => finding.fixes.map((fix) => fix.label))).toEqual([
      ['Link to festival.html'],
      [],
    ]);
  });

  it('hold a start call that waits for the page to be in time', () => {
    const head = `<script src="own.js"></script>${SCRIPT}`;
    const early = site({
      'index.html': page(around(item('b')), head),
      'own.js': 'startLightbox({});',
      ...VIEWER,
      ...PICTURES,
    });
    const waiting = site({
      'index.html': page(around(item('b')), head),
      'own.js': "addEventListener('DOMContentLoaded', function () { startLightbox({}); });",
      ...VIEWER,
      ...PICTURES,
    });
    expect([rules(early), rules(waiting)]).toEqual([['script-order'], []]);
  });
});

describe('plans', () => {
  const reading = site({ 'index.html': page(`<div>${item('a')}${item('b')}</div>`), ...PICTURES });

  it.each<[unknown, RegExp]>([
    [{ kind: 'set-alt', strand: 'gone#0.0', value: 'x' }, /changed meanwhile/],
    [{ kind: 'move-item', strand: 'index.html#0.0', to: 9 }, /no such place/],
    [{ kind: 'new-page', path: '../x.html', title: 'x' }, /leads out/],
    [{ kind: 'new-page', path: 'x.txt', title: 'x' }, /does not end in \.html/],
    [{ kind: 'new-page', path: 'Index.html', title: 'x' }, /already/],
    [{ kind: 'fix', finding: 'none', fix: 0 }, /fixed already/],
    [{ kind: 'wire', page: 'none.html' }, /no page/],
    [{ kind: 'set-caption', strand: 'index.html#0.0', value: 'x' }, /no element for a caption/],
  ])('refuse %j with a reason', (raw, reason) =>
    expect(planFor(reading, Intent.parse(raw))).toEqual({ ok: false, reason: expect.stringMatching(reason) }),
  );

  it('are made only of what was asked for', () => {
    expect(Intent.safeParse({ kind: 'set-alt', strand: 'x', value: 'y', more: 1 }).success).toBe(false);
    expect(Intent.safeParse({ kind: 'run', code: 'x' }).success).toBe(false);
  });

  it('a new page takes the site’s own stylesheet along, from any folder', () => {
    const styled = site({ 'css/site.css': '', 'viewer/lightbox.css': '' });
    const planned = planFor(styled, { kind: 'new-page', path: 'pages/new.html', title: 'Kites & co' });
    const after = planned.ok ? done(styled, planned.change) : new Map<string, string>();
    expect([...after.keys()].sort()).toEqual(['css/site.css', 'pages/new.html', 'viewer/lightbox.css']);
    expect(after.get('pages/new.html')).toContain('<link rel="stylesheet" href="../css/site.css">');
    expect(after.get('pages/new.html')).toContain('<h1>Kites &amp; co</h1>');
  });

  it('wiring keeps an author’s own file of that name and groups each gallery by itself', () => {
    const two = site({
      'deep/index.html': page(
        `<section>${item('a', { mark: '', href: '../l/a.jpg', src: '../s/a.jpg' })}${item('b', { mark: '', href: '../l/b.jpg', src: '../s/b.jpg' })}</section><section>${item('c', { mark: '', href: '../l/c.jpg', src: '../s/c.jpg' })}${item('a', { mark: '', href: '../l/a.jpg', src: '../s/a.jpg' })}</section>`,
      ),
      'viewer/lightbox.css': '/* mine */',
      ...PICTURES,
    });
    const planned = planFor(two, { kind: 'wire', page: 'deep/index.html' });
    if (!planned.ok) throw new Error(planned.reason);
    const after = done(two, planned.change);
    expect(after.get('viewer/lightbox.css')).toBe('/* mine */');
    expect(after.get('deep/index.html')).toContain('<script src="../viewer/lightbox.js" defer></script>');
    expect(after.get('deep/index.html')?.match(/data-enlarge-group="[\w-]+"/g)).toEqual([
      'data-enlarge-group="index"',
      'data-enlarge-group="index"',
      'data-enlarge-group="index-2"',
      'data-enlarge-group="index-2"',
    ]);
  });
});

describe('what only looks like a fault of wiring', () => {
  it.each<[string, string, string]>([
    ['a quotation mark that is an ornament', '<blockquote><span>“</span><p>Wind</p></blockquote>', ''],
    [
      'a comment that keeps a script from being closed like an image',
      '',
      '<script src="viewer/lightbox.js" defer><!-- --></script><link rel="stylesheet" href="viewer/lightbox.css">',
    ],
    ['an address with a percent sign too many', '<a href="https://kites.example/100%">x</a>', ''],
    ['an outside address with its scheme', '<a href="https://www.kites.example/">x</a>', ''],
    ['a link to a folder of a host’s name that is there', '<a href="www.kites/a.html">x</a>', ''],
  ])('%s', (_, body, head) =>
    expect(
      faultsOf(site({ 'index.html': page(body, head), 'www.kites/a.html': page('<h1>a</h1>'), ...VIEWER })).map(
        ({ rule, says }) => `${rule}: ${says}`,
      ),
    ).toEqual([]),
  );

  it('a place on a disk that cannot be decoded is a fault and no crash', () =>
    expect(rulesOf(site({ 'index.html': page('<img src="file:///C:/100%/a.jpg" alt="">') }))).toEqual([
      'root-address',
    ]));
});

const rulesOf = (reading: SiteReading) => faultsOf(reading).map(({ rule }) => rule);

describe('the memory of a reading', () => {
  it('reads the wiring of a page again only when its page, a script of it, or a kit is another', () => {
    const memory = newReadingMemory();
    const files = filesOf({
      'a.html': page(around(item('b')), SCRIPT),
      'b.html': page('<p>b</p>', SCRIPT),
      ...VIEWER,
      ...PICTURES,
    });
    const wiringsOf = () => readSite(files, new Map(), [KIT], memory).pages.map(({ wiring }) => wiring);
    const first = wiringsOf();
    files.set('b.html', { kind: 'text', text: page('<p>c</p>', SCRIPT) });
    const second = wiringsOf();
    expect([second[0] === first[0], second[1] === first[1]]).toEqual([true, false]);
    files.set('viewer/lightbox.js', { kind: 'text', text: 'broken(' });
    const third = wiringsOf();
    expect(third[0]).not.toBe(second[0]);
    expect(third[0]?.main?.runs).toBe(false);
    files.delete('viewer/lightbox.css');
    expect(wiringsOf()[0]?.main?.styled).toBe(false);
  });

  it('parses again only what has another text', () => {
    const memory = newReadingMemory();
    const files = filesOf({ 'a.html': page('<p>a</p>'), 'b.html': page('<p>b</p>') });
    const first = readSite(files, new Map(), [KIT], memory);
    files.set('b.html', { kind: 'text', text: page('<p>c</p>') });
    const next = readSite(files, new Map(), [KIT], memory);
    expect(next.pages[0]?.document).toBe(first.pages[0]?.document);
    expect(next.pages[1]?.document).not.toBe(first.pages[1]?.document);
    files.delete('b.html');
    readSite(files, new Map(), [KIT], memory);
    expect([...memory.pages.keys()]).toEqual(['a.html']);
  });
});
