/** What may be written where the cursor stands: files of the site by their relative path, anchors, ids and classes. */
import type { Completion, CompletionContext, CompletionResult } from '@codemirror/autocomplete';
import { isPagePath, isPicturePath, relativeReference, resolveInSite } from '~core/site/index.ts';
import type { SiteView } from '~core/view/index.ts';
import { writingAt } from './addresses';
import { viewerCompletions } from './viewerCompletion';

/** As much text before the cursor is looked at as a long tag has; letters. */
const MOST_BEFORE = 3000;

/** What the editor knows of the site around the file that it shows. */
export interface Surroundings {
  path: string;
  view: Pick<SiteView, 'files' | 'pages' | 'classes' | 'kits'>;
  /** The address of a small copy of a picture, for an `img`. */
  pictureUrl: (path: string) => Promise<string | null>;
}

function languageOf(path: string): 'html' | 'css' | 'js' {
  if (/\.css$/i.test(path)) return 'css';
  return /\.m?js$/i.test(path) ? 'js' : 'html';
}

function typeOf(path: string): 'picture' | 'page' | 'file' {
  if (isPicturePath(path)) return 'picture';
  return isPagePath(path) ? 'page' : 'file';
}

export function completing(surroundings: () => Surroundings) {
  return (context: CompletionContext): CompletionResult | null => {
    const known = surroundings();
    const line = context.state.doc.lineAt(context.pos);
    const before = line.text.slice(0, context.pos - line.from);
    const language = languageOf(known.path);
    const writing = writingAt(before, language, language === 'css' && inBlock(context));
    if (!writing) {
      const earlier = context.state.doc.sliceString(Math.max(0, context.pos - MOST_BEFORE), context.pos);
      return viewerCompletions(earlier, context.pos, known);
    }
    const from = line.from + writing.from;
    if (writing.kind !== 'address')
      return {
        from,
        options: (writing.kind === 'class' ? known.view.classes : anchorsOf(known)).map((label) => ({
          label,
          type: writing.kind,
        })),
        validFor: /^[\w-]*$/,
      };
    const hash = writing.typed.indexOf('#');
    if (hash >= 0) {
      const target = resolveInSite(writing.typed.slice(0, hash), baseOf(known));
      const leadsTo = target.kind === 'file' ? target.path : null;
      const page = hash === 0 ? known.path : leadsTo;
      const ids = known.view.pages.find(({ path }) => path === page)?.anchors ?? [];
      return { from: from + hash + 1, options: ids.map((label) => ({ label, type: 'id' })), validFor: /^[\w-]*$/ };
    }
    return { from, options: addresses(known, writing.attribute), validFor: /^[^\s"'()#]*$/ };
  };
}

/** The path that addresses of this file count from. */
const baseOf = ({ path, view }: Surroundings): string => view.pages.find((page) => page.path === path)?.base ?? path;

const anchorsOf = ({ path, view }: Surroundings): string[] => {
  const own = view.pages.find((page) => page.path === path);
  return [...new Set((own ? [own] : view.pages).flatMap(({ anchors }) => anchors))];
};

/** Whether the cursor stands between braces that hold declarations. */
function inBlock({ state, pos }: CompletionContext): boolean {
  const before = state.doc.sliceString(Math.max(0, pos - 2000), pos);
  const open = before.lastIndexOf('{');
  if (open < 0 || before.lastIndexOf('}') > open) return false;
  return !/@(?:media|supports|layer)[^{}]*$/i.test(before.slice(0, open));
}

/** Likeliest kinds first: pictures where a picture is meant, pages where a link may lead. */
function addresses(surroundings: Surroundings, attribute: string): Completion[] {
  const { path, view, pictureUrl } = surroundings;
  const base = baseOf(surroundings);
  const boost = (file: string): number => {
    const picture = isPicturePath(file);
    if (attribute === 'src' || attribute === 'srcset' || attribute === 'url' || attribute === 'poster')
      return picture ? 2 : 0;
    return isPagePath(file) || picture ? 1 : 0;
  };
  return view.files
    .filter((file) => file.path !== path)
    .map((file): Completion => {
      const type = typeOf(file.path);
      return {
        label: relativeReference(base, file.path),
        type,
        boost: boost(file.path),
        ...(type === 'picture' ? { info: () => shown(file.path, pictureUrl) } : {}),
      };
    });
}

async function shown(path: string, pictureUrl: Surroundings['pictureUrl']): Promise<Node | null> {
  const url = await pictureUrl(path);
  if (url === null) return null;
  const image = document.createElement('img');
  image.src = url;
  image.alt = '';
  return image;
}
