/** The demo’s page of all pictures, filled in by the program itself: it shows what the other pages show. */
import { BEGIN, bringInStep, END, readSite } from '../core/model/index.ts';
import type { PhotoFacts } from '../core/photo/index.ts';
import { applyChange, type Collection, type FileContent, NOTES_FILE, writeNotes } from '../core/site/index.ts';
import type { Kit } from '../core/wiring/index.ts';
import { tagsOf } from './tags.ts';

const PAGE = 'pictures.html';

const ITEM = `<li>
    <a href="{full}" data-enlarge data-enlarge-group="all" title="{title}">
      <img src="{thumbnail}" width="{width}" height="{height}" alt="{alt}"></a>
    <span>{caption}</span>
  </li>`;

const COLLECTION: Collection = {
  page: PAGE,
  pages: null,
  tag: null,
  since: '',
  until: '',
  order: 'page',
  group: 'none',
  tagLinks: false,
  open: '<ul class="meadow" data-sieve>',
  close: '</ul>',
  hand: { pattern: ITEM, free: [], lead: '\n  ', separator: '\n  ', tail: '\n' },
  lines: [],
};

/** The site's files with that page filled, and with what the program remembers of it. */
export function withAllPictures(
  files: ReadonlyMap<string, FileContent>,
  facts: ReadonlyMap<string, PhotoFacts>,
  kits: readonly Kit[],
): Map<string, FileContent> {
  const tags = Object.fromEntries(
    [...files].flatMap(([path, content]) =>
      content.kind === 'binary' && path.startsWith('photos/large/') && tagsOf(path).length > 0
        ? [[content.hash, tagsOf(path)] as const]
        : [],
    ),
  );
  const notes: FileContent = { kind: 'text', text: writeNotes({ format: 1, tags, collections: [COLLECTION] }) };
  const before = new Map([...files, [NOTES_FILE, notes] as const]);
  const filled = bringInStep(readSite(before, facts, kits));
  if (!filled.ok) throw new Error(filled.reason);
  const applied = applyChange(before, filled.change);
  if (!applied.ok) throw new Error(applied.reason);
  const page = applied.files.get(PAGE);
  if (page?.kind !== 'text' || page.text.includes(`${BEGIN}\n${END}`)) throw new Error(`${PAGE} stayed empty`);
  return new Map(applied.files);
}
