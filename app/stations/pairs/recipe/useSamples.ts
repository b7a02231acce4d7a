/** One picture made in every size while the sizes are set, so that each is seen with its file size. */
import { useEffect, useState } from 'react';
import { FULL_SIZE, THUMBNAIL } from '~core/model/index.ts';
import type { Recipe, SizeRecipe } from '~core/photo/index.ts';
import { useSite } from '../../../ui/site/openSite';

/** Whoever types is not made a picture for every key; ms. */
const PAUSE = 500;

export interface Sample {
  /** Address of the file; it holds as long as the sample is shown. */
  url: string;
  /** Image px. */
  width: number;
  height: number;
  bytes: number;
}

type Samples =
  | { state: 'none' | 'working' }
  | { state: 'failed'; reason: string }
  /** Thumbnail, full-size, then the further sizes. */
  | { state: 'ready'; made: readonly Sample[] };

/** Thumbnail, full-size, then the further sizes. */
const sizesIn = (recipe: Recipe): { as: string; size: SizeRecipe }[] => [
  { as: THUMBNAIL, size: recipe.thumbnail },
  { as: FULL_SIZE, size: recipe.fullSize },
  ...recipe.further.map(({ title, size }) => ({ as: title, size })),
];

/** `recipe` is null while it cannot be used as it stands. */
export function useSamples(picture: string | null, recipe: Recipe | null): Samples {
  const { session } = useSite().site;
  const [shown, setShown] = useState<{ key: string; samples: Samples } | null>(null);
  const key = JSON.stringify([picture, recipe]);
  useEffect(() => {
    if (picture === null || recipe === null) return undefined;
    let gone = false;
    let urls: string[] = [];
    const make = () =>
      session.pictures.sample(picture, sizesIn(recipe), recipe).then(
        (files) => {
          if (gone) return;
          const made = files.map(({ blob, width, height }) => ({
            url: URL.createObjectURL(blob),
            width,
            height,
            bytes: blob.size,
          }));
          urls = made.map(({ url }) => url);
          setShown({ key, samples: { state: 'ready', made } });
        },
        (error: unknown) => {
          const reason = error instanceof Error ? error.message : String(error);
          if (!gone) setShown({ key, samples: { state: 'failed', reason } });
        },
      );
    const timer = setTimeout(() => void make(), PAUSE);
    return () => {
      gone = true;
      clearTimeout(timer);
      for (const url of urls) URL.revokeObjectURL(url);
      // Whoever comes back to these sizes is made them again: their addresses lead nowhere now.
      if (urls.length > 0) setShown(null);
    };
    // The key says all that the sample depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [session, key]);
  if (picture === null || recipe === null) return { state: 'none' };
  return shown?.key === key ? shown.samples : { state: 'working' };
}
