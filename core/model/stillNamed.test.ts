/** What still names a file that has gone elsewhere is told, and nothing else is. */
import { describe, expect, it } from 'vitest';
import { siteOf } from '../plans/asked.fixture.ts';
import { planFor } from '../plans/index.ts';

const told = (files: Record<string, string>, from: string, to: string) => {
  const planned = planFor(siteOf(files), { kind: 'rename', from, to });
  return planned.ok ? planned.named?.map(({ path, line, name }) => `${path}:${line} ${name}`) : planned.reason;
};

describe('a name that stands in a text', () => {
  const SCRIPT = { 'js/go.js': '\ngo(base + "two.html");', 'two.html': 'x', 'l/a.jpg': 'a', 's/a.jpg': 'b' };

  it.each<[string, Record<string, string>, string, string, string[]]>([
    ['is told where it leads there by itself', SCRIPT, 'two.html', 'days/two.html', ['js/go.js:2 two.html']],
    ['is told under another name', SCRIPT, 'two.html', 'three.html', ['js/go.js:2 two.html']],
    ['is not told alone where only the folder is another', { ...SCRIPT, 'w.txt': 'a.jpg' }, 'l/a.jpg', 'm/a.jpg', []],
    ['is told with its folder', { ...SCRIPT, 'w.txt': 'l/a.jpg' }, 'l/a.jpg', 'm/a.jpg', ['w.txt:1 l/a.jpg']],
    ['is not told of another file that has it', { ...SCRIPT, 'w.txt': 's/a.jpg' }, 'l/a.jpg', 'l/b.jpg', []],
    [
      'is told once a line',
      { ...SCRIPT, 'w.txt': 'a.jpg a.jpg\na.jpg' },
      'l/a.jpg',
      'l/b.jpg',
      ['w.txt:1 a.jpg', 'w.txt:2 a.jpg'],
    ],
    ['is no part of another name', { ...SCRIPT, 'w.txt': 'ba.jpg a.jpgx' }, 'l/a.jpg', 'l/b.jpg', []],
  ])('%s', (_what, files, from, to, places) => expect(told(files, from, to)).toEqual(places));
});
