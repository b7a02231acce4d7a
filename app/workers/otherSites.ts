/** Pictures of another site of this browser, to be brought over; contents of all sites are kept in one place. */
import { newReadingMemory, readSite, type SiteReading, wordsOf } from '~core/model/index.ts';
import { type BroughtPicture, broughtFrom } from '~core/plans/index.ts';
import { openStore } from '../data/store/idbStore';
import { KITS } from './kits';

export interface StockPicture {
  full: string;
  /** Hash of what a small copy shows. */
  shows: string;
  title: string;
  alt: string;
  tags: readonly string[];
  /** How many files come along. */
  files: number;
}

let read: { siteId: string; site: SiteReading } | null = null;

async function siteOf(siteId: string): Promise<SiteReading> {
  if (read?.siteId === siteId) return read.site;
  const store = await openStore();
  const files = await store.readFiles(siteId);
  const hashes = [...files.values()].flatMap((content) => (content.kind === 'binary' ? [content.hash] : []));
  const site = readSite(files, await store.readFacts(hashes), KITS, newReadingMemory('a few'));
  read = { siteId, site };
  return site;
}

/** Read anew each time: the site may have changed in another window. */
export async function stockOf(siteId: string): Promise<StockPicture[]> {
  read = null;
  const site = await siteOf(siteId);
  const fulls = site.pairing.pairs.map(({ full }) => full);
  return broughtFrom(site, fulls).map(({ full, thumbnail, others, words, tags }) => ({
    full: full.path,
    shows: (thumbnail ?? full).hash,
    title: wordsOf(site, full.path).title,
    alt: words.alt ?? '',
    tags,
    files: 1 + (thumbnail ? 1 : 0) + others.length,
  }));
}

export const broughtOf = async (siteId: string, fulls: readonly string[]): Promise<BroughtPicture[]> =>
  broughtFrom(await siteOf(siteId), fulls);
