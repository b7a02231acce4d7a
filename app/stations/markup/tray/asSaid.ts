/** Pictures with the texts that they are written with. */
import type { NewPicture } from '~core/plans/index.ts';
import type { PairView, SiteView } from '~core/view/index.ts';
import { asPictures } from '../PairChoice';

/** What nobody has noted of a picture is as a page that has it already says it. */
export function asSaid(pairs: readonly PairView[], strands: SiteView['strands']): NewPicture[] {
  const said = new Map<string, SiteView['strands'][number]>();
  for (const strand of strands)
    if (strand.full !== null && strand.altStanding === 'said' && !said.has(strand.full)) said.set(strand.full, strand);
  return asPictures(pairs).map((picture) => {
    const strand = said.get(picture.full);
    return { ...picture, alt: picture.alt || (strand?.alt ?? ''), caption: picture.caption || (strand?.caption ?? '') };
  });
}
