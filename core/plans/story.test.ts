import { describe, expect, it } from 'vitest';
import { findingsOf } from '../checks/index.ts';
import { pageLines } from '../markdown/index.ts';
import { textsOf } from '../model/index.ts';
import { applyEdits } from '../site/index.ts';
import type { Intent } from './intent.ts';
import { typedAlong } from './keepInStep.ts';
import { grid, OPENER, picture, STORY, Story, STYLE } from './story.fixture.ts';

const TEXT = '## The night before\n\nRain until *nine*.\n\nBy ten the field was full.\n';
const MADE = pageLines(TEXT);

const wish = (more: Partial<Intent & { kind: 'new-story' }> = {}): Intent => ({
  kind: 'new-story',
  path: 'day.html',
  title: 'A day',
  text: TEXT,
  keep: false,
  pictures: [],
  shown: grid(3),
  ...more,
});

const region = (lines: string, indent = '') =>
  `<!-- text from day.md: begin -->\n${lines}${indent}<!-- text from day.md: end -->`;

/** A page made from a skeleton, with its text in `day.md`. */
const kept = (more: Partial<Intent & { kind: 'new-story' }> = {}) =>
  new Story(STORY, [OPENER]).do(wish({ keep: true, ...more }));

/** Somebody types into a file. */
function typed(story: Story, path: string, find: string, replace: string): Story {
  const before = story.textOf(path);
  const start = before.indexOf(find);
  if (start < 0) throw new Error(`There is no ${find} in ${path}.`);
  const edits = [{ start, end: start + find.length, text: replace }];
  const change = { label: 'Type', files: [{ kind: 'edit' as const, path, edits }] };
  return story.change([...change.files, ...typedAlong(story.site, change, (files) => story.read(files))]);
}

const found = (story: Story) => findingsOf(story.site).filter(({ rule }) => rule === 'text-apart');

function fixed(story: Story, n: number): Story {
  return story.do({ kind: 'fix', finding: found(story)[0]?.id ?? '', fix: n });
}

describe('a new page with a text', () => {
  it('has it in its own markup', () => {
    const page = new Story().do(wish()).textOf('day.html');
    expect(page).toContain(
      '    <h1>A day</h1>\n    <h2>The night before</h2>\n    <p>Rain until <em>nine</em>.</p>\n    <p>By ten the field was full.</p>\n  </main>',
    );
  });

  it('takes none of the words of the page that it is made from', () => {
    const foot = '<div class="foot"><p>Written in a loft.</p></div>';
    const story = new Story(STORY.replace('</body>', `${foot}\n</body>`));
    const page = story.do(wish({ from: 'story.html' })).textOf('day.html');
    expect(page).toBe(
      STORY.replace('<title>The day', '<title>A day').replace(
        /<h1>[^]*<\/body>/,
        `<h1>A day</h1>\n${MADE}${foot}\n</body>`,
      ),
    );
  });

  it('has it in the place of a gallery', () => {
    const items = ['a', 'b', 'c'].map(
      (name) => `<li><a href="l/${name}.jpg"><img src="s/${name}.jpg" alt=""></a></li>`,
    );
    const story = new Story(STORY.replace('<p>By ten', `<ul>\n${items.join('\n')}\n</ul>\n<p>By ten`));
    const page = story.do(wish({ from: 'story.html' })).textOf('day.html');
    expect(page).not.toContain('<ul>');
    expect(page).not.toContain('Rain until nine, then');
    expect(page).toContain(MADE.trimEnd());
  });

  it.each(['# A day\n\n', 'A day\n=====\n\n', '\uFEFF# A day #\r\n'])('has the heading once: %j', (heading) => {
    const page = new Story().do(wish({ text: heading + TEXT })).textOf('day.html');
    expect(page.match(/A day<\/h1>/g)).toHaveLength(1);
    expect(page).toContain('<h1>A day</h1>\n    <h2>The night before</h2>');
  });

  it('has a heading of its text that says something else', () => {
    expect(new Story().do(wish({ text: `# Wind\n\n${TEXT}` })).textOf('day.html')).toContain('<h1>Wind</h1>');
  });

  it('keeps white space where it counts', () => {
    const text = 'One\n\n    two\n      three\n';
    expect(new Story().do(wish({ text })).textOf('day.html')).toContain('<pre><code>two\n  three\n</code></pre>');
  });

  it('has its first pictures behind the text', () => {
    const story = new Story(STORY, [OPENER]).do(wish({ pictures: [picture('a'), picture('b')], shown: grid(2) }));
    const page = story.textOf('day.html');
    expect(page).toContain('full.</p>\n    <div class="pictures of-2">\n      <a href="l/a.jpg"');
    expect(story.textOf('style.css')).toContain('.pictures.of-2 {');
  });

  it('keeps the text beside itself, and its pictures in that', () => {
    const story = kept({ pictures: [picture('a'), picture('b')], shown: grid(2) });
    const group = /<div class="pictures[^]*<\/div>\n/.exec(story.textOf('day.html'))?.[0] ?? '';
    expect(story.textOf('day.md')).toBe(`${TEXT}\n${group}`);
    expect(story.textOf('day.html')).toContain(region(MADE + group, '    '));
    expect(found(story)).toEqual([]);
  });

  it('is refused where the name of the text is taken', () => {
    const story = new Story(STORY, [], { 'day.md': 'Mine\n' });
    expect(story.plan(wish({ keep: true }))).toMatchObject({ ok: false });
  });
});

