/** XMP packets (ISO 16684-1): the words of the IPTC Photo Metadata Standard 2023.1 written, the place struck out. */

import { XMLValidator } from 'fast-xml-parser';
import { PROPERTY } from './placeNames.ts';

interface PacketWords {
  /** dc:title */
  title?: string;
  /** dc:description */
  caption?: string;
  /** dc:creator */
  credit?: string;
  /** dc:rights */
  copyright?: string;
  /** xmp:CreateDate; ISO date and time. */
  takenAt?: string;
}

const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

const inLanguages = (name: string, text: string | undefined): string =>
  text ? `<${name}><rdf:Alt><rdf:li xml:lang="x-default">${escaped(text)}</rdf:li></rdf:Alt></${name}>` : '';
const inOrder = (name: string, text: string | undefined): string =>
  text ? `<${name}><rdf:Seq><rdf:li>${escaped(text)}</rdf:li></rdf:Seq></${name}>` : '';
const plain = (name: string, text: string | undefined): string => (text ? `<${name}>${escaped(text)}</${name}>` : '');

export function packetOf({ title, caption, credit, copyright, takenAt: taken }: PacketWords): Uint8Array | null {
  const inside =
    inLanguages('dc:title', title) +
    inLanguages('dc:description', caption) +
    inLanguages('dc:rights', copyright) +
    inOrder('dc:creator', credit) +
    plain('xmp:CreateDate', taken);
  if (inside === '') return null;
  return new TextEncoder().encode(
    `<?xpacket begin="\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?><x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:xmp="http://ns.adobe.com/xap/1.0/">${inside}</rdf:Description></rdf:RDF></x:xmpmeta><?xpacket end="r"?>`,
  );
}

const ATTRIBUTE = new RegExp(`\\s${PROPERTY}\\s*=\\s*(?:"[^"]*"|'[^']*')`, 'gi');
const ELEMENT = new RegExp(`<(${PROPERTY})(?=[\\s/>])(?:[^>"']|"[^"]*"|'[^']*')*`, 'gi');

/**
 * Every property that names a place becomes spaces, as attribute or element and under any prefix: no byte moves. What
 * is not closed goes to the end. Whether there was one.
 */
export function strikePlaceInPacket(packet: Uint8Array): boolean {
  const { text, width } = readable(packet);
  let struck = false;
  const strike = (from: number, to: number) => {
    for (let at = from * width.bytes; at < to * width.bytes; at++)
      packet[at] = at % width.bytes === width.low ? 0x20 : 0;
    struck = true;
  };
  for (const { from, to } of elementsIn(text)) strike(from, to);
  // What went with an element is spaces by now.
  for (const match of readable(packet).text.matchAll(ATTRIBUTE)) strike(match.index, match.index + match[0].length);
  const left = readable(packet).text;
  // Where a packet is damaged, readers differ in what they make of it.
  if (SUSPICIOUS.test(left) && XMLValidator.validate(left.replaceAll('\0', '').trim()) !== true) strike(0, left.length);
  return struck;
}

/** The same in bytes that are no packet: only what is closed, for what follows may be anything. */
export function strikePlaceInBytes(bytes: Uint8Array): boolean {
  const text = new TextDecoder('latin1').decode(bytes);
  const elements = elementsIn(text).filter(({ closed }) => closed);
  const attributes = [...text.matchAll(ATTRIBUTE)].map(({ index, 0: all }) => ({
    from: index,
    to: index + all.length,
  }));
  for (const { from, to } of [...elements, ...attributes]) bytes.fill(0x20, from, to);
  return elements.length + attributes.length > 0;
}

const SUSPICIOUS = /gps|latitude|longitude|city|state|country|location|geo:/i;

/** How a packet's characters lie in its bytes; ISO 16684-1 §7.3.2 allows UTF-8, UTF-16 and UTF-32. */
interface Width {
  bytes: 1 | 2 | 4;
  /** Which byte of a character holds plain letters. */
  low: number;
}

/** One character of text for each of the packet, so that places in the one are places in the other. */
function readable(packet: Uint8Array): { text: string; width: Width } {
  const width = widthOf(packet);
  const text = new TextDecoder('latin1').decode(packet);
  if (width.bytes === 1) return { text, width };
  let letters = '';
  for (let at = width.low; at < text.length; at += width.bytes) letters += text.charAt(at);
  return { text: letters, width };
}

function widthOf(packet: Uint8Array): Width {
  const zeros = [0, 0, 0, 0];
  const some = Math.min(packet.length - (packet.length % 4), 400);
  for (let at = 0; at < some; at++) if (packet[at] === 0) zeros[at % 4] = (zeros[at % 4] ?? 0) + 1;
  const [none, one, two, three] = zeros.map((count) => count > some / 8);
  if (none && one && two) return { bytes: 4, low: 3 };
  if (one && two && three) return { bytes: 4, low: 0 };
  if (none && two) return { bytes: 2, low: 1 };
  return one && three ? { bytes: 2, low: 0 } : { bytes: 1, low: 0 };
}

/** Elements that name a place, the outermost of those that lie in one another. */
function elementsIn(text: string): { from: number; to: number; closed: boolean }[] {
  const found: { from: number; to: number; closed: boolean }[] = [];
  ELEMENT.lastIndex = 0;
  for (let match = ELEMENT.exec(text); match; match = ELEMENT.exec(text)) {
    const opened = ELEMENT.lastIndex;
    const to = match[0].endsWith('/') ? opened + 1 : closedAt(text, match[1] ?? '', opened);
    found.push({ from: match.index, to: to ?? text.length, closed: to !== null });
    if (to === null) break;
    ELEMENT.lastIndex = to;
  }
  return found;
}

/** Null where it is not closed. */
function closedAt(text: string, name: string, from: number): number | null {
  const close = new RegExp(`</${name.replace(/[^\w:]/g, '\\$&')}\\s*>`, 'g');
  close.lastIndex = from;
  return close.test(text) ? close.lastIndex : null;
}
