/** A file of one's own in place of one from another host, wherever that is asked for. */
import { attributeOf, removeAttribute } from '../markup/index.ts';
import { externalReferences, type ExternalReference, type SiteReading } from '../model/index.ts';
import {
  cleanPath,
  type Edit,
  type FileChange,
  type FileContent,
  nameOf,
  type Planned,
  refuse,
  relativeReference,
  sameContent,
} from '../site/index.ts';

interface OwnFile {
  address: string;
  path: string;
  content: FileContent;
}

export function putOwnFile(site: SiteReading, { address, path: raw, content }: OwnFile): Planned {
  const clean = cleanPath(raw);
  if (!clean.ok) return refuse(`“${raw}” cannot be a file’s path: ${clean.reason}.`);
  const { path } = clean;
  const there = site.files.get(path) ?? null;
  if (there && !sameContent(there, content)) return refuse(`There is another file ${path} in the site already.`);
  const files = [...site.addresses.keys()].flatMap((text): FileChange[] => {
    const edits = externalReferences(site, text)
      .filter(({ file }) => file === address)
      .flatMap((one) => editsFor(site, one, path));
    return edits.length === 0 ? [] : [{ kind: 'edit', path: text, edits: edits.sort((a, b) => a.start - b.start) }];
  });
  if (files.length === 0) return refuse(`No page asks for ${address} any more.`);
  const put: FileChange[] = there ? [] : [{ kind: 'put', path, before: null, after: content }];
  return { ok: true, change: { label: `Use ${nameOf(path)} in place of ${address}`, files: [...put, ...files] } };
}

/**
 * What vouches for the other host's file holds for no other content, and what asks that host for permission fails from
 * disk (WHATWG HTML, `integrity` and `crossorigin`).
 */
const OF_THE_HOST = ['integrity', 'crossorigin'];

function editsFor(site: SiteReading, { path, address, element }: ExternalReference, to: string): Edit[] {
  const page = site.pages.find((one) => one.path === path);
  const reference = relativeReference(site.bases.get(path) ?? path, to);
  const gone = (element && page ? OF_THE_HOST : []).flatMap((name): Edit[] => {
    const attribute = element && attributeOf(element, name);
    return attribute && page ? [removeAttribute(attribute, page.document.text)] : [];
  });
  return [{ ...address.range, text: address.write(reference) }, ...gone];
}