describe('a text that is kept as Markdown', () => {
  it('comes onto the page with every key', () => {
    const story = typed(kept(), 'day.md', '*nine*', '**ten**');
    expect(story.textOf('day.html')).toContain('<p>Rain until <strong>ten</strong>.</p>');
    expect(found(story)).toEqual([]);
  });

  it('waits while what is typed would take in the rest of the page, and comes when it does not', () => {
    const before = kept().textOf('day.html');
    const open = typed(kept(), 'day.md', 'By ten', '<textarea>\n\nBy ten');
    expect(open.textOf('day.html')).toBe(before);
    expect(found(open)[0]?.says).toBe(
      'day.md is not on day.html yet: a tag that it opens and does not close would hold the rest of the page.',
    );
    const closed = typed(open, 'day.md', '<textarea>', '<textarea></textarea>');
    expect(closed.textOf('day.html')).toContain('<textarea></textarea>\n<p>By ten');
    expect(found(closed)).toEqual([]);
  });

  it('gets what the program writes on the page, and nothing else', () => {
    const story = kept({ text: `${TEXT}\nThe *end*.\n` });
    const offset = story.textOf('day.html').indexOf('Rain');
    story.do({
      kind: 'put-group',
      page: 'day.html',
      offset,
      pictures: [picture('a', 'The first'), picture('b')],
      shown: grid(2),
    });
    const group = /<div class="pictures[^]*<\/div>\n/.exec(story.textOf('day.html'))?.[0] ?? '';
    expect(group).toContain('<figcaption>The first</figcaption>');
    expect(story.textOf('day.md')).toBe(`${TEXT.replace('*nine*.\n', `*nine*.\n\n${group}`)}\nThe *end*.\n`);
    expect(found(story)).toEqual([]);
  });

  it('is asked about where the page was changed by hand', () => {
    const story = typed(kept(), 'day.html', 'By ten', 'By eleven');
    expect(story.textOf('day.md')).toBe(TEXT);
    expect(found(story)[0]?.says).toBe('The text of day.html was changed in the page; day.md says something else.');
    // Until somebody has said it, neither changes the other.
    const both = typed(story, 'day.md', '*nine*', 'eight');
    expect(both.textOf('day.html')).toContain('By eleven');
    expect(both.textOf('day.html')).toContain('<em>nine</em>');
  });

  it('leads where its author says so', () => {
    const before = kept();
    const page = before.textOf('day.html');
    const story = fixed(typed(before, 'day.html', 'By ten', 'By eleven'), 0);
    expect(story.textOf('day.html')).toBe(page);
    expect(found(story)).toEqual([]);
  });

  it('follows where its author says so', () => {
    const story = fixed(typed(kept(), 'day.html', 'By ten', 'By eleven'), 1);
    expect(story.textOf('day.md')).toBe(TEXT.replace('By ten', 'By eleven'));
    expect(story.textOf('day.html')).toContain('By eleven');
    expect(found(story)).toEqual([]);
    // And leads again from then on.
    expect(typed(story, 'day.md', '*nine*', 'ten').textOf('day.html')).toContain('<p>Rain until ten.</p>');
  });

  it('gets the words of its pictures as Markdown', () => {
    const story = kept({ text: `${TEXT}\n![A kite](l/a.jpg)\n` });
    const words = { page: 'day.html', group: 0, first: 'l/a.jpg', item: 0 };
    story.do({ kind: 'set-group-words', ...words, alt: 'A box kite' });
    expect(story.textOf('day.html')).toContain('<p><img src="l/a.jpg" alt="A box kite" /></p>');
    expect(story.textOf('day.md')).toBe(`${TEXT}\n![A box kite](l/a.jpg)\n`);
    expect(found(story)).toEqual([]);
  });

  it('is left where its author says so', () => {
    const story = fixed(typed(kept(), 'day.html', 'By ten', 'By eleven'), 2);
    expect(story.textOf('day.html')).not.toContain('text from');
    expect(story.textOf('day.html')).toContain('By eleven');
    expect(story.textOf('day.md')).toBe(TEXT);
    expect(textsOf(story.site)).toEqual([]);
  });

  it('follows its page into another folder and to another name, and is found there', () => {
    const story = kept({ text: `${TEXT}\n![A kite](l/a.jpg)\n` });
    story.do({ kind: 'rename', from: 'day.md', to: 'texts/the-day.md' });
    expect(story.textOf('day.html')).toContain('<!-- text from texts/the-day.md: begin -->');
    expect(story.textOf('texts/the-day.md')).toContain('![A kite](../l/a.jpg)');
    story.do({ kind: 'rename', from: 'l/a.jpg', to: 'l/kite.jpg' });
    expect(story.textOf('day.html')).toContain('<img src="l/kite.jpg"');
    // What comes onto the page goes back to where the text is.
    const offset = story.textOf('day.html').indexOf('Rain');
    const pictures = [picture('b'), picture('c')];
    story.do({ kind: 'put-group', page: 'day.html', offset, pictures, shown: grid(2) });
    expect(story.textOf('day.html')).toContain('<a href="l/b.jpg"');
    expect(story.textOf('texts/the-day.md')).toContain('<a href="../l/b.jpg"');
    expect(found(story)).toEqual([]);
  });

  it('that stands in a site without notes is the page’s as long as both say the same', () => {
    const story = kept();
    story.files.delete('heathmoor.json');
    expect(found(story)).toEqual([]);
    expect(typed(story, 'day.md', '*nine*', 'ten').textOf('day.html')).toContain('<p>Rain until ten.</p>');
  });

  it('is written with the line breaks of its page', () => {
    const story = new Story(STORY.replaceAll('\n', '\r\n')).do(wish({ from: 'story.html', keep: true }));
    const text = typed(story, 'day.md', '*nine*', 'ten').textOf('day.html');
    expect(text).toContain('<p>Rain until ten.</p>\r\n');
    expect(text.replaceAll('\r\n', '')).not.toContain('\n');
  });

  it('is put onto a page that is there', () => {
    const story = new Story(STORY, [], { 'notes/walk.md': TEXT });
    story.do({ kind: 'put-text', page: 'story.html', source: 'notes/walk.md', offset: STORY.indexOf('By ten') });
    const marks = (end: string) => `<!-- text from notes/walk.md: ${end} -->`;
    expect(story.text).toBe(STORY.replace('full.</p>\n', `full.</p>\n${marks('begin')}\n${MADE}${marks('end')}\n`));
    expect(typed(story, 'notes/walk.md', '*nine*', 'ten').text).toContain('<p>Rain until ten.</p>');
    expect(story.textOf('style.css')).toBe(STYLE);
  });

  it('goes with its page', () => {
    const story = kept().do({ kind: 'delete-page', path: 'day.html' });
    expect(story.site.notes.known.texts).toEqual([]);
  });
});

it('edits of a page are the smallest', () => {
  const story = kept();
  const before = story.textOf('day.html');
  const change = { label: '', files: [{ kind: 'edit' as const, path: 'day.md', edits: [] }] };
  const edit = { start: TEXT.indexOf('full'), end: TEXT.indexOf('full') + 4, text: 'empty' };
  const along = typedAlong(story.site, { ...change, files: [{ ...change.files[0]!, edits: [edit] }] }, (files) =>
    story.read(files),
  );
  const edits = along.flatMap((file) => (file.kind === 'edit' && file.path === 'day.html' ? file.edits : []));
  expect(edits).toEqual([{ start: before.indexOf('full'), end: before.indexOf('full') + 4, text: 'empty' }]);
  expect(applyEdits(before, edits).ok).toBe(true);
});
