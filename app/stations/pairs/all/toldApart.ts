/** Whether places of one picture say different things of it. */
import type { SiteView } from '~core/view/index.ts';

/** Where there is no element for a caption, none is missing. */
export function toldApart(places: readonly Pick<SiteView['strands'][number], 'alt' | 'caption'>[]): boolean {
  const alts = new Set(places.map(({ alt }) => alt ?? ''));
  const captions = new Set(places.flatMap(({ caption }) => caption ?? []));
  return alts.size > 1 || captions.size > 1;
}
