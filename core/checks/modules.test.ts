/** Modules are read as such; what is one and is not loaded as one is told. */
import { describe, expect, it } from 'vitest';
import { asked, linked, listPage, PICTURES, siteOf } from '../plans/asked.fixture.ts';
import { findingsOf } from './index.ts';

const siteWith = (tag: string, code: string) =>
  siteOf({
    ...PICTURES,
    'index.html': listPage([linked('a'), linked('b')]).replace('</head>', `${tag}</head>`),
    'js/more.js': code,
  });
const broken = (site: ReturnType<typeof siteWith>) => findingsOf(site).filter(({ rule }) => rule === 'script-broken');

const CODE = "import { words } from './words.js';\ndocument.title = words;\n";

describe('a script that imports', () => {
  it('is whole as a module', () =>
    expect(broken(siteWith('<script type="module" src="js/more.js"></script>', CODE))).toEqual([]));

  it('is told and mended where its type is missing', () => {
    const site = siteWith('<script src="js/more.js"></script>', CODE);
    const [finding] = broken(site);
    expect(finding).toMatchObject({ says: 'js/more.js has an import in it and is loaded as a plain script.' });
    const outcome = asked(site, { kind: 'fix', finding: finding?.id ?? '', fix: 0 });
    if (typeof outcome === 'string') throw new Error(outcome);
    expect(outcome.files['index.html']).toContain('<script src="js/more.js" type="module"></script>');
  });

  it('is told its mistakes as any other', () =>
    expect(broken(siteWith('<script type="module" src="js/more.js"></script>', `${CODE}var a = ;`))).toMatchObject([
      { says: expect.stringContaining('has a mistake on line 3') },
    ]));
});
