/** Options and looks of viewers, written where their author would write them, and taken back to the byte. */
import { describe, expect, it } from 'vitest';
import { asked, siteOf } from '../../core/plans/asked.fixture.ts';
import { findingsOf } from '../../core/checks/index.ts';
import type { Intent } from '../../core/plans/index.ts';
import type { SiteReading } from '../../core/model/index.ts';
import { KITS, VIEWERS } from '../kits.ts';

const HEAD = (name: string) =>
  `<link rel="stylesheet" href="css/kites.css">\n<link rel="stylesheet" href="viewer/${name}.css">\n<script src="viewer/${name}.js"></script>`;
const item = (name: string, attributes = '') =>
  `  <li><a href="large/${name}.jpg"${attributes}><img src="small/${name}.jpg" alt="${name}"></a></li>`;
const page = (head: string, open: string, links: readonly string[], after = '') =>
  `<!DOCTYPE html>\n<html lang="en">\n<head>\n<title>K</title>\n${head}\n</head>\n<body>\n${open}\n${links.join('\n')}\n</ul>\n${after}</body>\n</html>\n`;

interface Given {
  name: string;
  open: string;
  attributes?: string;
  after?: string;
  more?: Record<string, string>;
}

function site({ name, open, attributes = '', after = '', more = {} }: Given): SiteReading {
  const kit = KITS.find(({ manifest }) => manifest.name === name)!;
  const links = ['a', 'b', 'c'].map((one) => item(one, attributes));
  const files = Object.fromEntries(
    kit.manifest.files.map((file) => [`${kit.manifest.folder}/${file.name}`, kit.files[file.name] ?? '']),
  );
  const pictures = Object.fromEntries(
    ['a', 'b', 'c'].flatMap((one) => [
      [`large/${one}.jpg`, `l${one}`],
      [`small/${one}.jpg`, `s${one}`],
    ]),
  );
  return siteOf(
    {
      'index.html': page(HEAD(name), open, links, after),
      'css/kites.css': '.kites { gap: 1rem; }\n',
      ...files,
      ...pictures,
      ...more,
    },
    { kits: VIEWERS },
  );
}

type Wish = Partial<Omit<Extract<Intent, { kind: 'set-options' }>, 'kind'>>;
const set = (kit: string, wish: Wish): Extract<Intent, { kind: 'set-options' }> => ({
  kind: 'set-options',
  page: 'index.html',
  gallery: 0,
  kit,
  strand: null,
  options: {},
  look: {},
  ...wish,
});

/** The lines that are other, as `- before` and `+ after`. */
function lines(reading: SiteReading, intent: Intent): string[] | string {
  const outcome = asked(reading, intent);
  if (typeof outcome === 'string') return outcome;
  return Object.entries(outcome.files).flatMap(([path, after]) => {
    const content = reading.files.get(path);
    const before = (content?.kind === 'text' ? content.text : '').split('\n');
    const now = (after ?? '').split('\n');
    return [
      ...before.filter((line) => !now.includes(line)).map((line) => `- ${line}`),
      ...now.filter((line) => !before.includes(line)).map((line) => `+ ${line}`),
    ];
  });
}

