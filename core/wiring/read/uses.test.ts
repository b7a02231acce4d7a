import { describe, expect, it } from 'vitest';
import { firstOf, known, PathIndex } from '../../site/index.ts';
import type { Kit } from '../kit/manifest.ts';
import { copiedFilesOf, kitOf, linkTo, pageOf, siteOf } from '../pages.fixture.ts';
import { answers, commonGroup, groupOf, misspeltMarker, strayOf, wiringOf } from './uses.ts';

const SCRIPT = '<script src="js/kite.js" defer></script>';
const NAMES = ['a', 'b', 'c'];
const items = (attributes = '') => NAMES.map((name) => linkTo(name, attributes));

function read(html: string, kits: readonly Kit[], more: Record<string, string> = {}, copied: readonly Kit[] = kits) {
  const site = siteOf({ 'index.html': html, ...copiedFilesOf(copied), ...more }, kits);
  return { site, page: firstOf(site.pages), wiring: firstOf(site.pages).wiring };
}
const foundIn = (html: string, kit: Kit, more: Record<string, string> = {}, copied?: readonly Kit[]) =>
  read(html, [kit], more, copied).wiring.uses[0];
const tags = (elements: Iterable<{ tag: string }> | undefined) => [...(elements ?? [])].map(({ tag }) => tag).join(' ');

/** A kit of its own script, marker and folder. */
const other = (name: string, change: Parameters<typeof kitOf>[0] = {}): Kit =>
  kitOf({
    name,
    folder: name,
    marker: { attribute: `data-${name}` },
    files: [{ name: `${name}.js`, role: 'script', gives: [name] }],
    ...change,
  });

describe('a kit is used', () => {
  it.each([
    ['where its script is included', pageOf(items(), SCRIPT), true],
    ['where its marker stands, though its script is missing', pageOf(items('data-kite')), true],
    ['where it is started', pageOf(items(), '<script>kite("a");</script>'), true],
    ['not where it is only asked for', pageOf(items(), '<script>if (window.kite) kite("a");</script>'), false],
    ['not where only its style is', pageOf(items(), '<link rel="stylesheet" href="js/kite.css">'), false],
    [
      'not where a style is called like its script',
      pageOf(items(), '<link rel="stylesheet" href="js/kite.js">'),
      false,
    ],
    ['not elsewhere', pageOf(items()), false],
  ])('%s', (_what, html, is) => {
    const kit = kitOf({
      files: [
        { name: 'kite.css', role: 'style' },
        { name: 'kite.js', role: 'script' },
      ],
      start: { call: 'kite' },
    });
    expect(foundIn(html, kit) !== undefined).toBe(is);
  });

  it('not for a class alone, which others may use', () => {
    const kit = kitOf({ marker: { class: 'peep' } });
    expect(foundIn(pageOf(items('class="peep"')), kit)).toBeUndefined();
    expect(foundIn(pageOf(items('class=" x  peep "'), SCRIPT), kit)?.marked).toHaveLength(3);
    expect(foundIn(pageOf(items(), SCRIPT), kit)?.marked).toEqual([]);
    expect(foundIn(pageOf(items(), SCRIPT), kitOf({ marker: {}, start: { call: 'kite' } }))?.marked).toEqual([]);
  });

  it('not for a script that another kit brings along as well, if it has one of its own', () => {
    const base = { name: 'base.js', role: 'script' as const };
    const [one, two] = ['one', 'two'].map((name) =>
      other(name, { folder: 'js', files: [base, { name: `${name}.js`, role: 'script' }] }),
    );
    const wiring = read(pageOf(items(), '<script src="js/base.js"></script><script src="js/ONE.js"></script>'), [
      known(one, 'kit'),
      known(two, 'kit'),
    ]).wiring;
    expect(wiring.uses.map(({ kit }) => kit.manifest.name)).toEqual(['one']);
  });
});

