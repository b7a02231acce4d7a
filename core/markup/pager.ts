/** The way from one page of a row to the next: numbers, “previous” and “next”. It is no menu of the site. */
import { ancestors, descendants, textOf, valueOf, type PageDocument, type PageElement } from './document.ts';

/** Words on such links, in the languages of pages; from memory, not from a published list. */
const STEPS =
  'prev|previous|next|back|forward|forwards|older|newer|earlier|later|first|last|page|of|' +
  'zurück|zurueck|weiter|vor|vorherige|vorheriges|vorige|nächste|nächstes|naechste|erste|letzte|seite|' +
  'précédent|précédente|precedent|suivant|suivante|premier|dernier|anterior|siguiente|próximo|próxima|seguinte|' +
  'precedente|successivo|successiva|vorig|vorige|volgende|forrige|næste|neste|föregående|nästa|poprzednia|następna|' +
  'předchozí|další|edellinen|seuraava|photo|picture|image|gallery';

/** One link of a pager: a number that is no year, an arrow, a word for a step, or some of them. */
const STEP = new RegExp(
  `^(?:(?<!\\d)\\d{1,3}(?!\\d)|[\\s‹›«»←→⇐⇒<>|·.…–—-]|(?<![\\p{L}])(?:${STEPS})(?![\\p{L}]))+$`,
  'iu',
);
/** Without a word of a step these alone are no pager: a menu may have an entry “Page” or “Gallery”. */
const MOVES =
  /[\d‹›«»←→⇐⇒<>]|prev|next|back|vor|zur|weiter|nächst|suiv|préc|prec|sig|ant|prox|próx|volg|forr|næs|nes|näs|för|dal|pře|seur|edel|nast|popr/iu;

const BACK = /back|zurück|zurueck/i;

const REL = /(?:^|\s)(?:prev|next)(?:\s|$)/i;

const isStep = (link: PageElement): boolean => {
  const label = textOf(link).trim();
  return REL.test(valueOf(link, 'rel') ?? '') || (STEP.test(label) && MOVES.test(label));
};

/** Whether all the links in an element are steps from page to page. */
export function isPager(element: PageElement): boolean {
  const links = [...descendants(element)].filter((one) => one.tag === 'a' && valueOf(one, 'href') !== undefined);
  const [first, ...more] = links;
  if (!first || !links.every(isStep)) return false;
  // One link back may lead to the page above, which is the same for every page.
  return more.length > 0 || !BACK.test(textOf(first)) || REL.test(valueOf(first, 'rel') ?? '');
}

const HOLDERS = new Set(['nav', 'ul', 'ol', 'p', 'div', 'table', 'center', 'footer', 'section']);

/** Words beside its links are few: “Page 2 of 5”. Characters. */
const MOST_WORDS = 60;

/** Pagers of a page, each as the outermost element that holds nothing else. */
export function pagersOf({ elements }: PageDocument): PageElement[] {
  const pagers = new Set<PageElement>();
  for (const link of elements) {
    if (link.tag !== 'a' || !isStep(link)) continue;
    const around = [...ancestors(link)].filter(
      (one) =>
        HOLDERS.has(one.tag) &&
        isPager(one) &&
        textOf(one).trim().length <= MOST_WORDS &&
        ![...descendants(one)].some(({ tag }) => tag === 'img' || /^h[1-6]$/.test(tag)),
    );
    const outermost = around.at(-1);
    if (outermost?.range) pagers.add(outermost);
  }
  return [...pagers].filter((one) => ![...ancestors(one)].some((outer) => pagers.has(outer)));
}
