/**
 * A report of one page for a teacher or a client: what was checked, what was found, how the page looks at three widths.
 * One file of HTML that needs nothing else, runs nothing and prints well.
 */
import { encodeAttribute, encodeMarkup } from '../markup/index.ts';
import { countOf, inBytes } from '../site/index.ts';
import type { FindingView, SiteView } from './siteView.ts';

export interface Reported {
  /** The site's name, as its author calls it. */
  site: string;
  page: string;
  /** When it was made, in words. */
  date: string;
  /** The page by itself, with its styles and pictures in it. */
  alone: string;
  /** What it loads down to its end; bytes. */
  whole: { bytes: number; files: number };
  /** What html-validate says of it. */
  validity: readonly { line: number; says: string }[];
  /** What axe-core says of it; null where it could not look. */
  accessibility: readonly { says: string; places: number }[] | null;
}

type Told = Pick<SiteView, 'findings' | 'aside' | 'checked'>;

/** Windows, and the height that is shown of each; CSS px (widths: common practice, no source). */
const WINDOWS = [
  { width: 390, height: 700, scale: 0.42 },
  { width: 768, height: 700, scale: 0.6 },
  { width: 1280, height: 760, scale: 0.5 },
] as const;

export function reportOf({ findings, aside, checked }: Told, reported: Reported): string {
  const { site, page, date, whole } = reported;
  const own = findings.filter(({ place }) => place.path === page);
  const ownAside = aside.filter(({ finding }) => finding.place.path === page);
  const elsewhere = findings.length - own.length;
  const { validity, accessibility } = reported;
  return `<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>${encodeMarkup(`${page}: report`)}</title>
<style>${STYLE}</style>
</head>
<body>
<header>
<p>${encodeMarkup(site)}</p>
<h1>${encodeMarkup(page)}</h1>
<p>${encodeMarkup(`Checked on ${date}. ${summaryOf(own)} It loads ${inBytes(whole.bytes)} in ${countOf(whole.files, 'file')}.`)}</p>
</header>
<h2>How it looks</h2>
<div class="windows">
${WINDOWS.map((window) => figure(reported, window)).join('\n')}
</div>
<h2>What was found</h2>
${own.length === 0 ? '<p>Nothing.</p>' : `<ol>\n${own.map(row).join('\n')}\n</ol>`}
${elsewhere > 0 ? `<p>${encodeMarkup(`${countOf(elsewhere, 'more finding')} on other pages and files of the site.`)}</p>` : ''}
${ownAside.length > 0 ? asideList(ownAside) : ''}
<h2>The HTML standard</h2>
${listOf(validity.map(({ line, says }) => [says, `line ${line}`]))}
<h2>Accessibility</h2>
${accessibility === null ? '<p>The page lets no checker in.</p>' : listOf(accessibility.map(({ says, places }) => [says, countOf(places, 'place')]))}
<h2>What was checked</h2>
<ul class="checked">
${checked.map(({ title, found }) => `<li>${encodeMarkup(title)}${found > 0 ? `: <b>${found} found in the site</b>` : ''}</li>`).join('\n')}
</ul>
</body>
</html>
`;
}

function summaryOf(own: readonly FindingView[]): string {
  const errors = own.filter(({ severity }) => severity === 'error').length;
  if (own.length === 0) return 'Nothing was found.';
  return `${countOf(errors, 'error')} and ${countOf(own.length - errors, 'warning')} were found.`;
}

/** The page in a frame in which no script runs and no link leads anywhere. */
function figure({ page, alone }: Reported, { width, height, scale }: (typeof WINDOWS)[number]): string {
  const room = `width:${Math.round(width * scale)}px;height:${Math.round(height * scale)}px`;
  const frame = `width:${width}px;height:${height}px;transform:scale(${scale})`;
  const title = encodeAttribute(`${page} at ${width} px`, '"');
  const inside = encodeAttribute(alone, '"');
  return `<figure><div style="${room}"><iframe sandbox="" title="${title}" style="${frame}" srcdoc="${inside}"></iframe></div><figcaption>${width} px</figcaption></figure>`;
}

function row({ severity, says, why, place: { path, line } }: FindingView): string {
  const where = line === null ? path : `${path}, line ${line}`;
  const kind = severity === 'error' ? 'Error' : 'Warning';
  return `<li><b>${kind}:</b> ${encodeMarkup(says)} ${encodeMarkup(why)} <code>${encodeMarkup(where)}</code></li>`;
}

const listOf = (rows: readonly (readonly [says: string, where: string])[]): string =>
  rows.length === 0
    ? '<p>Nothing was found.</p>'
    : `<ul>\n${rows.map(([says, where]) => `<li>${encodeMarkup(says)} <code>${encodeMarkup(where)}</code></li>`).join('\n')}\n</ul>`;

const asideList = (aside: Told['aside']): string =>
  `<h2>Looked at and left as it is</h2>
<ul>
${aside.map(({ finding, reason }) => `<li>${encodeMarkup(finding.says)} <i>${encodeMarkup(reason)}</i></li>`).join('\n')}
</ul>`;

const STYLE = `
body { margin: 2rem auto; padding: 0 1rem; max-width: 720px; font: 11pt/1.45 Georgia, serif; color: #222; }
h1 { margin: 0; font-size: 20pt; }
h2 { margin: 1.6em 0 0.5em; font-size: 13pt; break-after: avoid; }
header p { margin: 0.2em 0; color: #555; }
.windows { display: flex; flex-wrap: wrap; gap: 12px; }
figure { margin: 0; break-inside: avoid; }
figure div { overflow: hidden; border: 1px solid #999; }
figcaption { font-size: 9pt; color: #555; text-align: center; }
iframe { border: 0; transform-origin: 0 0; background: #fff; }
li { margin-bottom: 0.4em; break-inside: avoid; }
code { font-size: 9pt; color: #555; overflow-wrap: anywhere; }
.checked { columns: 2; font-size: 9.5pt; padding-left: 1.2em; }
@page { margin: 15mm; }
@media print { body { margin: 0; padding: 0; max-width: none; } }
`;
