/** What a rehearsal can find wrong with what was seen. A rule is one file; the list in `rules.ts` is all that knows them. */
import type { Prediction } from '../read/prediction.ts';
import type { PictureSeen, Seen } from '../read/rehearsal.ts';

/** Windows in which every picture is rehearsed; CSS px (common practice, no source). */
export const REHEARSAL_WINDOWS = [
  { name: 'desktop', width: 1280, height: 800 },
  { name: 'phone', width: 390, height: 844 },
] as const;
export type WindowName = (typeof REHEARSAL_WINDOWS)[number]['name'];

export interface Sight {
  rule: string;
  /** What scripts cannot prove, for it takes a finger or a window of its own, is `unconfirmed`, be it good or bad. */
  severity: 'error' | 'warning' | 'unconfirmed';
  /** What of it: the same for the same matter at several pictures. */
  about: string;
  /** What is the case. */
  says: string;
  /** What a visitor makes of it. */
  why: string;
}

export type Told = Omit<Sight, 'rule'>;

export interface Scene {
  window: WindowName;
  prediction: Prediction;
  seen: Seen;
}

export interface SightRule {
  id: string;
  title: string;
  see: (scene: Scene) => Told[];
}

export const warning = (says: string, why: string, about = ''): Told => ({ severity: 'warning', about, says, why });

export const unconfirmed = (says: string, why: string, about: string): Told => ({
  severity: 'unconfirmed',
  about,
  says,
  why,
});

/** The picture in the page, and the one that the viewer shows, where they came. */
export function picturesIn({ seen }: Scene): (PictureSeen & { where: 'page' | 'viewer' })[] {
  const { natural, size, whole, sharpness, cropped, covered } = seen;
  const shown = { file: seen.shows, natural, size, whole, sharpness, cropped, covered };
  return [
    ...(seen.onPage ? [{ ...seen.onPage, where: 'page' as const }] : []),
    ...(isShown(seen) ? [{ ...shown, where: 'viewer' as const }] : []),
  ];
}

/** Where the page told nothing in time. */
export const NO_ANSWER: Sight = {
  rule: 'rehearsal-silent',
  severity: 'error',
  about: '',
  says: 'The page gave no answer',
  why: 'It did not load in time, or a script of it keeps the browser busy.',
};

/** Whether a viewer showed a picture that arrived. */
export const isShown = ({ opened, loaded, size }: Seen): boolean => opened === 'viewer' && loaded && size !== null;

export const percent = (share: number): string => `${Math.round(share * 100)} %`;
export const sized = (size: { width: number; height: number }): string => `${size.width} × ${size.height}`;
