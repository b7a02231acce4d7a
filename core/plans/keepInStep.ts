/** What a change of some pages means for pages that show their pictures is a part of the same change. */
import { bringInStep, newReadingMemory, readSite, type SiteReading } from '../model/index.ts';
import { applyChange, NOTES_FILE, notesIn, type Planned, type SiteFiles } from '../site/index.ts';
import { allFiles, factsByHash } from './steps.ts';
import { Merged } from './merged.ts';

/** Reads a site again after a change; whoever keeps a reading in memory does it faster. */
export type ReadAgain = (files: SiteFiles) => SiteReading;

export function keepInStep(site: SiteReading, planned: Planned, again: ReadAgain | undefined): Planned {
  const { known } = site.notes;
  if (!planned.ok) return planned;
  const mayCome = planned.change.files.some((file) => file.kind !== 'rename' && file.path === NOTES_FILE);
  if (known.collections.length === 0 && !mayCome) return planned;
  const before = allFiles(site);
  const applied = applyChange(before, planned.change);
  // Who makes the change says why it cannot be made.
  if (!applied.ok || notesIn(applied.files).collections.length === 0) return planned;
  const after = (again ?? ((files) => readAgain(site, files)))(applied.files);
  const updated = bringInStep(after);
  if (!updated.ok) return updated;
  const { files } = updated.change;
  if (files.length === 0) return planned;
  const merged = new Merged(before);
  merged.add(planned.change.files);
  merged.add(files);
  return {
    ...planned,
    change: { ...planned.change, files: merged.files() },
    left: [...(planned.left ?? []), ...(updated.left ?? [])],
  };
}

function readAgain(site: SiteReading, files: SiteFiles): SiteReading {
  const shipped = site.kits.filter(({ kind }) => kind !== 'own');
  return readSite(files, factsByHash(site), shipped, newReadingMemory());
}
