import { STATES } from '../markup/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';

/**
 * Pieces of tags and of code that nobody writes for a reader; alone in an element of its own, one may be an ornament.
 */
const PIECE = /^(?:["'\u201C\u201D>;{}=\\`]|\/>|--|<\/?|&gt;)+$/;
const CODE = new Set(['script', 'style', 'pre', 'code', 'textarea', 'title', 'option', 'kbd', 'samp']);

export const textLeftOver: Rule = {
  id: 'text-left-over',
  station: 'wiring',
  title: 'No piece of a tag is left between tags',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.document.elements.flatMap((element) =>
        CODE.has(element.tag) || element.children.length === 0
          ? []
          : element.texts.flatMap(({ range }): Observation[] => {
              const raw = page.text.slice(range.start, range.end);
              const piece = raw.trim();
              if (piece === '' || piece.length > 6 || !PIECE.test(piece)) return [];
              const start = range.start + raw.indexOf(piece);
              const at = { start, end: start + piece.length };
              // In the head any letter ends the head.
              const head = page.document.elements.find(({ tag }) => tag === 'head');
              const early = element.tag === 'body' && head !== undefined && (head.close?.start ?? Infinity) > start;
              const strand = page.strands.flat().find((one) => start >= one.range.start && start < one.range.end);
              return [
                {
                  matter: `${page.path}:${piece}`,
                  severity: early ? 'error' : 'warning',
                  says: `“${piece}” is left over between the tags.`,
                  why: early
                    ? 'The browser ends the head here and begins the body: what follows stands in the page.'
                    : 'The browser shows it as text.',
                  place: placeIn(page, at),
                  strand: strand?.id ?? null,
                  joint: null,
                  fixes: [
                    {
                      kind: 'change',
                      states: STATES.mends,
                      label: 'Remove the left-over text',
                      plan: () => planPage(page, `Remove “${piece}” from ${page.path}`, [{ ...at, text: '' }]),
                    },
                  ],
                },
              ];
            }),
      ),
    ),
};
