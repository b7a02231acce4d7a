/**
 * A kit: a viewer's files with a manifest that says how it is wired. Manifests are written by people, ours and the
 * author's own alike, so they are checked at the border.
 */
import { z } from 'zod';
import { refuse, type Result } from '../../site/index.ts';
import { Idle, Look, Option, Preset, unknownNames } from './manifestOptions.ts';

export type { KitLook, KitOption, KitPreset, OptionValue } from './manifestOptions.ts';

const attribute = z.string().regex(/^[a-z][a-z0-9-]*$/, 'an attribute’s name in small letters is needed');
const global = z.string().regex(/^[A-Za-z_$][\w$]*$/, 'the name of a global is needed');
const className = z.string().regex(/^-?[A-Za-z_][\w-]*$/, 'a class name is needed');
const place = z
  .string()
  .max(300)
  .regex(/^(?!.*(?:^|\/)\.\.?(?:\/|$))[^\\:*?"<>|/][^\\:*?"<>|]*$/, 'a folder of the site is needed')
  .or(z.literal(''));
const folder = z.string().regex(/^[\w-]+(?:\/[\w-]+)*$/, 'a folder below the site’s root is needed');

/** A file of a kit. `gives` and `needs` are globals: what is there once it has run, and what must be there before. */
const KitFile = z.strictObject({
  name: z.string().regex(/^(?!\.)[\w.-]+$/, 'a file’s name without a folder is needed'),
  role: z.enum(['style', 'script', 'other']),
  /** Where it stands, if elsewhere than the others; '' is the site's root. */
  folder: place.optional(),
  /** A library that other scripts may stand on as well: it is loaded once, and stays where somebody else needs it. */
  base: z.boolean().default(false),
  /** Loaded as a module; what it gives is what it exports, `default` by that word. A browser loads none from disk. */
  module: z.boolean().default(false),
  gives: z.array(global).default([]),
  needs: z.array(global).default([]),
});
export type KitFile = z.infer<typeof KitFile>;

/**
 * What tells the viewer that it is meant. One of attribute, class and element, or none where a start call alone
 * chooses.
 */
const Marker = z.strictObject({
  /**
   * `link` is the item's link, `gallery` the element that holds the items, `sections` the one that holds several
   * galleries with their headings.
   */
  on: z.enum(['link', 'gallery', 'sections']).default('link'),
  attribute: attribute.optional(),
  class: className.optional(),
  /** An element of the viewer's own, around what holds the links or around each (WHATWG HTML §4.13.3). */
  element: z
    .string()
    .regex(/^[a-z][a-z0-9]*(?:-[a-z0-9]+)+$/, 'an element’s name with a hyphen is needed')
    .optional(),
  /** Of what a marked gallery holds, the links that are meant, by a selector. */
  links: z.string().min(1).max(200).default('a'),
  /** What stands in the attribute where it is not the group. */
  value: z.string().max(100).default(''),
});

/**
 * Where a group's name stands: in an attribute of its own, as the marker's value, in brackets behind the marker's value
 * (`rel="flare[summer]"`), or nowhere because all links of a start call are one.
 */
const Group = z.union([
  /** With `call`, links of one start call that have no name are a group too. */
  z.strictObject({ attribute, call: z.boolean().optional() }),
  z.strictObject({ in: z.enum(['marker', 'brackets', 'call', 'gallery']) }),
]);

/** `inside` is an element in the link, `next` the one that follows it. */
export const CAPTION_PLACES = ['attribute', 'inside', 'next', 'figure', 'title', 'alt'] as const;

const Caption = z.strictObject({
  attribute: attribute.optional(),
  /** Where the viewer looks, in this order; the first that says something is shown. */
  from: z.array(z.enum(CAPTION_PLACES)).default([]),
  /** The class of the element that says it, in the link or after it; such an element in the link is hidden. */
  class: className.optional(),
  /** The option that names the place to look at first, behind the attribute. */
  option: z.string().optional(),
  /** A second line. */
  description: attribute.optional(),
});

/**
 * How a viewer is started: by a global function, by a plug-in on a collection (`$('.a').glow()`), by a method of an
 * object (`Beam.bind('.a')`), by a constructor (`new Gleam('.a')`).
 */
