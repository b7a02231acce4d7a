/**
 * Foreign things at random places of every manner in which galleries are written, beside a menu and sections; then
 * every kind of work, judged from outside. `ROUNDS=20 npx vitest run tests/unit/foreign.test.ts` tries all manners, and
 * others besides.
 */
import { describe, expect, it } from 'vitest';
import { ODD_STYLES } from '../../core/markup/oddStyles.fixture.ts';
import { pageOf, STYLES } from '../../core/markup/styles.fixture.ts';
import { readSite } from '../../core/model/index.ts';
import type { FileContent } from '../../core/site/index.ts';
import { VIEWERS } from '../kits.ts';
import { randomFrom } from '../robust/part.ts';
import { withForeign } from '../strangers/foreign.ts';
import { tryAll } from '../strangers/trials.ts';

const ROUNDS = Number(process.env.ROUNDS ?? 1);
const FROM = Number(process.env.FROM ?? 0);
const MENU =
  '<nav><ul>\n  <li><a href="kites.html">Kites</a></li>\n  <li><a href="other.html">Other</a></li>\n  <li><a href="#">Soon</a></li>\n</ul></nav>';

function siteOf(text: string): Map<string, FileContent> {
  const named = [...text.matchAll(/\b(?:[slgp]\/)?[\w-]+\.(?:jpg|webp|png|gif)\b/g)].map(([path]) => path);
  const other = pageOf(`${MENU}<p>Zqtext <img src="s/a.jpg" alt=""></p>`).replace('<li><a href="#">Soon</a></li>', '');
  return new Map<string, FileContent>([
    ['kites.html', { kind: 'text', text }],
    ['other.html', { kind: 'text', text: other }],
    ['look.css', { kind: 'text', text: 'p { margin: 0 }' }],
    ...[...new Set(named)].map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 9 }]),
  ]);
}

/** Every third manner where nobody asks for rounds. */
const ALL = [...STYLES, ...ODD_STYLES].filter((_, n) => process.env.ROUNDS !== undefined || n % 3 === 0);

describe.each(Array.from({ length: ROUNDS }, (_, n) => FROM + n + 1))('round %i', (round) => {
  it.each(ALL.map(({ name, body }) => [name, body] as const))('%s', (name, body) => {
    const random = randomFrom(round * 1000 + name.length);
    const pick = (end: number) => Math.floor(random() * end);
    let text = pageOf(`${MENU}\n<h2>First</h2>\n${body}\n<h2>Second</h2>\n${body}`);
    for (let n = 0; n < 4; n++) text = withForeign(text, n, pick);
    const site = readSite(siteOf(text), new Map(), VIEWERS);
    const page = site.pages.find(({ path }) => path === 'kites.html');
    if (!page) throw new Error('There is no page.');
    const outcome = tryAll(site, page, name, round);
    expect([...outcome.losses, ...outcome.badUndos], text).toEqual([]);
    expect(
      [...outcome.refusals.keys()].filter((reason) => /would have (?:vanished|appeared|moved)/.test(reason)),
    ).toEqual([]);
    expect(outcome.operations).toBeGreaterThan(7);
  });
});