describe('what runs', () => {
  const PARTS = [
    { name: 'base.js', role: 'script' as const, gives: ['base'] },
    { name: 'kite.js', role: 'script' as const, gives: ['kite'], needs: ['base'] },
  ];
  const kit = kitOf({ files: PARTS }, { 'base.js': 'var base = 1;', 'kite.js': 'var kite = base;' });
  const scripts = (...names: string[]) => names.map((name) => `<script src="js/${name}.js"></script>`).join('');

  it('is what is there, can be read, and finds what it needs at once', () => {
    const whole = foundIn(pageOf(items('data-kite'), scripts('base', 'kite')), kit);
    expect([whole?.runs, whole?.claimed.size]).toEqual([true, 3]);
    const turned = read(pageOf(items('data-kite'), scripts('kite', 'base')), [kit]).wiring;
    expect([turned.uses[0]?.runs, turned.uses[0]?.claimed.size]).toEqual([false, 0]);
    expect(turned.scripts[0]?.early.map(({ name, from }) => `${name} of ${from?.written}`)).toEqual([
      'base of js/base.js',
    ]);
    expect(turned.scripts[1]?.runs).toBe(true);
    expect(foundIn(pageOf(items('data-kite'), scripts('kite')), kit)?.runs).toBe(false);
    const broken = foundIn(pageOf(items('data-kite'), scripts('base', 'kite')), kit, { 'js/kite.js': 'var a = “;' });
    expect(broken?.runs).toBe(false);
    const elsewhere = foundIn(pageOf(items('data-kite'), scripts('base', 'kite')), kit, {}, []);
    expect([elsewhere?.runs, elsewhere?.script?.written]).toEqual([false, 'js/kite.js']);
  });

  it('is not stopped by what nothing of the page gives, or what waits', () => {
    const own = (text: string) =>
      read(pageOf(items(), `${scripts('own')}<script>var later = 1;</script>`), [], { 'js/own.js': text }).wiring
        .scripts[0];
    expect(own('nobody();')?.runs).toBe(true);
    expect(own('later;')?.early.map(({ name }) => name)).toEqual(['later']);
    expect(own('later;')?.runs).toBe(false);
    expect(own('addEventListener("x", function () { later; });')?.runs).toBe(true);
  });

  it('has its first giver, where two give the same', () => {
    const wiring = read(
      pageOf(items(), '<script>use;</script><script id=one>var use = 1;</script><script id=two>var use = 2;</script>'),
      [],
    ).wiring;
    expect(wiring.scripts[0]?.early[0]?.from?.element.attributes[0]?.value).toBe('one');
  });

  it('styles are counted by themselves', () => {
    const styled = kitOf({
      files: [
        { name: 'kite.css', role: 'style' },
        { name: 'kite.js', role: 'script' },
        { name: 'x.gif', role: 'other' },
      ],
    });
    expect(foundIn(pageOf(items(), SCRIPT), styled)?.styled).toBe(false);
    const link = '<link rel="stylesheet" href="js/kite.css">';
    expect(foundIn(pageOf(items(), SCRIPT + link), styled)?.styled).toBe(true);
    expect(foundIn(pageOf(items(), SCRIPT + link), styled, {}, [])?.styled).toBe(false);
  });
});

describe('the kit that is meant to open pictures', () => {
  const main = (html: string, kits: readonly Kit[]) => read(html, kits).wiring.main?.kit.manifest.name ?? null;
  const all = ['page', 'show', 'stage', 'overlay'] as const;
  const kits = all.map((does) =>
    other(does, { does, marker: { on: does === 'overlay' ? 'link' : 'gallery', attribute: `data-${does}` } }),
  );
  const include = (...names: string[]) => names.map((name) => `<script src="${name}/${name}.js"></script>`).join('');

  it('opens on a click before what shows in its place; what changes nothing is none', () => {
    expect(main(pageOf(items(), include(...all)), kits)).toBe('overlay');
    expect(main(pageOf(items(), include('page', 'show', 'stage')), kits)).toBe('stage');
    expect(main(pageOf(items(), include('page', 'show')), kits)).toBe('show');
    expect(main(pageOf(items(), include('page')), kits)).toBeNull();
    expect(main(pageOf(items()), kits)).toBeNull();
  });

  it('is of two alike the one that answers something', () => {
    const [one, two] = [other('one'), other('two')];
    expect(main(pageOf(items('data-two'), include('one', 'two')), [one, two])).toBe('two');
    expect(main(pageOf(items('data-one'), include('one', 'two')), [one, two])).toBe('one');
    expect(main(pageOf(items(), include('one', 'two')), [one, two])).toBe('one');
    expect(main(pageOf(items('data-one'), include('one', 'two')), [two, one])).toBe('one');
  });
});

