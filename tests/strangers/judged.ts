/** How far the reader and the eye agree about what a gallery is. */
import { galleriesOf, parsePage } from '../../core/markup/index.ts';
import type { FileContent } from '../../core/site/index.ts';
import type { Labelled } from './labelled.ts';
import { placesIn } from './places.ts';

export interface Agreement {
  /** Galleries that are read as such. */
  found: number;
  missed: string[];
  /** Claimed where there is none. */
  claimed: string[];
  none: number;
  /** Labelled, and not there any more: the package is another version. */
  gone: number;
}

/** A place is claimed where more than half of its pictures are items of one gallery. */
function claims(text: string): (pictures: readonly number[]) => boolean {
  const galleries = galleriesOf(parsePage(text)).map(
    ({ items }) =>
      new Set(
        items.flatMap(({ source, image, link }) =>
          [source?.element, image, link].flatMap((one) => one?.open?.start ?? []),
        ),
      ),
  );
  return (pictures) =>
    galleries.some((starts) => pictures.filter((start) => starts.has(start)).length * 2 > pictures.length);
}

export function agreement(labelled: readonly Labelled[], files: ReadonlyMap<string, FileContent>): Agreement {
  const told: Agreement = { found: 0, missed: [], claimed: [], none: 0, gone: 0 };
  for (const { page, galleries = [], none = [] } of labelled) {
    const content = files.get(page);
    const text = content?.kind === 'text' ? content.text : '';
    const places = new Map(placesIn(text).map((place) => [place.at, place]));
    const isClaimed = claims(text);
    const judge = (at: string, tell: (claimed: boolean) => unknown) => {
      const place = places.get(at);
      if (place) tell(isClaimed(place.pictures));
      else told.gone++;
    };
    for (const at of galleries) judge(at, (yes) => (yes ? told.found++ : told.missed.push(`${page} ${at}`)));
    for (const at of none) judge(at, (yes) => (yes ? told.claimed.push(`${page} ${at}`) : told.none++));
  }
  return told;
}
