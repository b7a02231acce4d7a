/**
 * A page made to stand alone, for where the preview origin does not answer: stylesheets of the site are written into
 * it, pictures come as `data:` addresses, and no other address in it leads anywhere. Only for showing; never written
 * back.
 */
import { type Address, fileLayer, pageAddresses, styleAddresses } from '../addresses/index.ts';
import { attributeOf, parsePage, valueOf, type PageDocument, type PageElement } from '../markup/index.ts';
import { baseOf } from '../model/index.ts';
import { applyEdits, isPicturePath, resolveInSite, type Edit, type FileContent } from '../site/index.ts';

type Files = ReadonlyMap<string, FileContent>;

/** An address that loads nothing. */
const NOTHING = 'data:,';
const LOADING = new Set(['src', 'poster', 'data', 'url()']);

const textAt = (files: Files, path: string): string | null => {
  const content = files.get(path);
  return content?.kind === 'text' ? content.text : null;
};

const pathOf = (reference: string, from: string): string | null => {
  const target = resolveInSite(reference, from);
  return target.kind === 'file' ? target.path : null;
};

/** Stylesheets that the page attaches and the site has, with their elements. */
function sheetsOf(
  page: PageDocument,
  path: string,
  files: Files,
): { element: PageElement; path: string; text: string }[] {
  return page.elements.flatMap((element) => {
    const at =
      element.tag === 'link' && /\bstylesheet\b/i.test(valueOf(element, 'rel') ?? '')
        ? pathOf(valueOf(element, 'href') ?? '', baseOf(page, path, null))
        : null;
    const text = at === null ? null : textAt(files, at);
    return at === null || text === null ? [] : [{ element, path: at, text }];
  });
}

/** The picture files that a page and its stylesheets show. */
export function picturesShownBy(files: Files, path: string): string[] {
  const text = textAt(files, path);
  if (text === null) return [];
  const page = parsePage(text);
  const named = [
    ...pageAddresses(page).flatMap(({ value, by }) =>
      LOADING.has(by) ? [pathOf(value, baseOf(page, path, null))] : [],
    ),
    ...sheetsOf(page, path, files).flatMap((stylesheet) =>
      styleAddresses(fileLayer(stylesheet.text)).map(({ value }) => pathOf(value, stylesheet.path)),
    ),
  ];
  return [...new Set(named)].filter(
    (one): one is string => one !== null && isPicturePath(one) && files.get(one)?.kind === 'binary',
  );
}

/** `pictures` has a `data:` address for each path; `nonce` lets the page's own styles pass the application's policy. */
export function pageStandingAlone(
  files: Files,
  path: string,
  pictures: ReadonlyMap<string, string>,
  nonce: string,
): string {
  const text = textAt(files, path);
  if (text === null) return '';
  const page = parsePage(text);
  const stylesheets = new Map(sheetsOf(page, path, files).map((stylesheet) => [stylesheet.element, stylesheet]));
  const edits: Edit[] = [];
  for (const element of page.elements) {
    // Of several sources that are all at hand a browser takes the largest, whatever the window; the plain one is the
    // one meant.
    const sources = attributeOf(element, 'srcset');
    if (sources) edits.push({ ...sources.valueRange, text: '' });
    if (element.tag === 'link' && element.range) {
      const stylesheet = stylesheets.get(element);
      edits.push({
        ...element.range,
        text: stylesheet ? styleElement(stylesheet, valueOf(element, 'media'), pictures, nonce) : '',
      });
    } else if (element.tag === 'style' && element.open)
      edits.push({ start: element.open.end - 1, end: element.open.end - 1, text: ` nonce="${nonce}"` });
    // A link that is followed asks for a window, which the frame may not open.
    else if (element.tag === 'head' && element.open)
      edits.push({ start: element.open.end, end: element.open.end, text: '<base target="_blank">' });
  }
  edits.push(
    ...addressEdits(pageAddresses(page), baseOf(page, path, null), pictures).filter(
      (edit) => !edits.some((other) => edit.start < other.end && other.start < edit.end),
    ),
  );
  const edited = applyEdits(text, edits);
  return edited.ok ? edited.text : text;
}

function styleElement(
  stylesheet: { path: string; text: string },
  media: string | undefined,
  pictures: ReadonlyMap<string, string>,
  nonce: string,
): string {
  const edited = applyEdits(
    stylesheet.text,
    addressEdits(styleAddresses(fileLayer(stylesheet.text)), stylesheet.path, pictures),
  );
  const css = (edited.ok ? edited.text : stylesheet.text).replaceAll('</', '<\\/');
  return `<style nonce="${nonce}"${media === undefined ? '' : ` media="${media.replaceAll('&', '&amp;').replaceAll('"', '&quot;')}"`}>${css}</style>`;
}

function addressEdits(addresses: readonly Address[], from: string, pictures: ReadonlyMap<string, string>): Edit[] {
  const edits = new Map<number, Edit>();
  for (const { value, range, by, unplaced, dormant } of addresses) {
    if (!LOADING.has(by) || dormant) continue;
    const address = pictures.get(pathOf(value, from) ?? '') ?? NOTHING;
    // Where its place is not known all of its attribute goes; nothing in it may load.
    edits.set(range.start, { ...range, text: unplaced ? '' : address });
  }
  return [...edits.values()];
}