describe('a start', () => {
  const kit = (change: object = {}) =>
    kitOf({ marker: { class: 'peep' }, start: { call: 'kite', required: true, binds: true, ...change } });
  const started = (html: string, change: object = {}) => foundIn(html, kit(change));
  const call = (text: string) => `<script>${text}</script>`;
  const BLOCKING = '<script src="js/kite.js"></script>';

  it('finds what its selector matches, of what is read already', () => {
    const below = started(pageOf(items('class="peep"'), BLOCKING, call('kite("a");')));
    expect([tags(below?.starts[0]?.matched), tags(below?.starts[0]?.there), below?.claimed.size]).toEqual([
      'a a a',
      'a a a',
      3,
    ]);
    const above = started(pageOf(items('class="peep"'), BLOCKING + call('kite("a");')));
    expect([tags(above?.starts[0]?.matched), tags(above?.starts[0]?.there), above?.claimed.size]).toEqual([
      'a a a',
      '',
      0,
    ]);
    const patient = started(pageOf(items('class="peep"'), BLOCKING + call('kite("a");')), { binds: false });
    expect(tags(patient?.starts[0]?.there)).toBe('a a a');
    const waiting = call("addEventListener('load', function () { kite('a'); });");
    expect(tags(started(pageOf(items(), BLOCKING + waiting))?.starts[0]?.there)).toBe('a a a');
    const module = '<script type="module">kite("a");</script>';
    expect(tags(started(pageOf(items(), BLOCKING + module))?.starts[0]?.there)).toBe('a a a');
    const async = started(pageOf(items(), BLOCKING, '<script src="own.js" async></script>'));
    expect(async?.starts).toEqual([]);
  });

  it('in a script that comes whenever it comes finds nothing for sure', () => {
    const html = pageOf(items(), BLOCKING, '<script src="own.js" async></script>');
    expect(tags(foundIn(html, kit(), { 'own.js': 'kite("a");' })?.starts[0]?.there)).toBe('');
  });

  it('goes by the marker where it is given nothing', () => {
    const html = (text: string) =>
      pageOf([linkTo('a', 'class="peep"'), linkTo('b'), linkTo('c')], BLOCKING, call(text));
    expect(started(html('kite();'))?.claimed.size).toBe(1);
    expect(started(html('kite("a");'), { selector: false })?.claimed.size).toBe(1);
    expect(started(html('kite();'), { required: false })?.starts[0]?.matched).toEqual([]);
    expect(started(html('kite("a");'), { required: false, selector: false })?.starts[0]?.matched).toEqual([]);
  });

  it('that comes too early, or whose selector cannot be used, finds nothing', () => {
    const early = started(pageOf(items(), call('kite("a");') + BLOCKING));
    expect([early?.starts[0]?.tooEarly, early?.claimed.size]).toEqual([true, 0]);
    expect(started(pageOf(items(), BLOCKING, call('kite("a");')))?.starts[0]?.tooEarly).toBe(false);
    const wrong = started(pageOf(items(), BLOCKING, call('kite("a[href");kite("..a");')));
    expect(wrong?.starts.map(({ trouble }) => (trouble ?? '').length > 5)).toEqual([false, true]);
    expect(wrong?.starts[1]?.matched).toEqual([]);
  });

  it('is not a call in the kit’s own scripts, nor in one that gives the function itself', () => {
    const own = foundIn(pageOf(items(), BLOCKING), kit(), { 'js/kite.js': 'function kite() {} kite("a");' });
    expect(own?.starts).toEqual([]);
    const twin = foundIn(pageOf(items(), BLOCKING + call('function kite() {} kite("a");')), kit());
    expect(twin?.starts).toEqual([]);
    const loud = foundIn(pageOf(items(), '<script src="js/KITE.js"></script>'), kit(), {
      'js/KITE.js': 'function other() {} kite("a");',
    });
    expect(loud?.starts).toEqual([]);
  });

  it('listens to what is no link, around it or inside', () => {
    const use = started(pageOf(items(), BLOCKING, call('kite("li");')));
    const { page } = read(pageOf(items(), BLOCKING, call('kite("li");')), [kit()]);
    expect([tags(use?.strays), use?.claimed.size]).toEqual(['li li li', 0]);
    const [own] = page.wiring.uses;
    const links = page.galleries.flatMap(({ items: all }) => all.flatMap(({ link }) => link ?? []));
    expect(own && links.map((link) => strayOf(own, link) === link.parent)).toEqual([true, true, true]);
    const inside = read(pageOf(items(), BLOCKING, call('kite("a[href^=a] img");')), [kit()]).page;
    const [use2] = inside.wiring.uses;
    const inner = inside.galleries.flatMap(({ items: all }) => all.flatMap(({ link }) => link ?? []));
    expect(use2 && inner.map((link) => strayOf(use2, link)?.tag ?? null)).toEqual(['img', null, null]);
    const told = (start: object) => tags(started(pageOf(items(), BLOCKING, call('kite("li");')), start)?.strays);
    expect(told({ binds: false }), 'what a listener further up finds is what was asked for').toBe('li li li');
    expect(told({ binds: false, required: false })).toBe('');
  });
});

