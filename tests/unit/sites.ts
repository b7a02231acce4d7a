/** Small sites of text files, and what an intent makes of them. */
import { expect } from 'vitest';
import { readSite, type SiteReading } from '../../core/model/index.ts';
import { planFor, type Intent } from '../../core/plans/index.ts';
import { applyChange, type FileContent, type SiteFiles } from '../../core/site/index.ts';

export const siteOf = (files: Record<string, string>): SiteFiles =>
  new Map(Object.entries(files).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]));

export const read = (files: SiteFiles): SiteReading => readSite(files, new Map(), []);

export function textAt(files: SiteFiles, path: string): string {
  const content = files.get(path);
  return content?.kind === 'text' ? content.text : '';
}

/** The site after a change, which is undone to the byte. */
export function after(files: SiteFiles, intent: Intent): SiteFiles {
  const planned = planFor(read(files), intent);
  if (!planned.ok) throw new Error(planned.reason);
  const applied = applyChange(files, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  const back = applyChange(applied.files, applied.inverse);
  expect(back.ok && [...back.files].sort()).toEqual([...files].sort());
  return applied.files;
}
