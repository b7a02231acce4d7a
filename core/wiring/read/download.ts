/** Of a download what a page needs: one of two files that are the same script, and nothing that only its makers need. */
import { nameOf } from '../../site/index.ts';

/** Folders of what is ready to be used, and of what it is made from (common practice, no source). */
const READY = /(?:^|\/)(?:dist|build|release|min)\//i;
const FOR_MAKERS =
  /(?:^|\/)(?:src|source|sources|test|tests|spec|node_modules|scripts|tools|\.github)\/|(?:^|\/)(?:gulpfile|gruntfile|webpack\.config|rollup\.config|karma\.conf)\.[cm]?js$/i;

/** Words in a file's name that say for what it was made, not what it is (common practice, no source). */
const MADE_AS = /(?:[.-](?:min|esm|umd|iife|cjs)|\.(?:es|mjs|module|common|bundle))(?=[.-])/gi;
const AS_MODULE = /[.-](?:esm?|module)[.-]|\.mjs$/i;
/** For another place than a browser. */
const NO_BROWSER = /[.-](?:cjs|common)[.-]|\.cjs$/i;

const bare = (path: string): string =>
  nameOf(path)
    .toLowerCase()
    .replace(/\.css$/i.test(path) ? /[.-]min(?=\.)/i : MADE_AS, '')
    .replace(/\.[cm]js$/, '.js');
const isMade = (path: string): boolean => /\.min\.(?:js|css)$/i.test(path);

interface Needed {
  take: string[];
  /** What is left behind, and why. */
  left: { path: string; why: string }[];
}

/** `mentions` are texts that say how it is used: of two that are the same the one that they name is meant. */
export function neededOf(paths: readonly string[], mentions: readonly string[] = []): Needed {
  const left: Needed['left'] = [];
  const scripts = paths.filter((path) => /\.(?:[cm]?js|css)$/i.test(path));
  const ready = scripts.filter((path) => !FOR_MAKERS.test(path) && !NO_BROWSER.test(nameOf(path)));
  // Where there is nothing else, it is what is meant.
  const usable = ready.some((path) => /\.m?js$/i.test(path)) ? ready : scripts;
  for (const path of scripts) if (!usable.includes(path)) left.push({ path, why: 'for its makers only' });
  const isNamed = (path: string) =>
    mentions.some((text) => text.includes(`/${nameOf(path)}`) || text.includes(`"${nameOf(path)}`));
  // A plain script works from disk too.
  const rank = (path: string) =>
    (isNamed(path) ? 8 : 0) +
    (READY.test(path) ? 4 : 0) +
    (AS_MODULE.test(nameOf(path)) ? 0 : 2) +
    (isMade(path) ? 1 : 0);
  const take: string[] = [];
  for (const path of usable) {
    const same = usable.filter((other) => bare(other) === bare(path));
    const [best = path] = [...same].sort((a, b) => rank(b) - rank(a) || a.length - b.length);
    if (best === path) take.push(path);
    else left.push({ path, why: `the same as ${best}` });
  }
  return { take: [...take, ...paths.filter((path) => !scripts.includes(path))], left };
}
