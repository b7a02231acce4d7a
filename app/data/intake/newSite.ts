/** The record of a new site, and what the shelf shows of it. */
import { isPagePath, isPicturePath, type FileContent } from '~core/site/index.ts';
import { newToken } from '../hash';
import type { SiteRecord } from '../store/records';

export function newSite(name: string, contents: ReadonlyMap<string, FileContent>, exercise?: string): SiteRecord {
  const now = Date.now();
  return {
    id: crypto.randomUUID(),
    name,
    created: now,
    changed: now,
    token: newToken(),
    head: 0,
    last: 0,
    glance: glanceOf(contents, null),
    ...(exercise === undefined ? {} : { exercise }),
  };
}

/** What the shelf shows: the smallest pictures are the quickest to show. */
export function glanceOf(contents: ReadonlyMap<string, FileContent>, broken: number | null): SiteRecord['glance'] {
  const pictures = [...contents].flatMap(([path, content]) =>
    content.kind === 'binary' && isPicturePath(path) ? [content] : [],
  );
  const faces = [...pictures]
    .sort((a, b) => a.bytes - b.bytes)
    .slice(0, 6)
    .map((content) => content.hash);
  return { pages: [...contents.keys()].filter(isPagePath).length, pictures: pictures.length, broken, faces };
}
