/** A group that is changed in several steps. It is found again by its place, whatever else its page is read as then. */
import type { Range } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { type FileChange, type Planned } from '../site/index.ts';
import { type Group, groupsOf } from '../story/index.ts';
import { Steps } from './steps.ts';

export interface Found {
  page: PageReading;
  group: Group;
}

/** From the first picture of a group to the last one, with what belongs to each. */
function spanOf({ gallery: { items } }: Group): Range {
  return { start: items[0]?.unit.start ?? 0, end: items.at(-1)?.unit.end ?? 0 };
}

export class GroupSteps extends Steps {
  /** Of the page. */
  readonly path: string;
  #place: Range;

  constructor(site: SiteReading, { page, group }: Found) {
    super(site);
    this.path = page.path;
    this.#place = spanOf(group);
  }

  override do(planned: Planned): string | null {
    const reason = super.do(planned);
    if (reason === null && planned.ok) for (const file of planned.change.files) this.#follow(file);
    return reason;
  }

  /** What comes at an end of the place is a part of it. */
  #follow(file: FileChange): void {
    if (file.kind !== 'edit' || file.path !== this.path) return;
    let { start, end } = this.#place;
    // They come in any order, and all count from the text before them.
    for (const edit of [...file.edits].sort((a, b) => b.start - a.start)) {
      const by = edit.text.length - (edit.end - edit.start);
      if (edit.end < start || (edit.end === start && edit.start < start)) start += by;
      else if (edit.start < start) start = edit.start;
      if (edit.start > end) continue;
      end = edit.end > end ? edit.start + edit.text.length : end + by;
    }
    this.#place = { start, end };
  }

  /** Null where nothing that is there now lies in its place. */
  found(): Found | null {
    const page = this.site.pages.find(({ path }) => path === this.path);
    const group = page && this.in(page);
    return page && group ? { page, group } : null;
  }

  in(page: PageReading): Group | undefined {
    const { start, end } = this.#place;
    return groupsOf(page).find((one) => spanOf(one).start < end && spanOf(one).end > start);
  }
}
