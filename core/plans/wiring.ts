/** Wiring, unwiring and changing from one viewer to another, asked for by the names of kits. */
import type { Planned } from '../checks/index.ts';
import { resolved, type PageReading, type SiteReading } from '../model/index.ts';
import { rewire, type Kit, type WiringSite } from '../wiring/index.ts';

const refuse = (reason: string): Planned => ({ ok: false, reason });

function onPage(site: SiteReading, path: string, plan: (page: PageReading) => Planned): Planned {
  const page = site.pages.find((one) => one.path === path);
  return page ? plan(page) : refuse(`There is no page ${path} any more.`);
}

/** Tags are kept by the contents of pictures. */
const withTags = (site: SiteReading): WiringSite => ({
  ...site,
  tagsOf: (page, item) => {
    const full = resolved(item.target?.value, page, site.index)?.real;
    const content = full ? site.files.get(full) : undefined;
    return content?.kind === 'binary' ? (site.notes.known.tags[content.hash] ?? []) : [];
  },
});

const kitBy = (site: SiteReading, name: string): Kit | undefined => site.kits.find(({ manifest }) => manifest.name === name);
const unknown = (name: string): Planned => refuse(`There is no kit “${name}” here.`);

export function wire(site: SiteReading, { page: path, kit: name }: { page: string; kit?: string | undefined }): Planned {
  return onPage(site, path, (page) => {
    const kit = name === undefined ? (page.wiring.main?.kit ?? kitBy(site, 'lightbox')) : kitBy(site, name);
    return kit ? rewire(withTags(site), page, { from: null, to: kit }) : unknown(name ?? 'lightbox');
  });
}

export function unwire(site: SiteReading, { page: path, kit: name }: { page: string; kit: string }): Planned {
  return onPage(site, path, (page) => {
    const kit = kitBy(site, name);
    return kit ? rewire(site, page, { from: kit, to: null }) : unknown(name);
  });
}

export function changeKit(site: SiteReading, { page: path, from, to }: { page: string; from: string; to: string }): Planned {
  return onPage(site, path, (page) => {
    const [before, after] = [kitBy(site, from), kitBy(site, to)];
    if (!before || !after) return unknown(before ? to : from);
    return before === after ? refuse(`${path} is wired with the ${from} already.`) : rewire(withTags(site), page, { from: before, to: after });
  });
}
