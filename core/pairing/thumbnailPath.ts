/** Where a thumbnail that is still to be made should stand. */
import { folderOf, stemOf, firstOf } from '../site/index.ts';
import { type Pair } from './pair.ts';
const formsByFolder = new WeakMap<readonly Pair[], Map<string, string>>();

/** How most thumbnails of each folder are named; worked out once for each pairing. */
function commonForms(pairs: readonly Pair[]): Map<string, string> {
  const known = formsByFolder.get(pairs);
  if (known) return known;
  const counts = new Map<string, Map<string, number>>();
  for (const { full, thumbnail, restsOn } of pairs) {
    const rule = thumbnail === null ? undefined : restsOn.find((reason) => reason.kind === 'name');
    const [form] = rule ? rule.says.split(' ↔ ') : [];
    if (!form) continue;
    const here = counts.get(folderOf(full)) ?? new Map<string, number>();
    here.set(form, (here.get(form) ?? 0) + 1);
    counts.set(folderOf(full), here);
  }
  const forms = new Map(
    [...counts].map(([folder, here]) => [folder, firstOf([...here].sort((a, b) => b[1] - a[1]))[0]]),
  );
  formsByFolder.set(pairs, forms);
  return forms;
}

/** Where the thumbnail of a full-size picture should stand: as its neighbours' do, or in `thumbs/` beside it. */
export function thumbnailPathFor(full: string, pairs: readonly Pair[], extension = 'jpg'): string {
  const form = commonForms(pairs).get(folderOf(full)) ?? `${folderOf(full)}thumbs/{name}.jpg`;
  return form.replace('{name}', stemOf(full)).replace(/\.[a-z0-9]+$/i, `.${extension}`);
}
