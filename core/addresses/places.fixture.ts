/**
 * Places where the name of a picture stands, as people and their tools write them. `l/a b.jpg` becomes `m/c&d.jpg`:
 * the place is written anew, or it is told where nobody can be certain.
 */
export interface Place {
  name: string;
  /** The file in which it stands. */
  path: string;
  before: string;
  /** What stands there afterwards; missing where it is told and left. */
  after?: string;
  /** Further files that the place needs. */
  more?: Record<string, string>;
}

const page = (name: string, before: string, after?: string, more?: Record<string, string>): Place => ({
  name,
  path: 'index.html',
  before,
  ...(after === undefined ? {} : { after }),
  ...(more === undefined ? {} : { more }),
});

const file = (path: string, name: string, before: string, after?: string, more?: Record<string, string>): Place => ({
  ...page(name, before, after, more),
  path,
});

/** How the names are written in an attribute, in plain text and at the root of a host. */
const ATTRIBUTES: [name: string, before: string, after: string][] = [
  ['link', '<a href="l/a%20b.jpg">x</a>', '<a href="m/c&amp;d.jpg">x</a>'],
  ['link without quotes', '<a href=l/a%20b.jpg>x</a>', '<a href=m/c&amp;d.jpg>x</a>'],
  ['link in single quotes', "<a href='l/a b.jpg'>x</a>", "<a href='m/c&amp;d.jpg'>x</a>"],
  ['link with spaces around', '<a href=" l/a%20b.jpg ">x</a>', '<a href="m/c&amp;d.jpg">x</a>'],
  ['link by a backslash', '<a href="l\\a%20b.jpg">x</a>', '<a href="m/c&amp;d.jpg">x</a>'],
  ['link with a query', '<a href="l/a%20b.jpg?v=2&amp;w=3">x</a>', '<a href="m/c&amp;d.jpg?v=2&amp;w=3">x</a>'],
  ['link with a dot', '<a href="./l/a%20b.jpg">x</a>', '<a href="./m/c&amp;d.jpg">x</a>'],
  ['link from the root', '<a href="/l/a%20b.jpg">x</a>', '<a href="/m/c&amp;d.jpg">x</a>'],
  ['link by a letter as a number', '<a href="l&#47;a&#32;b.jpg">x</a>', '<a href="m/c&amp;d.jpg">x</a>'],
  ['picture', '<img src="l/a%20b.jpg" alt="">', '<img src="m/c&amp;d.jpg" alt="">'],
  [
    'candidates',
    '<img srcset="l/a%20b.jpg 1x, l/other.jpg 2x" alt="">',
    '<img srcset="m/c&amp;d.jpg 1x, l/other.jpg 2x" alt="">',
  ],
  [
    'candidates on several lines',
    '<img srcset="\n  l/other.jpg 300w,\n  l/a%20b.jpg 900w" alt="">',
    '<img srcset="\n  l/other.jpg 300w,\n  m/c&amp;d.jpg 900w" alt="">',
  ],
  [
    'source of a picture',
    '<picture><source srcset="l/a%20b.jpg"><img alt=""></picture>',
    '<picture><source srcset="m/c&amp;d.jpg"><img alt=""></picture>',
  ],
  ['poster', '<video poster="l/a%20b.jpg"></video>', '<video poster="m/c&amp;d.jpg"></video>'],
  ['object', '<object data="l/a%20b.jpg"></object>', '<object data="m/c&amp;d.jpg"></object>'],
  ['embed', '<embed src="l/a%20b.jpg">', '<embed src="m/c&amp;d.jpg">'],
  ['frame', '<iframe src="l/a%20b.jpg"></iframe>', '<iframe src="m/c&amp;d.jpg"></iframe>'],
  [
    'button of pictures',
    '<input type="image" src="l/a%20b.jpg" alt="x">',
    '<input type="image" src="m/c&amp;d.jpg" alt="x">',
  ],
  ['image map', '<map><area href="l/a%20b.jpg" alt="x"></map>', '<map><area href="m/c&amp;d.jpg" alt="x"></map>'],
  ['background', '<table background="l/a%20b.jpg"></table>', '<table background="m/c&amp;d.jpg"></table>'],
  ['low source', '<img lowsrc="l/a%20b.jpg" alt="">', '<img lowsrc="m/c&amp;d.jpg" alt="">'],
  ['long description', '<img longdesc="l/a%20b.jpg" alt="">', '<img longdesc="m/c&amp;d.jpg" alt="">'],
  ['quotation', '<q cite="l/a%20b.jpg">x</q>', '<q cite="m/c&amp;d.jpg">x</q>'],
  ['form', '<form action="l/a%20b.jpg"></form>', '<form action="m/c&amp;d.jpg"></form>'],
  ['button of a form', '<button formaction="l/a%20b.jpg">x</button>', '<button formaction="m/c&amp;d.jpg">x</button>'],
  ['drawing', '<svg><image href="l/a%20b.jpg"/></svg>', '<svg><image href="m/c&amp;d.jpg"/></svg>'],
  [
    'drawing by xlink',
    '<svg><image xlink:href="l/a%20b.jpg"/></svg>',
    '<svg><image xlink:href="m/c&amp;d.jpg"/></svg>',
  ],
  ['data-src', '<img data-src="l/a%20b.jpg" alt="">', '<img data-src="m/c&amp;d.jpg" alt="">'],
  ['data-full, with a space', '<a data-full="l/a b.jpg">x</a>', '<a data-full="m/c&amp;d.jpg">x</a>'],
  ['data-bg', '<div data-bg="l/a%20b.jpg"></div>', '<div data-bg="m/c&amp;d.jpg"></div>'],
  ['data-bg as url()', '<div data-bg="url(l/a%20b.jpg)"></div>', '<div data-bg="url(m/c&amp;d.jpg)"></div>'],
  [
    'data-srcset',
    '<img data-srcset="l/a%20b.jpg 1x, l/other.jpg 2x" alt="">',
    '<img data-srcset="m/c&amp;d.jpg 1x, l/other.jpg 2x" alt="">',
  ],
  [
    'a list in an attribute',
    '<div data-pictures="l/a%20b.jpg|l/other.jpg"></div>',
    '<div data-pictures="m/c&amp;d.jpg|l/other.jpg"></div>',
  ],
  [
    'JSON in an attribute',
    '<div data-set=\'{"full":"l/a b.jpg"}\'></div>',
    '<div data-set=\'{"full":"m/c&amp;d.jpg"}\'></div>',
  ],
  [
    'JSON with entities in an attribute',
    '<div data-set="{&quot;full&quot;:&quot;l/a b.jpg&quot;}"></div>',
    '<div data-set="{&quot;full&quot;:&quot;m/c&amp;d.jpg&quot;}"></div>',
  ],
  ['an attribute with a colon', '<img x:src="l/a%20b.jpg" alt="">', '<img x:src="m/c&amp;d.jpg" alt="">'],
  ['an attribute with an at sign', '<img @full="l/a%20b.jpg" alt="">', '<img @full="m/c&amp;d.jpg" alt="">'],
  [
    'a custom element',
    '<kite-frame picture="l/a%20b.jpg"></kite-frame>',
    '<kite-frame picture="m/c&amp;d.jpg"></kite-frame>',
  ],
  [
    'choice of a list',
    '<select><option value="l/a%20b.jpg">x</select>',
    '<select><option value="m/c&amp;d.jpg">x</select>',
  ],
  [
    'parameter',
    '<object><param name="src" value="l/a%20b.jpg"></object>',
    '<object><param name="src" value="m/c&amp;d.jpg"></object>',
  ],
  ['handler', '<a onclick="show(\'l/a b.jpg\')">x</a>', '<a onclick="show(\'m/c&amp;d.jpg\')">x</a>'],
  [
    'handler that swaps',
    '<img onmouseover="big.src=\'l/a%20b.jpg\'" alt="">',
    '<img onmouseover="big.src=\'m/c&amp;d.jpg\'" alt="">',
  ],
  [
    'javascript:',
    '<a href="javascript:show(\'l/a b.jpg\')">x</a>',
    '<a href="javascript:show(\'m/c&amp;d.jpg\')">x</a>',
  ],
  ['style', '<p style="background: url(l/a%20b.jpg)">x</p>', '<p style="background: url(m/c&amp;d.jpg)">x</p>'],
  [
    'style with entities',
    '<p style="background: url(&quot;l/a b.jpg&quot;)">x</p>',
    '<p style="background: url(&quot;m/c&amp;d.jpg&quot;)">x</p>',
  ],
  ['custom property', '<p style="--face: url(l/a%20b.jpg)">x</p>', '<p style="--face: url(m/c&amp;d.jpg)">x</p>'],
  [
    'a page in an attribute',
    "<iframe srcdoc=\"<img src='l/a%20b.jpg' alt=''>\"></iframe>",
    "<iframe srcdoc=\"<img src='m/c&amp;amp;d.jpg' alt=''>\"></iframe>",
  ],
  ['taken out for a while', '<!-- <a href="l/a%20b.jpg">x</a> -->', '<!-- <a href="m/c&amp;d.jpg">x</a> -->'],
  [
    'template',
    '<template><img src="l/a%20b.jpg" alt=""></template>',
    '<template><img src="m/c&amp;d.jpg" alt=""></template>',
  ],
  [
    'without scripts',
    '<noscript><img src="l/a%20b.jpg" alt=""></noscript>',
    '<noscript><img src="m/c&amp;d.jpg" alt=""></noscript>',
  ],
  [
    'pattern of a script',
    '<script type="text/template"><img src="l/a%20b.jpg" alt=""></script>',
    '<script type="text/template"><img src="m/c&amp;d.jpg" alt=""></script>',
  ],
];

