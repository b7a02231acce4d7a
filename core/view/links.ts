/** Where the links of a site's pages lead: inside of it, where the checks follow them, and elsewhere. */
import { valueOf } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import { grouped, resolveInSite } from '../site/index.ts';

/** An address that nothing here ever asks for. */
export interface OutsideLink {
  address: string;
  places: { path: string; line: number; start: number }[];
}

interface LinksView {
  /** Links to files and places of the site; each was followed. */
  insideLinks: number;
  outsideLinks: OutsideLink[];
}

const INSIDE: ReadonlySet<string> = new Set(['file', 'root', 'fragment']);

export function linksView(site: SiteReading): LinksView {
  let inside = 0;
  const outside: { address: string; path: string; line: number; start: number }[] = [];
  for (const { path, base, document } of site.pages) {
    for (const element of document.elements) {
      const href = element.tag === 'a' || element.tag === 'area' ? valueOf(element, 'href') : undefined;
      const target = href === undefined ? null : resolveInSite(href, base);
      if (!target) continue;
      const isOwn = target.kind === 'outside' && site.own !== null && target.url.startsWith(site.own);
      if (isOwn || INSIDE.has(target.kind)) inside++;
      else if (target.kind === 'outside') {
        const start = element.open?.start ?? 0;
        outside.push({ address: target.url, path, line: document.lines.lineAt(start), start });
      }
    }
  }
  const addresses = [...grouped(outside, ({ address }) => address)];
  return {
    insideLinks: inside,
    outsideLinks: addresses.map(([address, all]) => ({
      address,
      places: all.map(({ path, line, start }) => ({ path, line, start })),
    })),
  };
}
