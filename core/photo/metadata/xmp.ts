/** XMP packets (ISO 16684-1): the words of the IPTC Photo Metadata Standard 2023.1 written, the place struck out. */

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

/** Every `exif:GPS…` as attribute or element becomes spaces: no byte moves. Whether there was one. */
export function strikePlaceInPacket(packet: Uint8Array): boolean {
  // One character a byte, so that places in the text are places in the packet.
  const text = new TextDecoder('latin1').decode(packet);
  let struck = false;
  for (const match of text.matchAll(
    /\sexif:GPS\w+\s*=\s*(?:"[^"]*"|'[^']*')|<exif:(GPS\w+)(?:\s[^>]*)?(?:\/>|>[\s\S]*?<\/exif:\1\s*>)/g,
  )) {
    packet.fill(0x20, match.index, match.index + match[0].length);
    struck = true;
  }
  return struck;
}