const HEADS: [name: string, before: string, after: string][] = [
  [
    'og:image',
    '<meta property="og:image" content="l/a%20b.jpg">',
    '<meta property="og:image" content="m/c&amp;d.jpg">',
  ],
  [
    'twitter:image',
    '<meta name="twitter:image" content="l/a%20b.jpg">',
    '<meta name="twitter:image" content="m/c&amp;d.jpg">',
  ],
  ['icon', '<link rel="icon" href="l/a%20b.jpg">', '<link rel="icon" href="m/c&amp;d.jpg">'],
  [
    'preload',
    '<link rel="preload" as="image" imagesrcset="l/a%20b.jpg 2x">',
    '<link rel="preload" as="image" imagesrcset="m/c&amp;d.jpg 2x">',
  ],
  [
    'refresh',
    '<meta http-equiv="refresh" content="5; url=l/a%20b.jpg">',
    '<meta http-equiv="refresh" content="5; url=m/c&amp;d.jpg">',
  ],
  [
    'refresh in quotes',
    '<meta http-equiv="Refresh" content="5;URL=\'l/a b.jpg\'">',
    '<meta http-equiv="Refresh" content="5;URL=\'m/c&amp;d.jpg\'">',
  ],
  [
    'own address',
    '<link rel="canonical" href="https://kites.example/"><meta property="og:image" content="https://kites.example/l/a%20b.jpg">',
    '<link rel="canonical" href="https://kites.example/"><meta property="og:image" content="https://kites.example/m/c&amp;d.jpg">',
  ],
  [
    'linked data',
    '<script type="application/ld+json">{"image": "l/a b.jpg"}</script>',
    '<script type="application/ld+json">{"image": "m/c&d.jpg"}</script>',
  ],
  [
    'import map',
    '<script type="importmap">{"imports": {"face": "./l/a b.jpg"}}</script>',
    '<script type="importmap">{"imports": {"face": "./m/c&d.jpg"}}</script>',
  ],
  [
    'style element',
    '<style>p { background: url("l/a b.jpg") }</style>',
    '<style>p { background: url("m/c&d.jpg") }</style>',
  ],
  ['script', '<script>show("l/a b.jpg");</script>', '<script>show("m/c&d.jpg");</script>'],
  [
    'script with a line before',
    '<script>\nvar one = 1;\nshow("l/a b.jpg");\n</script>',
    '<script>\nvar one = 1;\nshow("m/c&d.jpg");\n</script>',
  ],
  [
    'module',
    '<script type="module">import "./js/own.js"; show(`l/a b.jpg`);</script>',
    '<script type="module">import "./js/own.js"; show(`m/c&d.jpg`);</script>',
  ],
  [
    'style of a frame',
    '<script>document.body.style.background = "url(l/a%20b.jpg) red";</script>',
    '<script>document.body.style.background = "url(m/c&d.jpg) red";</script>',
  ],
];

