/** Files under other names, changed places, and copies given up; references follow. */
import type { Planned } from '../checks/index.ts';
import { mergeFile, renameFile, type SiteReading } from '../model/index.ts';
import { cleanPath, extensionOf, nameOf } from '../site/index.ts';

const refuse = (reason: string): Planned => ({ ok: false, reason });

export function rename(site: SiteReading, { from, to: raw }: { from: string; to: string }): Planned {
  if (!site.files.has(from)) return refuse(`There is no ${from} any more.`);
  const clean = cleanPath(raw.trim());
  if (!clean.ok) return refuse(`“${raw}” cannot be a file’s name: ${clean.reason}.`);
  const { path: to } = clean;
  if (to === from) return refuse('That is its name already.');
  const there = site.index.lookup(to);
  // The same name in other capitals is what is often asked for.
  if (there.found !== 'nothing' && there.path !== from) return refuse(`There is a file ${there.path} already.`);
  if (extensionOf(to) !== extensionOf(from)) return refuse(`${nameOf(from)} would become a .${extensionOf(to)} by name alone; its content would not change.`);
  return { ok: true, change: renameFile(site, from, to) };
}

export function exchange(site: SiteReading, { one, other }: { one: string; other: string }): Planned {
  const [a, b] = [site.files.get(one), site.files.get(other)];
  if (!a || !b) return refuse(`There is no ${a ? other : one} any more.`);
  if (extensionOf(one) !== extensionOf(other)) return refuse(`${nameOf(one)} and ${nameOf(other)} are of different formats; under one another’s names they would be told wrongly.`);
  return {
    ok: true,
    change: {
      label: `Exchange ${nameOf(one)} and its partner`,
      files: [
        { kind: 'put', path: one, before: a, after: b },
        { kind: 'put', path: other, before: b, after: a },
      ],
    },
  };
}

export function merge(site: SiteReading, { from, into }: { from: string; into: string }): Planned {
  if (!site.files.has(from) || !site.files.has(into)) return refuse(`There is no ${site.files.has(from) ? into : from} any more.`);
  if (from === into) return refuse('A file cannot take its own place.');
  return { ok: true, change: mergeFile(site, from, into) };
}
