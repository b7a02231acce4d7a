/** Addresses in Markdown: links, pictures, definitions, and the HTML that stands among them. */
import { parse, postprocess, preprocess } from 'micromark';
import { parsePage } from '../markup/index.ts';
import { type Address, addressAt } from './address.ts';
import { pageAddresses } from './html.ts';
import { AS_IT_IS, inner, type Layer } from './layer.ts';

/** CommonMark 0.31, §6.3, §4.7, §6.6 and §4.6, by micromark's names of tokens. */
const ADDRESS = new Set<string>(['resourceDestinationString', 'definitionDestinationString']);
const HTML = new Set<string>(['htmlFlow', 'htmlText']);

export function markdownAddresses(file: Layer): Address[] {
  // The library counts from behind a byte order mark.
  const begin = file.text.startsWith('\uFEFF') ? 1 : 0;
  const layer = inner(file, { start: begin, end: file.text.length }, file.text.slice(begin), AS_IT_IS);
  const events = postprocess(
    parse()
      .document()
      .write(preprocess()(layer.text, undefined, true)),
  );
  return events.flatMap(([way, { type, start, end }]) => {
    const at = { start: start.offset, end: end.offset };
    if (way !== 'enter') return [];
    if (ADDRESS.has(type)) return [addressAt(layer, at, { by: 'a link', certain: true })];
    if (!HTML.has(type)) return [];
    const text = layer.text.slice(at.start, at.end);
    return pageAddresses(parsePage(text), inner(layer, at, text, AS_IT_IS));
  });
}
