/** By which rules the addresses of a file are read; a language is a line here and a file beside this one. */
import { extensionOf } from '../site/index.ts';
import { type Address } from './address.ts';
import { styleAddresses } from './css.ts';
import { jsonAddresses } from './json.ts';
import { fileLayer, type Layer } from './layer.ts';
import { markdownAddresses } from './markdown.ts';
import { scriptAddresses } from './script.ts';
import { xmlAddresses } from './xml.ts';

const READERS: Readonly<Record<string, (layer: Layer) => Address[]>> = {
  css: styleAddresses,
  js: scriptAddresses,
  mjs: scriptAddresses,
  json: (layer) => jsonAddresses(layer, 'runner'),
  webmanifest: jsonAddresses,
  svg: xmlAddresses,
  xml: xmlAddresses,
  md: markdownAddresses,
};

/** Of every file but a page, which is parsed for other things as well. */
export const addressesOfFile = (path: string, text: string): Address[] =>
  READERS[extensionOf(path)]?.(fileLayer(text)) ?? [];