const STYLES: [name: string, before: string, after: string][] = [
  ['url()', 'p { background: url(../l/a%20b.jpg) }', 'p { background: url(../m/c&d.jpg) }'],
  ['url() in quotes', 'p { background: url( "../l/a b.jpg" ) }', 'p { background: url( "../m/c&d.jpg" ) }'],
  ['url() with an escape', 'p { background: url(../l/a\\ b.jpg) }', 'p { background: url(../m/c&d.jpg) }'],
  ['@import', '@import "../l/a b.jpg";', '@import "../m/c&d.jpg";'],
  ['image-set()', 'p { background: image-set("../l/a b.jpg" 1x) }', 'p { background: image-set("../m/c&d.jpg" 1x) }'],
  ['custom property', ':root { --face: url(../l/a%20b.jpg) }', ':root { --face: url(../m/c&d.jpg) }'],
  ['custom property as a text', ':root { --face: "../l/a b.jpg" }', ':root { --face: "../m/c&d.jpg" }'],
  ['nested rule', 'p { & b { background: url(../l/a%20b.jpg) } }', 'p { & b { background: url(../m/c&d.jpg) } }'],
  ['layer', '@layer x { p { mask: url(../l/a%20b.jpg) } }', '@layer x { p { mask: url(../m/c&d.jpg) } }'],
  [
    'beside a mistake',
    'p { colour } b { background: url(../l/a%20b.jpg) }',
    'p { colour } b { background: url(../m/c&d.jpg) }',
  ],
];

