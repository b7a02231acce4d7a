/** Puts pictures of the site where somebody points on a page. */
import { useCallback } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { asSaid } from './asSaid';

type Place = Extract<Intent, { kind: 'put-pictures' }>['at'];

/** Pictures by their full-size files, in this order. */
export function usePut(page: string): (fulls: readonly string[], at: Place) => void {
  const { view, readOnly } = useSite().site;
  const { intent } = useIntent('seen');
  return useCallback(
    (fulls, at) => {
      const pairs = fulls.flatMap((full) => view.pairs.find((pair) => pair.full === full) ?? []);
      const pictures = asSaid(pairs, view.strands);
      if (!readOnly && pictures.length > 0) intent({ kind: 'put-pictures', page, at, pictures });
    },
    [intent, page, readOnly, view],
  );
}
