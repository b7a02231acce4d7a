/** What a host says is there: the answer to PROPFIND (WebDAV, RFC 4918 §13). */
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { z } from 'zod';
import { refuse, type Result } from '../site/index.ts';

interface HostEntry {
  /** A path of the host without its first slash; a folder ends with one. */
  path: string;
  isFolder: boolean;
  /** As the host gives it, with its quotation marks; null where it gives none. */
  etag: string | null;
}

const Texts = z.union([z.string(), z.number()]).transform(String);

const Propstat = z.object({
  status: Texts.optional(),
  prop: z
    .object({
      resourcetype: z.unknown().optional(),
      getetag: Texts.optional(),
    })
    .catch({}),
});

const Multistatus = z.object({
  multistatus: z
    .object({ response: z.array(z.object({ href: Texts, propstat: z.array(Propstat).default([]) })).default([]) })
    // An element without anything in it is read as an empty text.
    .or(z.literal('').transform(() => ({ response: [] }))),
});

const PARSER = new XMLParser({
  removeNSPrefix: true,
  ignoreAttributes: true,
  parseTagValue: false,
  htmlEntities: false,
  isArray: (name) => name === 'response' || name === 'propstat',
});

/** `address` is that of the request, which may stand before the paths. */
export function hostEntries(xml: string, address: string): Result<{ entries: HostEntry[] }> {
  const read = XMLValidator.validate(xml) === true ? Multistatus.safeParse(PARSER.parse(xml)) : null;
  if (!read?.success) return refuse('The host’s list of files cannot be read; it is no answer of WebDAV.');
  const entries = read.data.multistatus.response.flatMap(({ href, propstat }): HostEntry[] => {
    const found = propstat.filter(({ status = '200' }) => /\b200\b/.test(status));
    const isFolder = found.some(({ prop }) => hasCollection(prop.resourcetype));
    const path = pathOf(href, address);
    if (path === null) return [];
    const etag = found.flatMap(({ prop }) => prop.getetag ?? [])[0] ?? null;
    const slashed = isFolder && path !== '' && !path.endsWith('/') ? `${path}/` : path;
    return [{ path: slashed, isFolder, etag }];
  });
  return { ok: true, entries };
}

const hasCollection = (type: unknown): boolean => typeof type === 'object' && type !== null && 'collection' in type;

/** A whole address or a path from the root (RFC 4918 §8.3); null where it is of another host. */
function pathOf(href: string, address: string): string | null {
  const root = /^https?:\/\/[^/]+/i.exec(address)?.[0] ?? '';
  const path = href.toLowerCase().startsWith(root.toLowerCase()) ? href.slice(root.length) : href;
  if (!path.startsWith('/')) return null;
  try {
    return decodeURIComponent(path.slice(1));
  } catch {
    return null;
  }
}
