import fc from 'fast-check';
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { describe, expect, it } from 'vitest';
import { SourceComment, SourceDoctype, type SourceNode, SourceText, sourceTree } from './sourceTree.ts';

/** A node of parse5's own tree, in plain data. */
function theirs(node: Tree.ChildNode): unknown {
  const place = node.sourceCodeLocation;
  const range = place ? [place.startOffset, place.endOffset] : null;
  if ('value' in node) return { text: node.value, range };
  if ('data' in node) return { comment: node.data, range };
  if (!('tagName' in node)) return { doctype: 'name' in node ? node.name : '', range };
  const element = place && 'startTag' in place ? place : null;
  const content = 'content' in node ? node.content : null;
  return {
    tag: node.tagName,
    namespace: node.namespaceURI,
    range,
    openEnd: element?.startTag?.endOffset ?? -1,
    closeStart: element?.endTag?.startOffset ?? -1,
    attributes: node.attrs.map(({ name, prefix, value }) => {
      const written = element?.attrs?.[prefix ? `${prefix}:${name}` : name];
      return { name, value, at: written ? [written.startOffset, written.endOffset] : null };
    }),
    children: (content?.childNodes ?? node.childNodes).map(theirs),
  };
}

function ours(node: SourceNode): unknown {
  const range = node.start < 0 ? null : [node.start, node.end];
  if (node instanceof SourceText) return { text: node.value, range };
  if (node instanceof SourceComment) return { comment: node.value, range };
  if (node instanceof SourceDoctype) return { doctype: node.name, range };
  return {
    tag: node.tag,
    namespace: node.namespace,
    range,
    openEnd: node.openEnd,
    closeStart: node.closeStart,
    attributes: node.attributes.map(({ name, value }, n) => {
      const at = [node.attributePlaces[n * 2] ?? -1, node.attributePlaces[n * 2 + 1] ?? -1];
      return { name, value, at: at.includes(-1) ? null : at };
    }),
    children: (node.content?.children ?? node.children).map(ours),
  };
}

const same = (text: string) => {
  const expected = parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: false }).childNodes.map(theirs);
  expect(sourceTree(text).children.map(ours)).toEqual(expected);
};

/** Where a browser builds something else than is written (WHATWG HTML §13.2.6, §13.2.10). */
const ODD = [
  '',
  'words alone',
  '<!DOCTYPE html><!-- before --><html lang=en><head><title>A</title></head><body class=a>B</body></html><!-- behind -->',
  '<p>1<b>2<i>3</b>4</i>5</p>',
  '<p><b><b><b><b><p>x</b></p>',
  '<b>1<p>2</b>3</p>',
  '<table>words<tr><td>1</table>',
  '<table>a<b>b<tr>c<td>d</b>e</table>f',
  '<table><td><p>1<table><td>2</table>3</table>',
  '<a href=1>1<table><a href=2>2</a></table>',
  '<template><li>1<template>2</template></li></template>',
  '<svg viewBox="0 0 1 1"><a xlink:href="b">c</a><template>d</template><foreignObject><p>e</svg>',
  '<math><annotation-xml encoding="text/html"><p>1</p></annotation-xml></math>',
  '<body a=1><p>1<body a=2 b=3><body c=4 b=5>',
  '<html a=1><html b=2>',
  '<frameset><frame src=a></frameset>',
  '<p>a<frameset><frame></frameset>',
  '<select><option>1<option>2<select>3</select>',
  '<ul><li>1<li>2<ul><li>3</ul></ul>',
  '<form><form><p></form>x</form>',
  '<p>1</p>\0<p a=1 a=2 B=3 =4>5</p>',
  '<noscript><img src=a></noscript><plaintext><p>',
  '</p></br>1</body>2</html>3<!-- 4 -->',
];

describe('the tree of a page', () => {
  it.each(ODD)('is what the parser’s own tree is: %j', same);

  it('and of any mixture of these', () => {
    const pieces = ODD.flatMap((text) => text.match(/<[^>]*>|[^<]+/g) ?? []);
    const mixture = fc.array(fc.constantFrom(...pieces), { maxLength: 30 }).map((all) => all.join(''));
    fc.assert(fc.property(mixture, same), { numRuns: 400 });
  });
});
