/** A custom property for a whole page, in the author's rule for `:root` or in one of its own. */
import { refuse } from '../site/index.ts';
import { applied, type Declared, situationOf, type StyledSite, WIDE } from './declare.ts';
import { troubleWith } from './values.ts';
import { appendDeclaration, cutDeclaration, ruleAtEnd } from './write.ts';

interface PageLook {
  property: string;
  /** Null takes away what is declared. */
  value: string | null;
  /** What it is for: the comment above a new rule. */
  purpose: string;
}

export function setForPage(site: StyledSite, path: string, { property, value, purpose }: PageLook): Declared {
  const trouble = value === null ? null : troubleWith(property, value);
  if (trouble) return refuse(`${trouble}.`);
  const stylesheets = situationOf(site, path, WIDE)?.stylesheets.filter(
    ({ kind, path: of }) => kind !== 'attribute' && !site.foreign(of),
  );
  const stylesheet = stylesheets?.at(-1);
  if (!stylesheets || !stylesheet) return refuse('There is no stylesheet of yours to write it in.');
  const roots = stylesheets
    .flatMap(({ rules }) => rules)
    .filter((rule) => rule.prelude.trim() === ':root' && rule.media.length === 0);
  const saying = roots.findLast(({ declarations }) => declarations.some((one) => one.property === property));
  const declaration = saying?.declarations.findLast((one) => one.property === property);
  if (saying && declaration) {
    const edit = value === null ? cutDeclaration(saying, declaration) : { ...declaration.valueRange, text: value };
    return finished(site, saying.stylesheet.path, edit);
  }
  if (value === null) return { ok: true, site };
  const home = roots.at(-1);
  if (home) return finished(site, home.stylesheet.path, appendDeclaration(home, property, value));
  const rule = { selector: ':root', property, value, purpose, media: null };
  return finished(site, stylesheet.path, ruleAtEnd(stylesheet, rule));
}

function finished(site: StyledSite, path: string, edit: Parameters<typeof applied>[1]['edits'][number]): Declared {
  const next = applied(site, { path, edits: [edit] });
  return typeof next === 'string' ? refuse(next) : { ok: true, site: next };
}
