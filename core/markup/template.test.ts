/** Code of a server is fenced off: it is no markup, and nothing is changed across it. */
import { describe, expect, it } from 'vitest';
import { applyEdits } from '../site/index.ts';
import { parsePage } from './document.ts';
import { galleriesOf, type Gallery } from './galleries.ts';
import { hazardsOf } from './hazards.ts';
import { removeItem } from './items.ts';
import { setAlt } from './slots.ts';
import { templateCode, withoutTemplates } from './template.ts';

const read = (text: string) => withoutTemplates(text, templateCode(text));

describe('code of a server', () => {
  it.each([
    ['<p>a</p>', '<p>a</p>'],
    ['<?php if ($a > 1) echo "<b>"; ?>x', '<?php if ($a   1) echo   b  ; ?>x'],
    ['<a href="<?= $u["x"] ?>">', '<a href="<?= $u[ x ] ?>">'],
    ['a<%= "<b>" %>\nb', 'a            \nb'],
    ['<%\nx > y\n%>', '  \n     \n  '],
    ['<?xml version="1.0"?><p>', '<?xml version="1.0"?><p>'],
    ['<?xml-stylesheet href="a.css"?>', '<?xml-stylesheet href="a.css"?>'],
    ['<p><?php never ends <b>', '<p><?php never ends  b '],
  ])('%s is read as %s', (text, readable) => {
    expect(read(text)).toBe(readable);
    expect(readable).toHaveLength(text.length);
  });

  const item = (name: string) => `<li><a href="l/${name}.jpg"><img src="s/${name}.jpg" alt="${name}"></a></li>`;
  const opened = (text: string): [ReturnType<typeof parsePage>, Gallery] => {
    const page = parsePage(text);
    const [gallery] = galleriesOf(page);
    if (!gallery) throw new Error('There is no gallery.');
    return [page, gallery];
  };

  it('round a gallery leaves it as it is, and stays to the letter', () => {
    const text = `<?php include "menu.php"; if (1 > 0): ?>\n<ul>${item('a')}${item('b')}</ul>\n<?php endif ?>`;
    const [page, gallery] = opened(text);
    expect(gallery.items).toHaveLength(2);
    const edited = setAlt(page, gallery.items[1]!, 'Kite');
    const applied = edited.ok ? applyEdits(text, edited.edits) : edited;
    expect(applied).toEqual({ ok: true, text: text.replace('alt="b"', 'alt="Kite"') });
  });

  it('between items is in the way of all that changes their order or number, with its line', () => {
    const [page, gallery] = opened(`<ul>${item('a')}\n<?php foreach ($more as $m) show($m) ?>\n${item('b')}</ul>`);
    expect(removeItem(page, gallery, 0)).toMatchObject({ ok: false, reason: /^Line 2: code of a server stands here/ });
  });

  it('in a tag is told once', () => {
    const text = '<p class="<?= $c ?>">x</p>';
    expect(hazardsOf(parsePage(text)).map(({ says }) => says)).toEqual([
      'a template’s placeholder stands inside this tag',
    ]);
  });
});

describe('a page of XML', () => {
  const says = (text: string) => hazardsOf(parsePage(text)).map((hazard) => hazard.says);

  it('may close an element in its own tag, which is told where it goes on for readers of HTML', () => {
    expect(says('<?xml version="1.0"?><html><body><a id="x"/><p>y</p></body></html>')).toContainEqual(
      '<a/> is closed in its own tag, which only readers of XML understand',
    );
    expect(says('<?xml version="1.0"?><html><body><br/><img src="x"/></body></html>')).toEqual([]);
    expect(says('<!DOCTYPE html><p><a id="x"/>y</p>')).toEqual([]);
  });
});