describe('a table whose body only the browser adds', () => {
  const cells = ['a', 'b', 'c'].map(
    (one) =>
      `<TD><A HREF="large/${one}.jpg" data-enlarge data-enlarge-group="g"><IMG SRC="small/${one}.jpg" ALT="${one}"></A></TD>`,
  );
  const kit = KITS.find(({ manifest }) => manifest.name === 'lightbox')!;
  const files = Object.fromEntries(Object.entries(kit.files).map(([name, text]) => [`viewer/${name}`, text]));
  const table = (own = '') =>
    siteOf(
      {
        'index.html': `<HTML>\r\n<HEAD>${HEAD('lightbox')}</HEAD>\r\n<BODY>\r\n<TABLE${own}>\r\n<TR>\r\n${cells.join('\r\n')}\r\n</TR>\r\n</TABLE>\r\n</BODY>\r\n</HTML>\r\n`,
        'css/kites.css': '',
        ...files,
        ...Object.fromEntries(
          ['a', 'b', 'c'].flatMap((one) => [
            [`large/${one}.jpg`, `l${one}`],
            [`small/${one}.jpg`, `s${one}`],
          ]),
        ),
      },
      { kits: VIEWERS },
    );

  it('carries the options of its gallery itself', () =>
    expect(lines(table(' BORDER=0'), set('lightbox', { options: { counter: false } }))).toEqual([
      '- <TABLE BORDER=0>\r',
      '+ <TABLE BORDER=0 data-enlarge-counter="off">\r',
    ]));

  it('is no slideshow, for its items are no children of one element', () =>
    expect(asked(table(), { kind: 'wire', page: 'index.html', kit: 'slideshow' })).toBe(
      'Slideshow shows the children of one element, and these pictures are deeper inside of <table>, in cells of a table. Write them as a list in Markup first',
    ));

  it('and the look of a viewer that is marked on it is said of it', () => {
    const zoomed = asked(table(), { kind: 'change-kit', page: 'index.html', from: 'lightbox', to: 'zoom' });
    const files = typeof zoomed === 'string' ? {} : zoomed.files;
    expect(zoomed).toMatchObject({ files: { 'index.html': expect.stringContaining('<TABLE data-closer>') as string } });
    const wired = siteOf(
      {
        ...Object.fromEntries([...table().files].map(([path, one]) => [path, one.kind === 'text' ? one.text : path])),
        ...Object.fromEntries(Object.entries(files).map(([path, text]) => [path, text ?? ''])),
      },
      { kits: VIEWERS },
    );
    const look = set('zoom', { look: { '--closer-height': '20rem' } });
    expect(lines(wired, look)).toEqual(
      expect.arrayContaining([
        '+ .pictures {',
        '+   --closer-height: 20rem;',
        '+ <TABLE data-closer class="pictures">\r',
      ]),
    );
  });

  it('and they change where they are', () =>
    expect(lines(table(' data-enlarge-counter="off"'), set('lightbox', { options: { counter: null } }))).toEqual([
      '- <TABLE data-enlarge-counter="off">\r',
      '+ <TABLE>\r',
    ]));
});

describe('an option of a slideshow', () => {
  const slides = (attributes = '') => site({ name: 'slideshow', open: `<ul class="kites" data-slides${attributes}>` });

  it('becomes an attribute of the element that is marked', () =>
    expect(lines(slides(), set('slideshow', { options: { picker: 'thumbnails' } }))).toEqual([
      '- <ul class="kites" data-slides>',
      '+ <ul class="kites" data-slides data-slides-picker="thumbnails">',
    ]));

  it('is changed in its place, and goes where what holds without it is asked for', () => {
    const reading = slides(' data-slides-picker="strip" data-slides-loop="off"');
    expect(lines(reading, set('slideshow', { options: { picker: 'none' } }))).toEqual([
      '- <ul class="kites" data-slides data-slides-picker="strip" data-slides-loop="off">',
      '+ <ul class="kites" data-slides data-slides-picker="none" data-slides-loop="off">',
    ]);
    for (const value of ['dots', null])
      expect(lines(reading, set('slideshow', { options: { picker: value } }))).toEqual([
        '- <ul class="kites" data-slides data-slides-picker="strip" data-slides-loop="off">',
        '+ <ul class="kites" data-slides data-slides-loop="off">',
      ]);
  });

  it('that is a switch needs no value to be on, and keeps its author’s', () => {
    expect(lines(slides(), set('slideshow', { options: { counter: true } }))).toContain(
      '+ <ul class="kites" data-slides data-slides-counter>',
    );
    expect(lines(slides(), set('slideshow', { options: { loop: false } }))).toContain(
      '+ <ul class="kites" data-slides data-slides-loop="off">',
    );
  });

  it('several at once, as a preset has them, are one change under its title', () => {
    const outcome = asked(
      slides(),
      set('slideshow', {
        options: { wide: true, controls: 'over' },
        look: { '--slides-height': '70svh' },
        preset: 'As wide as the window',
      }),
    );
    expect(outcome).toMatchObject({ label: 'Slideshow: As wide as the window (index.html)' });
    expect(typeof outcome === 'string' ? [] : Object.keys(outcome.files)).toEqual(['css/kites.css', 'index.html']);
  });

  it.each<[string, Wish, string]>([
    ['a value that there is not', { options: { picker: 'stars' } }, 'picker is one of dots, thumbnails, strip, none.'],
    ['a number out of its range', { options: { interval: 0 } }, 'interval is a number from 1 to 60 s.'],
    ['an option that there is not', { options: { colour: 'red' } }, 'Slideshow has no option colour.'],
    ['a look that there is not', { look: { '--slides-wings': '2px' } }, 'Slideshow has no --slides-wings.'],
    ['what is so already', { options: { picker: 'dots' } }, 'There is nothing to change.'],
    ['a gallery that has gone', { gallery: 3, options: { loop: false } }, 'This gallery is no longer'],
  ])('%s is refused', (_, wish, reason) => expect(lines(slides(), set('slideshow', wish))).toContain(reason));
});

