/** What the page in hand weighs: where its pictures stand is looked up in the preview, the rest is computed. */
import { useEffect, useState } from 'react';
import { LINES } from '~core/pack/index.ts';
import type { WeightView } from '~core/view/index.ts';
import { placedIn, shownIn, type Weighed } from '../../../ui/preview/measure';
import { usePreview } from '../../../ui/preview/PreviewProvider';
import { useSite } from '../../../ui/site/openSite';

export type LineName = (typeof LINES)[number]['name'];

export interface WeightChoice {
  line: LineName;
  /** A visit after the first. */
  again: boolean;
  /** Of the window, CSS px. */
  width: number;
}

/** Height of the windows that a page is looked at in; CSS px. */
export const WINDOW_HEIGHT = 800;

export const lineOf = (name: LineName) => LINES.find((one) => one.name === name) ?? LINES[0];

type Images = Weighed['images'];

/** Null until it is known. */
export function useWeight(path: string, { line, again, width }: WeightChoice): WeightView | null {
  const { session } = useSite().site;
  const looked = useLooked(path, width);
  const [view, setView] = useState<WeightView | null>(null);
  useEffect(() => {
    if (looked === null) return undefined;
    let isCurrent = true;
    const { speed, latency } = lineOf(line);
    const window = { width, height: WINDOW_HEIGHT, density: devicePixelRatio };
    const asked = { window, again, line: { speed, latency }, placed: looked.placed, shown: looked.shown };
    void session.analysis.weight(path, asked).then((weight) => isCurrent && setView(weight));
    return () => {
      isCurrent = false;
    };
  }, [session, path, line, again, width, looked]);
  return view?.page === path ? view : null;
}

interface Looked {
  placed: Images;
  shown: Images;
}

/** Where pictures stand before they come, and how wide they are then; empty where the preview does not answer. */
function useLooked(path: string, width: number): Looked | null {
  const { site } = useSite();
  const { status, settled, answered, address } = usePreview();
  const { version } = site;
  const key = `${path} ${width} ${version}`;
  const [looked, setLooked] = useState<{ key: string; images: Looked } | null>(null);
  const canLook = status === 'ready' && settled;
  useEffect(() => {
    if (status === 'starting' || (status === 'ready' && !settled)) return undefined;
    let isCurrent = true;
    const look = async (): Promise<Looked> => {
      if (!canLook) return { placed: [], shown: [] };
      const bare = await answered(path, { line: null, pictures: 'late', disk: false });
      const placed = bare === null ? null : await placedIn(bare, width);
      const shown = isCurrent ? await shownIn(address(path), width) : null;
      return { placed: placed ?? [], shown: shown ?? [] };
    };
    void look().then((images) => isCurrent && setLooked({ key, images }));
    return () => {
      isCurrent = false;
    };
  }, [key, path, width, status, settled, canLook, answered, address]);
  return looked?.key === key ? looked.images : null;
}
