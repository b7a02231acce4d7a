/** Attributes as the HTML Living Standard, §13.1.2.3, lets them be written. */
import { describe, expect, it } from 'vitest';
import { known } from '../site/index.ts';
import { editAttribute, editAttributes } from './attributes.ts';
import { attributeOf, parsePage } from './document.ts';
import { textAfter, the } from './edited.fixture.ts';
import { encodeAttribute, encodeMarkup, removeAttribute } from './encode.ts';

const set = (html: string, name: string, value: string) => {
  const page = parsePage(html);
  return textAfter(page, editAttribute(page, the(page, 'b'), name, value));
};

describe('text', () => {
  it('is encoded for where it stands', () => {
    expect(encodeMarkup('a & b < c > d " e &amp;')).toBe('a &amp; b &lt; c &gt; d " e &amp;amp;');
    expect(encodeAttribute(`a & "b" 'c' <`, '"')).toBe("a &amp; &quot;b&quot; 'c' <");
    expect(encodeAttribute(`a & "b" 'c'`, "'")).toBe('a &amp; "b" &#39;c&#39;');
  });
});

describe('an attribute', () => {
  it.each([
    ['<b>x</b>', 'a', 'v', '<b a="v">x</b>'],
    ['<b>x</b>', 'a', '', '<b a>x</b>'],
    ['<b c>x</b>', 'a', 'v"w', '<b c a="v&quot;w">x</b>'],
    ['<b c=d>x</b>', 'a', 'v', '<b c=d a="v">x</b>'],
    ['<b c/>x', 'a', 'v', '<b c a="v"/>x'],
    ['<b c="d"e>x</b>', 'a', 'v', '<b c="d"e a="v">x</b>'],
    ['<b\n>x</b>', 'a', 'v', '<b a="v"\n>x</b>'],
    ['<b a="1">x</b>', 'a', 'v & w', '<b a="v &amp; w">x</b>'],
    ["<b a='1'>x</b>", 'a', 'v\'w"', "<b a='v&#39;w\"'>x</b>"],
    ['<b a=1>x</b>', 'a', 'v', '<b a=v>x</b>'],
    ['<b a=1>x</b>', 'a', 'v w', '<b a="v w">x</b>'],
    ['<b a=1>x</b>', 'a', '', '<b a="">x</b>'],
    ['<b a=1>x</b>', 'a', 'v=w', '<b a="v=w">x</b>'],
    ['<b a=1>x</b>', 'a', 'v`', '<b a="v`">x</b>'],
    ['<b a>x</b>', 'a', 'v"', '<b a="v&quot;">x</b>'],
    ['<b A="1">x</b>', 'a', '1', '<b A="1">x</b>'],
  ])('%s with %s="%s"', (html, name, value, expected) => expect(set(html, name, value)).toBe(expected));

  it('goes with the space before it', () => {
    const html = '<b a="1"\n   c=2>x</b>';
    const page = parsePage(html);
    const attribute = known(attributeOf(the(page, 'b'), 'c'), 'attribute');
    expect(textAfter(page, { ok: true, edits: [removeAttribute(attribute, html)] })).toBe('<b a="1">x</b>');
  });

  it('comes and goes on several elements at once', () => {
    const page = parsePage('<b a=1>x</b><i>y</i><u>z</u>');
    const [b, i, u] = [the(page, 'b'), the(page, 'i'), the(page, 'u')];
    const wishes = [
      { element: b, name: 'a', value: null },
      { element: b, name: 'c', value: 'd' },
      { element: i, name: 'a', value: 'v' },
      { element: u, name: 'a', value: null },
    ];
    expect(textAfter(page, editAttributes(page, wishes))).toBe('<b c="d">x</b><i a="v">y</i><u>z</u>');
    expect(editAttributes(page, wishes.slice(3))).toEqual({ ok: true, edits: [] });
  });
});