const SCRIPTS: [name: string, before: string, after: string][] = [
  ['text', 'show("l/a b.jpg");', 'show("m/c&d.jpg");'],
  ['text with an escape', 'show("l\\/a b.jpg");', 'show("m/c&d.jpg");'],
  ['text in single quotes', "var a = ['l/a%20b.jpg'];", "var a = ['m/c&d.jpg'];"],
  ['template', 'show(`l/a b.jpg`);', 'show(`m/c&d.jpg`);'],
  ['name of a property', 'var words = { "l/a b.jpg": "x" };', 'var words = { "m/c&d.jpg": "x" };'],
  ['HTML in a text', 'out = \'<img src="l/a%20b.jpg">\';', 'out = \'<img src="m/c&d.jpg">\';'],
  ['HTML in a template', 'out = `<img src="l/a%20b.jpg" alt="${x}">`;', 'out = `<img src="m/c&d.jpg" alt="${x}">`;'],
];

const DATA: Place[] = [
  file('data.json', 'JSON', '[{"full": "l/a b.jpg"}]', '[{"full": "m/c&d.jpg"}]'),
  file('site.webmanifest', 'manifest', '{"icons": [{"src": "l/a b.jpg"}]}', '{"icons": [{"src": "m/c&d.jpg"}]}'),
  file('face.svg', 'SVG', '<svg><image href="l/a%20b.jpg"/></svg>', '<svg><image href="m/c&amp;d.jpg"/></svg>'),
  file(
    'face.svg',
    'SVG by xlink',
    '<svg><image xlink:href="l/a%20b.jpg"/></svg>',
    '<svg><image xlink:href="m/c&amp;d.jpg"/></svg>',
  ),
  file(
    'face.svg',
    'style of an SVG',
    '<svg><style>p { fill: url(l/a%20b.jpg) }</style></svg>',
    '<svg><style>p { fill: url(m/c&amp;d.jpg) }</style></svg>',
  ),
  file(
    'sitemap.xml',
    'site map',
    '<urlset><url><image:loc>https://kites.example/l/a%20b.jpg</image:loc></url></urlset>',
    '<urlset><url><image:loc>https://kites.example/m/c&amp;d.jpg</image:loc></url></urlset>',
    { 'index.html': '<link rel="canonical" href="https://kites.example/index.html">' },
  ),
  file('feed.xml', 'feed', '<rss><enclosure url="l/a%20b.jpg"/></rss>', '<rss><enclosure url="m/c&amp;d.jpg"/></rss>'),
  file(
    'feed.xml',
    'page in a feed',
    '<rss><content:encoded><![CDATA[<img src="l/a%20b.jpg">]]></content:encoded></rss>',
    '<rss><content:encoded><![CDATA[<img src="m/c&amp;d.jpg">]]></content:encoded></rss>',
  ),
  file('notes.md', 'Markdown picture', '![x](l/a%20b.jpg "t")', '![x](m/c&d.jpg "t")'),
  file('notes.md', 'Markdown picture in brackets', '![x](<l/a b.jpg>)', '![x](<m/c&d.jpg>)'),
  file('notes.md', 'Markdown definition', '[x]: l/a%20b.jpg', '[x]: m/c&d.jpg'),
  file('notes.md', 'HTML in Markdown', '<img src="l/a%20b.jpg">', '<img src="m/c&amp;d.jpg">'),
];