const Start = z.strictObject({
  way: z.enum(['function', 'collection', 'method', 'constructor']).default('function'),
  /** The function, the plug-in, the method, the class. */
  call: global,
  /** The object whose method it is. */
  of: global.optional(),
  /** A script of the page imports it from the kit's last module, which exports it as its default or by its name. */
  imported: z.enum(['default', 'named']).optional(),
  /** Without the call nothing happens; else it is for selectors and options of one's own. */
  required: z.boolean().default(false),
  /** The first argument chooses links. */
  selector: z.boolean().default(true),
  /** As what it may be handed. */
  takes: z
    .array(z.enum(['selector', 'element', 'list']))
    .min(1)
    .default(['selector']),
  /** The selector by which a call finds its links where nothing marks them: `#pictures a`. */
  finds: z.string().min(1).max(200).optional(),
  /** The selector does not stand for itself, but under this name in an object of options. */
  key: global.optional(),
  /** The selector finds what holds the links; these are found in it by the selector that this option says. */
  items: z.strictObject({ option: global, without: z.string().min(1).max(100) }).optional(),
  /** A method that has to be called on what comes of it, or nothing happens. */
  then: global.optional(),
  /** It finds only elements that are there when it is called; else a later click is enough. */
  binds: z.boolean().default(false),
});
export type Start = z.infer<typeof Start>;

/** A group that stands in the marker needs one that can carry it. */
function troubleInGroup(
  group: z.infer<typeof Group> | undefined,
  { attribute: own, value }: z.infer<typeof Marker>,
): { path: string[]; message: string } | null {
  const within = group && 'in' in group ? group.in : null;
  if (within !== 'marker' && within !== 'brackets') return null;
  if (own === undefined) return { path: ['group'], message: 'only an attribute can carry the group' };
  return within === 'brackets' && value === ''
    ? { path: ['marker'], message: 'a value is needed, before the brackets' }
    : null;
}

function troubleInScripts({ files, start }: Scripted): { path: string[]; message: string } | null {
  const script = files.findLast((file) => file.role === 'script');
  if (!script) return { path: ['files'], message: 'a viewer has at least one script' };
  const isImported = start?.imported !== undefined && !script.module;
  return isImported ? { path: ['start'], message: 'only from a module can something be imported' } : null;
}
interface Scripted {
  files: readonly z.infer<typeof KitFile>[];
  start?: Pick<Start, 'imported'> | undefined;
}

export const KitManifest = z
  .strictObject({
    name: z
      .string()
      .regex(/^[a-z][a-z0-9-]*$/, 'small letters, digits and hyphens are needed')
      .max(60),
    title: z.string().min(1).max(100),
    says: z.string().max(300).default(''),
    /**
     * What becomes of a picture: shown over the page on a click, one at a time in its place, above its neighbours on
     * a click, or left as it is.
     */
    does: z.enum(['overlay', 'show', 'stage', 'page']).default('overlay'),
    /** In load order. */
    files: z.array(KitFile).min(1).max(50),
    /** The folder, from the site's root, that the files are copied to. */
    folder,
    /**
     * Where the scripts are included: in the head, deferred, or at the end of the body, where they run as they stand.
     */
    place: z.enum(['head', 'end']).default('head'),
    marker: Marker,
    group: Group.optional(),
    caption: Caption.default({ from: [] }),
    /** An attribute of the link with the address of the full-size picture, where the viewer does not go by its href. */
    full: z.strictObject({ attribute }).optional(),
    /** Attributes of the link with the size of that picture, image px: `data-size="900x600"`, or one for each. */
    size: z.union([z.strictObject({ attribute }), z.strictObject({ width: attribute, height: attribute })]).optional(),
    /** Classes that it looks for besides the marker: on what holds the items, on each item, on its thumbnail. */
    classes: z.strictObject({ holder: className, item: className, image: className }).partial().default({}),
    /** The option for one link that takes picture information: `Camera: …; Taken: …`. */
    information: z.string().max(60).optional(),
    /** It shows one child after another of the element that is marked, which therefore has to be its items. */
    children: z.boolean().optional(),
    /** An attribute with the address of a middle-sized picture. */
    middle: z.strictObject({ attribute }).optional(),
    /** An attribute of each item with its tags. */
    tags: z.strictObject({ attribute }).optional(),
    /**
     * Attributes of a link in the marked element to the page with further items: the one that marks it, and the one
     * with the address of a script that hands those items to a function.
     */
    more: z.strictObject({ link: attribute, data: attribute, call: z.string().max(60) }).optional(),
    /** An attribute that says what a link opens, and what is written for a picture. */
    kind: z.strictObject({ attribute, picture: z.string() }).optional(),
    /**
     * The element in which the viewer shows its pictures: of this id, or found by a selector that an attribute of the
     * link says.
     */
    container: z.strictObject({ attribute: attribute.optional(), id: z.string().regex(/^[A-Za-z][\w-]*$/) }).optional(),
    start: Start.optional(),
    /** It shows the number of the picture and how many there are. */
    counter: z.boolean().default(false),
    /** From the last picture it goes on to the first. */
    loops: z.boolean().default(false),
    /** It plays a video where a link leads to one. */
    videos: z.boolean().default(false),
    prefix: attribute.or(z.literal('')).default(''),
    options: z.array(Option).default([]),
    /** An option in the markup may also stand on an element around what it is for. */
    inherits: z.boolean().default(false),
    look: z.array(Look).default([]),
    /** A look may also be set for one marked element, or for what is around it, and not for the page alone. */
    looksAlone: z.boolean().default(false),
    presets: z.array(Preset).default([]),
    idle: z.array(Idle).default([]),
    /** The script's own words in English, by the names that its tag's `data-words` gives others for. */
    words: z.record(z.string(), z.string()).default({}),
    /** Kits that may not stand on the same page. */
    apart: z.array(z.string()).default([]),
  })
  .superRefine((kit, context) => {
    const marks = [kit.marker.attribute, kit.marker.class, kit.marker.element].filter((one) => one !== undefined);
    if (marks.length > 1)
      context.addIssue({
        code: 'custom',
        path: ['marker'],
        message: 'an attribute, a class or an element marks a link, not two of them',
      });
    if (marks.length === 0 && !kit.start)
      context.addIssue({
        code: 'custom',
        path: ['marker'],
        message: 'an attribute, a class, an element or a start call is needed, or the script would find nothing',
      });
    if (kit.marker.element !== undefined && kit.marker.on === 'sections')
      context.addIssue({ code: 'custom', path: ['marker'], message: 'an element stands around a gallery or a link' });
    for (const trouble of [troubleInGroup(kit.group, kit.marker), unknownNames(kit)])
      if (trouble) context.addIssue({ code: 'custom', ...trouble });
    if (kit.start?.way === 'method' && kit.start.of === undefined)
      context.addIssue({ code: 'custom', path: ['start'], message: 'the object is needed whose method it is' });
    const trouble = troubleInScripts(kit);
    if (trouble) context.addIssue({ code: 'custom', ...trouble });
  });