describe('an option of a viewer that a call starts', () => {
  const started = (call: string, more: Partial<Given> = {}) =>
    site({ name: 'slideshow', open: '<ul class="kites">', after: `<script>\n${call}\n</script>\n`, ...more });

  it.each<[string, string, string]>([
    ['with no options', "startSlides('.kites');", "startSlides('.kites', { effect: 'fade' });"],
    ['with empty ones', "startSlides('.kites', {});", "startSlides('.kites', { effect: 'fade' });"],
    [
      'with others',
      "startSlides('.kites', { loop: false });",
      "startSlides('.kites', { loop: false, effect: 'fade' });",
    ],
    ['with this one', "startSlides('.kites', { effect: 'cut' });", "startSlides('.kites', { effect: 'fade' });"],
    [
      'with a comma too many',
      "startSlides('.kites', { loop: false, });",
      "startSlides('.kites', { loop: false, effect: 'fade', });",
    ],
  ])('%s is written into the call', (_, before, after) =>
    expect(lines(started(before), set('slideshow', { options: { effect: 'fade' } }))).toEqual([
      `- ${before}`,
      `+ ${after}`,
    ]),
  );

  it('with options on lines of their own gets a line of its own, as they are written', () =>
    expect(
      lines(
        started("startSlides('.kites', {\n\tloop: false,\n\tplay: true\n});"),
        set('slideshow', { options: { effect: 'fade', interval: 3 } }),
      ),
    ).toEqual(['- \tplay: true', '+ \tplay: true,', "+ \teffect: 'fade',", '+ \tinterval: 3']));

  it('in a script of its own is changed there', () => {
    const reading = site({
      name: 'slideshow',
      open: '<ul class="kites">',
      after: '<script src="js/start.js" defer></script>\n',
      more: { 'js/start.js': "startSlides('.kites', { play: true });\n" },
    });
    expect(lines(reading, set('slideshow', { options: { play: false } }))).toEqual([
      "- startSlides('.kites', { play: true });",
      "+ startSlides('.kites', { play: false });",
    ]);
  });
});

describe('an option of the lightbox', () => {
  const MARK = ' data-enlarge data-enlarge-group="g"';

  it('for all of a gallery stands on what holds it, once', () =>
    expect(
      lines(
        site({ name: 'lightbox', open: '<ul class="kites">', attributes: MARK }),
        set('lightbox', { options: { strip: true } }),
      ),
    ).toEqual(['- <ul class="kites">', '+ <ul class="kites" data-enlarge-strip>']));

  it('that each link says is changed on each', () => {
    const reading = site({
      name: 'lightbox',
      open: '<ul class="kites">',
      attributes: `${MARK} data-enlarge-interval="4"`,
    });
    const outcome = lines(reading, set('lightbox', { options: { interval: 7 } }));
    expect(outcome).toContain(`+ ${item('b', `${MARK} data-enlarge-interval="7"`)}`);
    expect(outcome).toHaveLength(6);
  });

  it('for one link stands there, whatever the gallery says', () => {
    const reading = site({ name: 'lightbox', open: '<ul class="kites" data-enlarge-tab>', attributes: MARK });
    const strand = reading.pages[0]!.strands[0]![1]!.id;
    expect(lines(reading, set('lightbox', { strand, options: { tab: false } }))).toEqual([
      `- ${item('b', MARK)}`,
      `+ ${item('b', `${MARK} data-enlarge-tab="off"`)}`,
    ]);
    expect(lines(reading, set('lightbox', { strand, options: { text: 'Words' } }))).toContain(
      `+ ${item('b', `${MARK} data-enlarge-text="Words"`)}`,
    );
    expect(lines(reading, set('lightbox', { options: { text: 'Words' } }))).toContain('text is for one link alone');
  });
});

