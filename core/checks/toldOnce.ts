/** Pages that show pictures of other pages repeat their faults: those are told where they come from. */
import { regionOf, type SiteReading, standsIn } from '../model/index.ts';
import type { Finding } from './finding.ts';

/** Of the findings of one rule, those about a picture on such a page that the rule tells of another page too. */
export function toldOnce(site: SiteReading, findings: readonly Finding[]): Finding[] {
  const regions = new Map(
    site.notes.known.collections.flatMap(({ page: path }) => {
      const page = site.pages.find((one) => one.path === path);
      const region = page && regionOf(page.document);
      return region ? [[path, standsIn(region)] as const] : [];
    }),
  );
  if (regions.size === 0) return [...findings];
  const isShownOnly = ({ place: { path, start, end } }: Finding) =>
    start !== null && end !== null && regions.get(path)?.({ open: { start, end } }) === true;
  const pictures = new Map(site.pages.flatMap(({ strands }) => strands.flat()).map((one) => [one.id, one.thumbnail]));
  const pictureOf = ({ strand }: Finding) => (strand === null ? null : (pictures.get(strand) ?? null));
  const told = new Set(findings.filter((one) => !isShownOnly(one)).map(pictureOf));
  return findings.filter((one) => {
    const picture = pictureOf(one);
    return !isShownOnly(one) || picture === null || !told.has(picture);
  });
}
