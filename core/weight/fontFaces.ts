/** The `@font-face` blocks of a stylesheet (CSS Fonts 4 §4). */
import { generate, parse, walk, type Atrule } from 'css-tree';
import { tooDeepAt } from '../site/index.ts';
import { namesIn, type FontFace } from './drawn.ts';

/** Formats that browsers of today read; a source that names another is passed over. */
const READ = /^(?:woff2?|truetype|opentype|collection|woff2?-variations|truetype-variations|opentype-variations)$/i;

/** `css` is the text from `start` on in the file at `stylesheet`. */
export function fontFacesIn(css: string, stylesheet: string, start: number): FontFace[] {
  if (!/@font-face/i.test(css) || tooDeepAt(css) !== null) return [];
  const faces: FontFace[] = [];
  walk(parse(css, { positions: true, parseValue: false }), {
    visit: 'Atrule',
    enter(node: Atrule) {
      if (node.name.toLowerCase() !== 'font-face' || !node.block) return;
      const said = new Map<string, string>();
      for (const one of node.block.children) {
        if (one.type === 'Declaration') said.set(one.property.toLowerCase(), generate(one.value));
      }
      const address = sourceIn(said.get('src') ?? '');
      const family = namesIn(said.get('font-family') ?? '')[0];
      if (address === null || !family) return;
      faces.push({
        family,
        address,
        stylesheet,
        offset: start + (node.loc?.start.offset ?? 0),
        weight: weightsIn(said.get('font-weight') ?? 'normal'),
        italic: /italic|oblique/i.test(said.get('font-style') ?? ''),
        range: rangesIn(said.get('unicode-range') ?? ''),
      });
    },
  });
  return faces;
}

const SOURCE = /url\(\s*(?:"([^"]*)"|'([^']*)'|([^)]*?))\s*\)\s*(?:format\(\s*["']?([\w-]+)["']?\s*\))?/gi;

function sourceIn(src: string): string | null {
  for (const [, double, single, bare, format] of src.matchAll(SOURCE)) {
    const address = double ?? single ?? bare ?? '';
    const isRead = format === undefined ? !/\.(?:eot|svgz?)(?:[?#]|$)/i.test(address) : READ.test(format);
    if (isRead && address !== '') return address;
  }
  return null;
}

function weightsIn(said: string): readonly [number, number] {
  const numbers = said.split(/\s+/).map((one) => (/^bold$/i.test(one) ? 700 : Number(one) || 400));
  return [Math.min(...numbers), Math.max(...numbers)];
}

/** `U+26`, `U+0-7F`, `U+4??` (CSS Fonts 4 §4.5). */
function rangesIn(said: string): (readonly [number, number])[] {
  return [...said.matchAll(/U\+([0-9a-f?]+)(?:-([0-9a-f]+))?/gi)].map(([, first = '', last]) => [
    parseInt(first.replaceAll('?', '0'), 16),
    parseInt(last ?? first.replaceAll('?', 'F'), 16),
  ]);
}