export type KitManifest = z.infer<typeof KitManifest>;
export type KitManifestInput = z.input<typeof KitManifest>;

/** A kit ready to be copied: its manifest and the text of each of its text files. */
export interface Kit {
  manifest: KitManifest;
  files: Readonly<Record<string, string>>;
  /** `viewer` ships with the program, `practice` stands in for what people download, `own` is the author's. */
  kind: 'viewer' | 'practice' | 'own';
}

/** Where a file of a kit stands in the site. */
export function kitPath({ manifest }: Pick<Kit, 'manifest'>, name: string): string {
  const place = manifest.files.find((file) => file.name === name)?.folder ?? manifest.folder;
  return place === '' ? name : `${place}/${name}`;
}

/** Whether a path is that of a kit's file, or of something beside it in the kit's folder. */
export const isOfKit = (kit: Kit, path: string): boolean =>
  path.startsWith(`${kit.manifest.folder}/`) || kit.manifest.files.some(({ name }) => kitPath(kit, name) === path);

/** Reads a manifest, or says what is wrong with it and where. */
export function readManifest(data: unknown): Result<{ manifest: KitManifest }> {
  const result = KitManifest.safeParse(data);
  if (result.success) return { ok: true, manifest: result.data };
  const issue = result.error.issues[0];
  return refuse(`kit.json, ${issue?.path.join('.') || 'top level'}: ${issue?.message}`);
}

const isInBrackets = (group: KitManifest['group']): boolean =>
  group !== undefined && 'in' in group && group.in === 'brackets';

/** Whether the marker is code that runs on a click, among which its author may have more. */
export const isHandler = ({ attribute: name, value }: Pick<KitManifest['marker'], 'attribute' | 'value'>): boolean =>
  name !== undefined && name.startsWith('on') && value !== '';

/** The selector of everything that carries the marker; null where a start call alone chooses. */
export function markerSelector({ marker, group }: KitManifest): string | null {
  const tag = marker.on === 'link' ? 'a' : '';
  if (marker.element !== undefined) return marker.on === 'link' ? `${marker.element} a` : marker.element;
  if (marker.attribute !== undefined && isInBrackets(group)) return `${tag}[${marker.attribute}^="${marker.value}"]`;
  if (isHandler(marker)) return `${tag}[${marker.attribute}*="${marker.value}"]`;
  if (marker.attribute !== undefined)
    return `${tag}[${marker.attribute}${marker.value === '' ? '' : `="${marker.value}"`}]`;
  return marker.class === undefined ? null : `${tag}.${marker.class}`;
}

/** What marks an element, as people write it: `data-enlarge`, `class="peep"`. */
export function markerName({ marker, start }: KitManifest): string {
  if (marker.attribute !== undefined) return marker.attribute;
  if (marker.class !== undefined) return `class “${marker.class}”`;
  if (marker.element !== undefined) return `<${marker.element}>`;
  return start ? startWritten(start, '') : '';
}