describe('what answers an item', () => {
  it('is found by its link, or by an element around it', () => {
    const byLink = read(pageOf([linkTo('a', 'data-kite'), linkTo('b'), '<img src="t/c.jpg" alt="">'], SCRIPT), [
      kitOf(),
    ]);
    const [use] = byLink.wiring.uses;
    expect(use && byLink.page.galleries[0]?.items.map((item) => answers(use, item))).toEqual([true, false, false]);
    const gallery = kitOf({ does: 'show', marker: { on: 'gallery', attribute: 'data-show' } });
    const html = pageOf(items(), SCRIPT).replace('<ul>', '<ul data-show>');
    const around = read(html, [gallery]);
    expect(tags(around.wiring.uses[0]?.claimed)).toBe('ul');
    expect(around.page.galleries[0]?.items.map((item) => answers(known(around.wiring.uses[0], 'use'), item))).toEqual([
      true,
      true,
      true,
    ]);
    const elsewhere = read(pageOf(items(), `${SCRIPT}`, '<p data-show></p>'), [gallery]);
    expect(
      elsewhere.page.galleries[0]?.items.map((item) => answers(known(elsewhere.wiring.uses[0], 'use'), item)),
    ).toEqual([false, false, false]);
    const onOthers = read(pageOf(items(), SCRIPT, '<p data-kite></p>'), [kitOf()]);
    expect(onOthers.wiring.uses[0]?.claimed.size).toBe(0);
  });

  it('its group is what the link says, and that of most for all', () => {
    const kit = kitOf({ group: { attribute: 'data-set' } });
    const { page } = read(
      pageOf([linkTo('a', 'data-set="x"'), linkTo('b', 'data-set="y"'), linkTo('c', 'data-set="y"')]),
      [kit],
    );
    const all = page.galleries.flatMap((gallery) => gallery.items);
    expect(all.map(({ link }) => link && groupOf(link, kit))).toEqual(['x', 'y', 'y']);
    expect(commonGroup(all, kit)).toBe('y');
    expect(commonGroup(all, kitOf())).toBeNull();
    expect(commonGroup([], kit)).toBeNull();
    const empty = read(pageOf(items('data-set=""')), [kit]).page.galleries.flatMap((gallery) => gallery.items);
    expect(commonGroup(empty, kit)).toBeNull();
  });
});