it('an option for a gallery that stands around another one is said on its links alone', () => {
  const kit = KITS.find(({ manifest }) => manifest.name === 'lightbox')!;
  const MARK = ' data-enlarge data-enlarge-group="g"';
  const link = (name: string) =>
    `<p><a href="large/${name}.jpg"${MARK}><img src="small/${name}.jpg" alt="${name}"></a></p>`;
  const pictures = ['a', 'b', 'c', 'd', 'e', 'f'];
  const inner = `<ul>\n${['d', 'e', 'f'].map((one) => item(one, MARK)).join('\n')}\n</ul>`;
  const reading = siteOf(
    {
      'index.html': `<!DOCTYPE html>\n<head>\n${HEAD('lightbox')}\n</head>\n<body>\n${['a', 'b', 'c'].map(link).join('\n')}\n${inner}\n</body>\n`,
      'css/kites.css': '',
      'viewer/lightbox.js': kit.files['lightbox.js'] ?? '',
      'viewer/lightbox.css': kit.files['lightbox.css'] ?? '',
      ...Object.fromEntries(
        pictures.flatMap((one) => [
          [`large/${one}.jpg`, `l${one}`],
          [`small/${one}.jpg`, `s${one}`],
        ]),
      ),
    },
    { kits: VIEWERS },
  );
  const galleries = reading.pages[0]!.galleries;
  const outer = galleries.findIndex(({ container }) => container.tag === 'body');
  expect(galleries).toHaveLength(2);
  const outcome = lines(reading, set('lightbox', { gallery: outer, options: { strip: true } }));
  expect(outcome).toHaveLength(6);
  expect(outcome).toContain(`+ ${link('b').replace(MARK, `${MARK} data-enlarge-strip`)}`);
});

describe('a look', () => {
  it('for a gallery is written into the author’s rule for it, and taken back to the byte', () => {
    const reading = site({ name: 'slideshow', open: '<ul class="kites" data-slides>' });
    const outcome = asked(reading, set('slideshow', { look: { '--slides-height': '30rem' } }));
    expect(outcome).toMatchObject({ files: { 'css/kites.css': '.kites { gap: 1rem; --slides-height: 30rem; }\n' } });
    const again = site({
      name: 'slideshow',
      open: '<ul class="kites" data-slides>',
      more: { 'css/kites.css': '.kites { gap: 1rem; --slides-height: 30rem; }\n' },
    });
    expect(asked(again, set('slideshow', { look: { '--slides-height': null } }))).toMatchObject({
      files: { 'css/kites.css': '.kites { gap: 1rem; }\n' },
    });
  });

  it('for the page is written into a rule of its own under a comment, then into that rule', () => {
    const reading = site({ name: 'filter', open: '<ul class="kites" data-sieve>' });
    expect(lines(reading, set('filter', { look: { '--sieve-now': '#74468c' } }))).toEqual(
      ['+ ', '+ /* Viewer filter: selected button */', '+ :root { --sieve-now: #74468c; }'].filter(
        (line) => line !== '+ ',
      ),
    );
  });
});

describe('what an option cannot be', () => {
  const findings = (reading: SiteReading) =>
    findingsOf(reading)
      .filter(({ rule }) => rule.startsWith('option-'))
      .map(({ rule, says }) => `${rule}: ${says}`);
  const fixed = (reading: SiteReading) => {
    const finding = findingsOf(reading).find(({ rule }) => rule.startsWith('option-'))!;
    return lines(reading, { kind: 'fix', finding: finding.id, fix: 0 });
  };
  const slides = (attributes: string) =>
    site({ name: 'slideshow', open: `<ul class="kites" data-slides${attributes}>` });

  it.each<[string, string, string, string]>([
    [
      'a name a letter off',
      ' data-slides-piker="strip"',
      'option-misspelt: This says data-slides-piker; the slideshow reads data-slides-picker.',
      '+ <ul class="kites" data-slides data-slides-picker="strip">',
    ],
    [
      'a value a letter off',
      ' data-slides-picker="thumbnail"',
      'option-value: data-slides-picker is “thumbnail”. picker is one of dots, thumbnails, strip, none.',
      '+ <ul class="kites" data-slides data-slides-picker="thumbnails">',
    ],
    [
      'a value that there is not',
      ' data-slides-effect="explode"',
      'option-value: data-slides-effect is “explode”. effect is one of cut, fade, side, up, grow, shrink.',
      '+ <ul class="kites" data-slides>',
    ],
    [
      'words for a number',
      ' data-slides-play data-slides-interval="fast"',
      'option-value: data-slides-interval is “fast”. interval is a number from 1 to 60 s.',
      '+ <ul class="kites" data-slides data-slides-play>',
    ],
    [
      'words for a switch',
      ' data-slides-loop="false"',
      'option-value: data-slides-loop is “false”. loop is on or off.',
      '+ <ul class="kites" data-slides>',
    ],
    [
      'seconds where nothing plays',
      ' data-slides-interval="3"',
      'option-idle: data-slides-interval does nothing here: nothing plays.',
      '+ <ul class="kites" data-slides>',
    ],
  ])('%s is found, with its mend', (_, attributes, says, after) => {
    const reading = slides(attributes);
    expect(findings(reading)).toEqual([says]);
    expect(fixed(reading)).toEqual([`- <ul class="kites" data-slides${attributes}>`, after]);
  });

  it('in a start call is found there', () => {
    const reading = site({
      name: 'slideshow',
      open: '<ul class="kites">',
      after: "<script>\nstartSlides('.kites', { effect: 'fad' });\n</script>\n",
    });
    expect(findings(reading)).toEqual([
      "option-value: This sets effect to 'fad'. effect is one of cut, fade, side, up, grow, shrink.",
    ]);
    expect(fixed(reading)).toContain("+ startSlides('.kites', { effect: 'fade' });");
  });

  it.each(['', ' data-slides-picker="strip"', ' data-slides-play data-slides-interval="3"', ' data-slides-loop="off"'])(
    'what is right is left alone: %s',
    (attributes) => expect(findings(slides(attributes))).toEqual([]),
  );
});

