/** What a checker of HTML says of the open site's pages, beside what it said of them when they came in. */
import { mostOf, withNews, type ValidityFinding, type ValidityMessage } from '~core/checks/index.ts';
import { isPagePath, type FileContent } from '~core/site/index.ts';
import { analysis, validity } from '../workers/start';
import { Emitter } from './emitter';
import { entryWithFiles } from './session/history';
import type { SharedSite } from './session/shared';

/** With what mends it; null where that is the author's to say. */
export type FixableFinding = ValidityFinding & { fix: string | null };

interface PageValidity {
  path: string;
  findings: readonly FixableFinding[];
}

export class Validity {
  readonly #site: SharedSite;
  readonly #changed = new Emitter();
  #before: Promise<ReadonlyMap<string, readonly ValidityMessage[]>> | null = null;
  #pages: readonly PageValidity[] | null = null;
  #asked = 0;

  constructor(site: SharedSite) {
    this.#site = site;
  }

  /** Null before the first check is done; the same list until the next one is. */
  get pages(): readonly PageValidity[] | null {
    return this.#pages;
  }

  /** Of one page, as it was checked last. */
  of(path: string): readonly FixableFinding[] {
    return this.#pages?.find((page) => page.path === path)?.findings ?? [];
  }

  watch = (watcher: () => void): (() => void) => this.#changed.on(watcher);

  /** Checks the pages as they are now. */
  async check(): Promise<void> {
    const asked = ++this.#asked;
    const texts = pagesIn(this.#site.files);
    const messages = await validity().check([...texts.values()]);
    const before = await (this.#before ??= this.#atFirst());
    // Something newer was asked for meanwhile.
    if (asked !== this.#asked) return;
    const pages = [...texts.keys()].map((path, n) => ({
      path,
      findings: withNews(messages[n] ?? [], before.get(path) ?? mostOf(before.values())),
    }));
    const said = pages.flatMap(({ path, findings }) =>
      findings.map(({ rule, start }) => ({ page: path, rule, at: start })),
    );
    const fixes = (await analysis().markupFixes(said)).values();
    if (asked !== this.#asked) return;
    this.#pages = pages.map(({ path, findings }) => ({
      path,
      findings: findings.map((finding) => ({ ...finding, fix: fixes.next().value ?? null })),
    }));
    this.#changed.tell();
  }

  /** Of the site as it came in. */
  async #atFirst(): Promise<ReadonlyMap<string, readonly ValidityMessage[]>> {
    const { store, site, files } = this.#site;
    const first = await entryWithFiles(store, site, 1, files);
    const texts = pagesIn(first?.before ?? files);
    const messages = await validity().check([...texts.values()]);
    return new Map([...texts.keys()].map((path, n) => [path, messages[n] ?? []]));
  }
}

function pagesIn(files: ReadonlyMap<string, FileContent>): Map<string, string> {
  return new Map(
    [...files].flatMap(([path, content]): [string, string][] =>
      isPagePath(path) && content.kind === 'text' ? [[path, content.text]] : [],
    ),
  );
}
