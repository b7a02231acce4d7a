import { indentOf, newlineOf, textOf, verified, STATES } from '../markup/index.ts';
import { placeIn, planPage, type Observation, type Fix, type Rule } from './finding.ts';
import { planEdits } from '../site/index.ts';

export const codeIgnored: Rule = {
  id: 'code-ignored',
  station: 'wiring',
  title: 'No script with an address holds code or markup',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.wiring.scripts.flatMap(({ include }): Observation[] => {
        const { element } = include;
        // An empty comment is how some keep a script from being closed like an image.
        const inside =
          include.written === null || include.imported
            ? ''
            : textOf(element)
                .replace(/<!--[^]*?-->/g, '')
                .trim();
        if (inside === '' || !element.open || !element.range) return [];
        // `<script src="x.js"/>` is no closed tag: all up to the next </script> is taken for code.
        const swallows = /<[a-z/]/i.test(inside);
        const { end } = element.open;
        const slash = page.text.slice(end - 2, end) === '/>';
        const newline = newlineOf(page.document);
        const fix: Fix = swallows
          ? {
              kind: 'change',
              states: STATES.mends,
              label: 'Close the script',
              plan: () =>
                planEdits(
                  `Close the script on ${page.path}`,
                  page.path,
                  verified(
                    page.document,
                    [{ start: slash ? end - 2 : end, end, text: slash ? '></script>' : '</script>' }],
                    (after) =>
                      after.elements.length > page.document.elements.length ? null : 'nothing would come back',
                  ),
                ),
            }
          : {
              kind: 'change',
              states: { gives: ['tags'] },
              label: 'Give the code a script of its own',
              plan: () =>
                planPage(
                  page,
                  `Part the script on ${page.path}`,
                  [{ start: end, end, text: `</script>${newline}${indentOf(page.document, element)}<script>` }],
                  1,
                ),
            };
        return [
          {
            matter: `${page.path}:${include.written}`,
            severity: 'error',
            says: swallows
              ? `The script ${include.written} is not closed; markup up to the next </script> stands inside it.`
              : `Code stands inside the script that loads ${include.written}.`,
            why: swallows
              ? 'The browser takes all of it for the script’s inside, and shows and runs none of it.'
              : 'A script with src runs its file and nothing else: the code between the tags is never run.',
            place: placeIn(page, element.open),
            strand: null,
            joint: null,
            fixes: [fix],
          },
        ];
      }),
    ),
};