/** Nobody can be certain; the place is told. */
const TOLD: Place[] = [
  page('alt text that is a name', '<img src="l/other.jpg" alt="a b.jpg">'),
  page('title', '<p title="l/a b.jpg">x</p>'),
  page('words', '<p>See a b.jpg.</p>'),
  page('words in code', '<pre>&lt;img src="l/a b.jpg"&gt;</pre>'),
  page('text area', '<textarea><img src="l/a%20b.jpg"></textarea>'),
  page('put together', '<script>show("l/" + "a b.jpg");</script>'),
  page('behind a variable', '<script>show(base + "l/a b.jpg");</script>'),
  page('behind a gap', '<script>show(`${base}l/a b.jpg`);</script>'),
  page('broken script', '<script>show("l/a b.jpg"</script>'),
  page(
    'an address that nobody calls their own',
    '<meta property="og:image" content="https://kites.example/l/a%20b.jpg">',
  ),
  file('captions.txt', 'list', 'l/a b.jpg\tA kite'),
  file('words.csv', 'table', '"l/a b.jpg","A kite"'),
  file('js/put.js', 'put together in a script', 'show(base + "a b.jpg");'),
  file('broken.json', 'broken data', '{"full": "l/a b.jpg",'),
  file('notes.md', 'words of Markdown', 'See a b.jpg.'),
  file('page.php', 'a page of another language', '<?php show("l/a b.jpg"); ?>'),
];

const inPages = (rows: typeof ATTRIBUTES) => rows.map(([name, before, after]) => page(name, before, after));

export const PLACES: readonly Place[] = [
  ...inPages(ATTRIBUTES),
  ...inPages(HEADS),
  ...STYLES.map(([name, before, after]) => file('css/own.css', name, before, after)),
  ...SCRIPTS.map(([name, before, after]) =>
    file('js/own.js', name, before, after, { 'index.html': '<script src="js/own.js"></script>' }),
  ),
  ...DATA,
  ...TOLD,
];