describe('changing from one viewer to another', () => {
  const change = (reading: SiteReading, from: string, to: string) =>
    asked(reading, { kind: 'change-kit', page: 'index.html', from, to });
  const open = (reading: SiteReading, from: string, to: string) => {
    const outcome = change(reading, from, to);
    if (typeof outcome === 'string') throw new Error(outcome);
    return { label: outcome.label, list: /<ul[^>]*>/.exec(outcome.files['index.html'] ?? '')?.[0] };
  };

  it('carries options over by what they mean, and says which it could not', () => {
    const reading = site({
      name: 'slideshow',
      open: '<ul class="kites" data-slides data-slides-play data-slides-interval="3" data-slides-effect="fade" data-slides-picker="thumbnails">',
    });
    const { label, list } = open(reading, 'slideshow', 'lightbox');
    expect(list).toBe('<ul class="kites" data-enlarge-strip data-enlarge-play data-enlarge-interval="3">');
    expect(label).toContain('not carried over: Transition');
  });

  it('carries over what a start call says', () => {
    const reading = site({
      name: 'slideshow',
      open: '<ul class="kites">',
      after: "<script>\nstartSlides('.kites', { play: false, loop: false, interval: 4 });\n</script>\n",
    });
    expect(open(reading, 'slideshow', 'opening')).toEqual({
      label: expect.stringContaining('not carried over: Loop'),
      list: '<ul class="kites" data-opening data-opening-interval="4">',
    });
  });

  it('leaves nothing of the former one’s options behind, wherever in the gallery they stand', () => {
    const reading = site({
      name: 'lightbox',
      open: '<ul class="kites" data-enlarge-strip data-enlarge-counter="off">',
      attributes: ' data-enlarge data-enlarge-group="g" data-enlarge-tab',
    });
    const outcome = asked(reading, { kind: 'unwire', page: 'index.html', kit: 'lightbox' });
    expect(typeof outcome === 'string' ? outcome : outcome.files['index.html']).not.toContain('data-enlarge');
  });
});

it('words in a start call cannot end it, nor the script element that it stands in', () => {
  const reading = site({
    name: 'slideshow',
    open: '<ul class="kites">',
    after: "<script>\nstartSlides('.kites');\n</script>\n",
  });
  expect(lines(reading, set('slideshow', { options: { label: "Kate's\\ </script><!--" } }))).toContain(
    "+ startSlides('.kites', { label: 'Kate\\'s\\\\ \\x3c/script>\\x3c!--' });",
  );
});

it('a look cannot end its declaration, nor the style element that it stands in', () => {
  const reading = site({ name: 'slideshow', open: '<ul class="kites" data-slides>' });
  for (const value of ['red; } body { color: red', 'red</style><script>', 'red /* and'])
    expect(lines(reading, set('slideshow', { look: { '--slides-ink': value } }))).toMatch(/would end the declaration/);
});
