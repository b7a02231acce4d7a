/** The fourth joint: what marks a link for the viewer, and the script that answers. */
import { attributeOf, type Gallery, type GalleryItem, type PageElement } from '../markup/index.ts';
import {
  answers,
  commonGroup,
  containerMissing,
  groupAttribute,
  groupOf,
  markerName,
  membersOf,
  misspeltMarker,
  opensOnClick,
  strayOf,
  type Include,
  type KitUse,
} from '../wiring/index.ts';
import { joint, placeOf, type Joint, type PageContext } from './joints.ts';

export function viewerJoint(page: PageContext, gallery: Gallery, item: GalleryItem): Joint {
  const use = page.wiring.uses.find((one) => opensOnClick(one.kit.manifest) && answers(one, item)) ?? page.wiring.main;
  if (!use)
    return joint('viewer', 'none', 'no viewer', 'No script answers; the link opens the picture by itself.', null);
  const { name, marker } = use.kit.manifest;
  const { link } = item;
  if (marker.on !== 'link') return holderJoint(page, use, item);
  if (!link) return joint('viewer', 'none', name, 'There is no link to mark.', null);
  const silent = silentScript(page, use);
  if (silent) return silent;
  if (!use.claimed.has(link)) return unclaimedJoint(page, use, link);
  const missing = containerMissing(page.document, use.kit, link);
  if (missing)
    return joint(
      'viewer',
      'broken',
      name,
      missing.selector === ''
        ? `It has no ${missing.attribute}, so the ${name} has no place to show it in.`
        : `${missing.attribute} asks for “${missing.selector}”, and the page has no such element.`,
      placeOf(page, link, missing.attribute ?? undefined),
    );
  return groupJoint(page, use, gallery, link);
}

/** Where a kit's scripts are not there or stop, nothing answers, however well a link is marked. */
function silentScript(page: PageContext, use: KitUse): Joint | null {
  if (use.runs) return null;
  for (const { file, includes } of use.files) {
    if (file.role !== 'script') continue;
    const [include] = includes;
    const silent = include ? silentInclude(page, include) : absentScript(use, file.name);
    if (silent) return silent;
  }
  return null;
}

function absentScript(use: KitUse, file: string): Joint {
  const { name } = use.kit.manifest;
  const isInPart = use.script || use.files.some((one) => one.file.role === 'script' && one.includes.length > 0);
  const says = isInPart
    ? `The page does not load ${file}, which the ${name} needs.`
    : `The page does not load the ${name}’s script.`;
  return joint('viewer', 'broken', name, says, null);
}

/** Null where nothing is wrong with the script itself. */
function silentInclude(page: PageContext, include: Include): Joint | null {
  const place = { path: page.path, line: include.line, range: include.element.range };
  const written = include.written ?? '';
  const broken = (says: string) => joint('viewer', 'broken', written, says, place);
  if (include.target?.kind === 'outside')
    return joint(
      'viewer',
      'look',
      written,
      'The script comes from another host; what it answers can be seen only there.',
      place,
    );
  if (include.lookup.found !== 'exact') return broken(`${include.written} is not there, so nothing answers.`);
  const run = page.wiring.scripts.find((one) => one.include === include);
  if (run?.reading && !run.reading.ok) return broken(`${include.written} has a mistake in it, so nothing of it runs.`);
  const [early] = run?.early ?? [];
  return early ? broken(`${include.written} needs ${early.name}, which is not there yet when it runs.`) : null;
}

function unclaimedJoint(page: PageContext, use: KitUse, link: PageElement): Joint {
  const { name, start } = use.kit.manifest;
  const meant = markerName(use.kit.manifest);
  const wrong = misspeltMarker(link, use.kit);
  if (wrong)
    return joint(
      'viewer',
      'broken',
      name,
      `The marker reads ${wrong.is}; the ${name} looks for ${wrong.meant}.`,
      placeOf(page, link, wrong.attribute),
    );
  const stray = strayOf(use, link);
  if (stray)
    return joint(
      'viewer',
      'broken',
      name,
      `The ${name} listens to the <${stray.tag}>, not to the link, and finds no address there.`,
      placeOf(page, stray),
    );
  const call = use.starts.find(({ tooEarly }) => tooEarly) ?? use.starts[0];
  if (start?.required && use.marked.includes(link))
    return joint(
      'viewer',
      'broken',
      name,
      call
        ? `The call of ${start.call}() does not find it.`
        : `${start.call}() is never called, so the ${name} does nothing.`,
      call ? { path: page.path, line: call.include.line, range: call.include.element.range } : placeOf(page, link),
    );
  return joint(
    'viewer',
    'broken',
    name,
    `The link is not marked with ${meant}, so the ${name} leaves it alone.`,
    placeOf(page, link),
  );
}

function groupJoint(page: PageContext, use: KitUse, gallery: Gallery, link: PageElement): Joint {
  const { kit } = use;
  const { name } = kit.manifest;
  const attribute = groupAttribute(kit.manifest);
  const place = placeOf(page, link, attribute !== null && attributeOf(link, attribute) ? attribute : undefined);
  if (attribute === null)
    return joint(
      'viewer',
      'whole',
      `${name}${membersOf(use, link).length > 1 ? `, one of ${membersOf(use, link).length}` : ''}`,
      '',
      place,
    );
  const common = commonGroup(gallery.items, kit);
  const own = groupOf(link, kit);
  if (common !== null && own === null)
    return joint(
      'viewer',
      'broken',
      name,
      `It has no group; its neighbours are in “${common}”. It opens alone, with no next or previous.`,
      place,
    );
  if (common !== null && own !== common)
    return joint('viewer', 'look', `${name}, group ${own}`, `Its neighbours are in “${common}”.`, place);
  return joint('viewer', 'whole', `${name}${own === null ? '' : `, group ${own}`}`, '', place);
}

/** Viewers that are told of a whole gallery, not of each link. */
function holderJoint(page: PageContext, use: KitUse, item: GalleryItem): Joint {
  const { name } = use.kit.manifest;
  return (
    silentScript(page, use) ??
    (answers(use, item)
      ? joint('viewer', 'whole', name, '', null)
      : joint('viewer', 'look', name, `Its gallery is not marked with ${markerName(use.kit.manifest)}.`, null))
  );
}