/** A start call as people write it; `inside` stands between its brackets, `selector` is that of a collection. */
export function startWritten({ way, of, call }: Start, inside: string, selector = '…'): string {
  if (way === 'collection') return `$(${selector}).${call}(${inside})`;
  if (way === 'method') return `${of ?? ''}.${call}(${inside})`;
  return way === 'constructor' ? `new ${call}(${inside})` : `${call}(${inside})`;
}

/** The global without which a start call stops; null for a plug-in and what is imported, which are none. */
export const startGlobal = ({
  way,
  of,
  call,
  imported,
}: Pick<Start, 'way' | 'of' | 'call' | 'imported'>): string | null => {
  if (way === 'collection' || imported !== undefined) return null;
  return way === 'method' ? (of ?? null) : call;
};

/** Whether an attribute of the kit's own element says one of its options. */
export const isOption = ({ options, prefix }: KitManifest, attribute: string): boolean =>
  options.some(({ name }) => prefix + name === attribute);

/** What an author says in a shared attribute besides the marker: `nofollow` of `rel="flare[kites] nofollow"`. */
export function besideMarker(manifest: KitManifest, name: string, value: string): string {
  const { value: begins } = manifest.marker;
  if (name.startsWith('data-') || begins === '') return '';
  if (!isMarker(manifest, name, value)) return value.trim();
  if (isHandler(manifest.marker))
    return value
      .replace(begins, '')
      .replace(/^[\s;]+|[\s;]+$/g, '')
      .trim();
  return value
    .trim()
    .slice(begins.length)
    .replace(/^\[[^\]]*\]?/, '')
    .trim();
}

/**
 * Whether an attribute with this value is the kit's marker. Attributes that pages have for other ends too, as `rel`,
 * are so only where they begin as the kit says.
 */
export function isMarker(
  { marker: { attribute: own, value: begins } }: KitManifest,
  name: string,
  value: string,
): boolean {
  if (own === undefined || name !== own) return false;
  if (isHandler({ attribute: own, value: begins })) return value.includes(begins);
  return own.startsWith('data-') || begins === '' || value.trim().toLowerCase().startsWith(begins.toLowerCase());
}

/** Whether links are what it answers, and not what holds them. */
export const answersLinks = ({ marker, start }: KitManifest): boolean =>
  marker.on === 'link' || start?.items !== undefined;

/** What stands in the attribute that names a link's group. */
export const groupWritten = ({ marker, group }: KitManifest, name: string, beside = ''): string =>
  isInBrackets(group) ? `${marker.value}[${name}] ${beside}`.trimEnd() : name;

/** The marker's word alone, or with a name in brackets right behind it; other words may follow. */
export function bracketsWhole({ marker, group }: KitManifest, value: string): boolean {
  if (!isInBrackets(group)) return true;
  const said = value.trim();
  if (!said.startsWith(marker.value)) return false;
  return said === marker.value || /^\[[^\]\s][^\]]*\](?:\s|$)/.test(said.slice(marker.value.length));
}

/** The name in brackets: `summer` of `flare[summer]`. */
export const bracketed = (value: string): string | null => /\[([^\]]*)\]/.exec(value)?.[1]?.trim() || null;

export const groupAttribute = ({ group, marker }: KitManifest): string | null => {
  if (!group) return null;
  if ('attribute' in group) return group.attribute;
  return group.in === 'marker' || group.in === 'brackets' ? (marker.attribute ?? null) : null;
};

/** Whether a click on a picture is the kit's to answer. Two such kits on one page get in each other's way. */
export const opensOnClick = ({ does }: Pick<KitManifest, 'does'>): boolean => does === 'overlay' || does === 'stage';

/** The name by which a module exports what starts it; null where nothing is imported. */
export function exportedName({ imported, way, of, call }: Start): string | null {
  if (imported === undefined) return null;
  const named = way === 'method' ? of : call;
  return imported === 'default' ? 'default' : (named ?? null);
}

/**
 * Whether a page loads a file by a tag of its own: not a module that another one imports, be it of the kit or a script
 * of the page.
 */
export function isTagged({ files, start }: KitManifest, file: KitFile): boolean {
  if (file.role === 'other') return false;
  if (file.role === 'style' || !file.module) return true;
  return start?.imported === undefined && file === files.findLast(({ role }) => role === 'script');
}

export const scriptsOf = ({ files }: KitManifest): KitFile[] => files.filter((file) => file.role === 'script');

/** `show-counter` in a start call is `showCounter`. */
export const argumentName = (option: string): string =>
  option.replace(/-([a-z0-9])/g, (_, letter: string) => letter.toUpperCase());
