/** WebP files beside the JPEG files that pages show: how many are to be made, and which pages could offer them. */
import { type PictureTask, shownJpegs, type SiteReading, webpTasks } from '../model/index.ts';
import { savedByWebp } from '../plans/index.ts';

export interface WebpView {
  /** Files to be made. */
  missing: number;
  /** Pages that show JPEG files of which there is a smaller WebP file, and do not offer it. */
  pages: string[];
  /** Pictures on them. */
  count: number;
  /** Bytes of the JPEG files, and how many of them are saved where a browser takes the other. */
  bytes: number;
  saved: number;
}

export function webpView(site: SiteReading): WebpView {
  const each = site.pages.map((page) => ({ page: page.path, shown: shownJpegs(site, page) }));
  const all = each.flatMap(({ shown }) => shown);
  return {
    missing: webpTasks(site, all).length,
    pages: each.filter(({ shown }) => shown.some(({ state }) => state === 'smaller')).map(({ page }) => page),
    ...savedByWebp(site, all),
  };
}

/** WebP files to be made of what these pages show; of all pages where none are named. */
export function webpToMake(site: SiteReading, pages: readonly string[] | null): PictureTask[] {
  const meant = site.pages.filter(({ path }) => pages === null || pages.includes(path));
  return webpTasks(
    site,
    meant.flatMap((page) => shownJpegs(site, page)),
  );
}