describe('a slip in a marker', () => {
  const slip = (attributes: string, kit: Kit) => {
    const { page } = read(pageOf([linkTo('a', attributes), linkTo('b'), linkTo('c')]), [kit]);
    const link = page.galleries[0]?.items[0]?.link;
    return link ? misspeltMarker(link, kit) : null;
  };

  it.each([
    ['data-kit', { attribute: 'data-kit', is: 'data-kit', meant: 'data-kite' }],
    ['data-ktie="x"', { attribute: 'data-ktie', is: 'data-ktie', meant: 'data-kite' }],
    ['data-kite', null],
    ['data-moor', null],
    ['data-kites', null],
    ['data-kitt', null],
    ['data-kita', null],
    ['data-kits', null],
    ['data-kito', null],
  ])('%s', (attributes, found) => {
    const kit = kitOf({
      group: { attribute: 'data-kites' },
      caption: { attribute: 'data-kitt', description: 'data-kita' },
      kind: { attribute: 'data-kits', picture: 'x' },
      container: { attribute: 'data-kito', id: 'x' },
    });
    expect(slip(attributes, kit)).toEqual(found);
  });

  it('is found in a class, and not where a call alone chooses', () => {
    const kit = kitOf({ marker: { class: 'enlarge' } });
    expect(slip('class="x enlagre"', kit)).toEqual({ attribute: 'class', is: 'enlagre', meant: 'enlarge' });
    expect(slip('class="x enlarge"', kit)).toBeNull();
    expect(slip('class="x"', kit)).toBeNull();
    expect(slip('class="x"', kitOf({ marker: {}, start: { call: 'kite' } }))).toBeNull();
  });
});

describe('attributes that another script takes', () => {
  const taken = (script: string, kits: readonly Kit[] = []) =>
    read(pageOf(items(), script), kits).wiring.taken.map(({ name }) => name);

  it('are those that it sets or takes away, if it runs and is no kit’s', () => {
    expect(
      taken('<script>a.setAttribute("title", 1); b.removeAttribute("rel"); c.getAttribute("alt"); d.title;</script>'),
    ).toEqual(['title', 'rel']);
    expect(taken('<script>later; a.setAttribute("title", 1);</script><script>var later;</script>')).toEqual([]);
    const kit = kitOf({}, { 'kite.js': 'a.setAttribute("title", 1);' });
    expect(taken(SCRIPT, [kit])).toEqual([]);
  });
});

describe('what was read', () => {
  it('is kept while page, scripts and kits are the same, and no longer', () => {
    const kit = kitOf();
    const { site, page } = read(pageOf(items('data-kite'), SCRIPT), [kit]);
    const again = (files = site.files, index = site.index, path = page.path, kits: readonly Kit[] = [kit]) =>
      wiringOf(page.document, path, files, index, kits);
    expect(again()).toBe(page.wiring);
    const same = new Map(site.files).set('other.txt', { kind: 'text', text: 'x' });
    expect(again(same, new PathIndex(same.keys()))).toBe(page.wiring);
    const edited = new Map(site.files).set('js/kite.js', { kind: 'text', text: 'other();' });
    const afterEdit = again(edited);
    expect(afterEdit).not.toBe(page.wiring);
    const gone = new Map(site.files);
    gone.delete('js/kite.js');
    const afterGone = again(gone, new PathIndex(gone.keys()));
    expect([afterGone === afterEdit, afterGone.uses[0]?.runs]).toEqual([false, false]);
    const more = again(gone, new PathIndex(gone.keys()), page.path, [kit, other('two')]);
    expect(more).not.toBe(afterGone);
    expect(again(gone, new PathIndex(gone.keys()), page.path, [kit, other('two')])).not.toBe(more);
    const moved = again(gone, new PathIndex(gone.keys()), 'days/index.html', [kit]);
    expect(moved.includes[0]?.path).toBe('days/js/kite.js');
  });
});
