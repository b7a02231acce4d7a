/** Kits as the wiring station offers them, what a page makes of them, and what a click on each picture does. */
import type { PageReading, SiteReading, Strand } from '../model/index.ts';
import {
  answers,
  argumentName,
  kitPath,
  markerName,
  predict,
  type Kit,
  type KitManifest,
  type Prediction,
} from '../wiring/index.ts';

export interface KitView {
  name: string;
  title: string;
  says: string;
  does: KitManifest['does'];
  kind: Kit['kind'];
  /** What marks a link or a gallery for it, as people write it. */
  marker: string;
  files: string[];
  /** The function that starts it; null where none does. */
  call: string | null;
  /** What can be said: the attribute (null where there is none), the argument, its meaning, what holds without it. */
  options: { attribute: string | null; argument: string; says: string; without: string; values: string[] }[];
}

const WITHOUT: Readonly<Record<string, string>> = { true: 'on', false: 'off', '': 'none' };

export const kitsView = (site: SiteReading): KitView[] =>
  site.kits.map(({ manifest, kind }) => ({
    name: manifest.name,
    title: manifest.title,
    says: manifest.says,
    does: manifest.does,
    kind,
    marker: markerName(manifest),
    files: manifest.files.map(({ name }) => kitPath({ manifest }, name)),
    call: manifest.start?.call ?? null,
    options: manifest.options.map((option) => ({
      attribute: manifest.prefix === '' ? null : manifest.prefix + option.name,
      argument: argumentName(option.name),
      says: option.says,
      without: WITHOUT[String(option.without)] ?? String(option.without),
      values: option.type === 'switch' ? ['on', 'off'] : (option.values?.filter((value) => value !== '') ?? []),
    })),
  }));

export const usesView = (
  page: PageReading,
): { name: string; title: string; does: KitManifest['does']; answered: number }[] =>
  page.wiring.uses.map((use) => ({
    name: use.kit.manifest.name,
    title: use.kit.manifest.title,
    does: use.kit.manifest.does,
    answered: page.galleries.reduce((sum, { items }) => sum + items.filter((item) => answers(use, item)).length, 0),
  }));

/** A strand, and what a click on it does. */
export interface Foretold {
  strand: Strand;
  prediction: Prediction;
}

/** Strands and predictions of one and the same reading, in the order of the page. */
export function predictionsOn(site: SiteReading, path: string): Foretold[] {
  const page = site.pages.find((one) => one.path === path);
  if (!page) return [];
  const context = { path: page.base, document: page.document, wiring: page.wiring, index: site.index };
  return page.galleries.flatMap((gallery, g) =>
    gallery.items.flatMap((item, n): Foretold[] => {
      const strand = page.strands[g]?.[n];
      return strand ? [{ strand, prediction: predict(context, item) }] : [];
    }),
  );
}
