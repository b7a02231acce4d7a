/** How a gallery is laid out, as plain data: its settings, where each is said, and the rules that say it. */
import { pathTo } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import { styledSite } from '../plans/index.ts';
import {
  layoutOf,
  loading,
  placeOf,
  SETTINGS,
  situationOf,
  upTo,
  WIDE,
  weightOf,
  allHold,
  winnerFor,
  type Field,
  type Layout,
  type Method,
  type Rule,
  type Setting,
  type Situation,
} from '../style/index.ts';

export interface SettingView {
  id: string;
  group: Setting['group'];
  title: string;
  field: Field;
  value: string | null;
  /** Where it is said; null where nothing is declared. */
  place: { path: string; line: number; start: number; text: string } | null;
  /** In a narrow window: whether it is only what wider ones have. */
  fromWide: boolean;
  idle: string | null;
  /** Why it cannot be told what a browser makes of it; null where it can. */
  unread: string | null;
}

export interface RuleView {
  path: string;
  line: number;
  start: number;
  end: number;
  media: string | null;
  text: string;
}

export interface LayoutView {
  method: Method;
  settings: SettingView[];
  rules: RuleView[];
  /** Widths up to which some rule of the gallery counts, widest first; CSS px. */
  narrow: number[];
  /** The first items by their child numbers from `html`, one element each; empty where items are several. */
  items: number[][];
  /** Other pages that load a stylesheet in which this gallery is laid out. */
  alsoOn: string[];
}

/**
 * `at` is the width up to which the window is looked at, in CSS px; null looks at a wide one. Null where the gallery
 * is gone.
 */
export function layoutView(site: SiteReading, path: string, n: number, at: number | null): LayoutView | null {
  const styled = styledSite(site);
  const situation = situationOf(styled, path, at ?? WIDE);
  const gallery = site.pages.find((page) => page.path === path)?.galleries[n];
  if (!situation || !gallery) return null;
  const layout = layoutOf(situation, gallery);
  const wide = { ...situation, width: WIDE };
  const rules = rulesOf(situation, layout.parts);
  const narrow = [...new Set(rules.flatMap(({ media }) => upTo(media) ?? []))].sort((a, b) => b - a);
  const settings = SETTINGS.map((setting): SettingView => {
    const { value, winner, unread = null } = setting.read(layout);
    const element =
      winner &&
      Object.values(layout.parts)
        .flat()
        .find(
          (one) =>
            winnerFor({ ...situation, state: setting.state ?? null }, one, winner.declaration.property)?.declaration ===
            winner.declaration,
        );
    const fromWide =
      at !== null &&
      (!winner ||
        !element ||
        winnerFor({ ...wide, state: setting.state ?? null }, element, winner.declaration.property)?.declaration ===
          winner.declaration);
    const place = winner && placeOf(winner);
    return {
      id: setting.id,
      group: setting.group,
      title: setting.title,
      field: setting.field,
      value,
      place: place && {
        path: place.path,
        line: place.line,
        start: place.start,
        text: `${winner.rule.prelude} { ${winner.declaration.property}: ${winner.declaration.value} }`,
      },
      fromWide,
      idle: setting.idle?.(layout) ?? null,
      unread,
    };
  });
  const stylesheets = [
    ...new Set(
      rules
        .filter(({ stylesheet: stylesheet }) => stylesheet.kind === 'file' && !styled.foreign(stylesheet.path))
        .map(({ stylesheet: stylesheet }) => stylesheet),
    ),
  ];
  return {
    method: layout.method,
    settings,
    rules: rules
      .filter(({ media }) => allHold(media, situation.width))
      .map((rule) => ({
        path: rule.stylesheet.path,
        line: rule.stylesheet.lines.lineAt(rule.range.start),
        start: rule.range.start,
        end: rule.range.end,
        media: rule.media.join(' and ') || null,
        text: rule.stylesheet.text.slice(rule.range.start, rule.range.end),
      })),
    narrow,
    items: layout.parts.item.slice(0, MOST_ITEMS).map(pathTo),
    alsoOn: [
      ...new Set(stylesheets.flatMap((stylesheet) => loading(styled, stylesheet).map((page) => page.path))),
    ].filter((one) => one !== path),
  };
}

/** More would show nothing else of how a gallery is laid out. */
const MOST_ITEMS = 60;

/** Rules that speak of the container, the items, their links, pictures or captions; not those of the whole page. */
function rulesOf(situation: Situation, parts: Layout['parts']): Rule[] {
  const firsts = [parts.container, parts.item, parts.link, parts.image, parts.caption].flatMap(([first]) =>
    first ? [first] : [],
  );
  return situation.stylesheets.flatMap((stylesheet) =>
    stylesheet.rules.filter(
      (rule) => rule.declarations.length > 0 && firsts.some((element) => weightOf(rule, element, null) !== null),
    ),
  );
}
