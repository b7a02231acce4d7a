/** An own script's manifest as the fields of a form, and back. */
import { z } from 'zod';
import { CAPTION_PLACES, kitName, readManifest, type KitManifestInput } from '~core/wiring/index.ts';

const word = z.string().trim();

const Fields = z.object({
  /** What was read from the script; its files stay, in the order that the author gives them. */
  base: z.custom<KitManifestInput>(),
  title: word.min(1, 'Give it a name.'),
  by: z.enum(['attribute', 'class', 'element', 'call']),
  marker: word,
  value: word,
  /** The marker stands on each link, or on what holds them. */
  on: z.enum(['link', 'gallery']),
  /** Which of the links in it are meant. */
  links: word,
  group: z.enum(['attribute', 'marker', 'brackets', 'call', 'gallery', 'none']),
  groupName: word,
  captionName: word,
  from: z.array(z.string()),
  description: word,
  kind: word,
  kindValue: word,
  container: word,
  way: z.enum(['none', 'function', 'collection', 'method', 'constructor']),
  start: word,
  of: word,
  /** By what selector a call finds its links where nothing marks them. */
  finds: word,
  imported: z.enum(['no', 'default', 'named']),
  key: word,
  items: word,
  itemsAre: word,
  then: word,
  required: z.boolean(),
  binds: z.boolean(),
  counter: z.boolean(),
});
export type OwnFields = z.infer<typeof Fields>;

/** What must not be empty, by what was chosen before it. */
const NEEDED: readonly { field: keyof OwnFields; where: (fields: OwnFields) => boolean; says: string }[] = [
  { field: 'marker', where: ({ by }) => by === 'attribute', says: 'Which attribute marks a link?' },
  { field: 'marker', where: ({ by }) => by === 'class', says: 'Which class marks a link?' },
  { field: 'marker', where: ({ by }) => by === 'element', says: 'Which element is it?' },
  { field: 'links', where: ({ by, on }) => by !== 'call' && on === 'gallery', says: 'Which links are meant?' },
  { field: 'way', where: ({ by, way }) => by === 'call' && way === 'none', says: 'How is it started?' },
  { field: 'start', where: ({ way }) => way !== 'none', says: 'What is called?' },
  { field: 'of', where: ({ way }) => way === 'method', says: 'Which object’s method is it?' },
  { field: 'itemsAre', where: ({ items }) => items !== '', says: 'Which links are meant without it?' },
  { field: 'groupName', where: ({ group }) => group === 'attribute', says: 'Which attribute names the group?' },
  { field: 'captionName', where: ({ from }) => from.includes('attribute'), says: 'Which attribute holds it?' },
];

/** The fields, and whether a manifest comes of them; what is wrong beyond one field is told of the form as a whole. */
export const OwnFieldsChecked: z.ZodType<OwnFields, OwnFields> = Fields.superRefine((fields, context) => {
  const isEmpty = (field: keyof OwnFields) => fields[field] === '' || fields[field] === 'none';
  const empty = NEEDED.filter(({ field, where }) => where(fields) && isEmpty(field));
  for (const { field, says } of empty) context.addIssue({ code: 'custom', path: [field], message: says });
  if (empty.length > 0) return;
  const read = readManifest(manifestFrom(fields));
  if (!read.ok) context.addIssue({ code: 'custom', path: ['base'], message: read.reason.replace(/^kit\.json, /, '') });
});

function markedBy(marker: KitManifestInput['marker']): OwnFields['by'] {
  if (marker.attribute !== undefined) return 'attribute';
  if (marker.element !== undefined) return 'element';
  return marker.class === undefined ? 'call' : 'class';
}

function groupedBy(group: KitManifestInput['group']): OwnFields['group'] {
  if (!group) return 'none';
  if ('attribute' in group) return 'attribute';
  return group.in;
}

const captionOf = ({
  attribute = '',
  from = [],
  description = '',
}: NonNullable<KitManifestInput['caption']> = {}): Pick<OwnFields, 'captionName' | 'from' | 'description'> => ({
  captionName: attribute,
  from: [...from],
  description,
});

export function fieldsOf(base: KitManifestInput): OwnFields {
  const { marker, group, kind, container, counter = false } = base;
  return {
    base,
    title: base.title,
    by: markedBy(marker),
    marker: marker.attribute ?? marker.class ?? marker.element ?? '',
    links: marker.links ?? 'a',
    value: marker.value ?? '',
    on: marker.on === 'gallery' ? 'gallery' : 'link',
    group: groupedBy(group),
    groupName: group && 'attribute' in group ? group.attribute : '',
    ...captionOf(base.caption),
    kind: kind ? kind.attribute : '',
    kindValue: kind ? kind.picture : 'picture',
    container: container?.attribute ?? '',
    ...startOf(base.start),
    counter,
  };
}

type StartFields = Pick<
  OwnFields,
  'way' | 'start' | 'of' | 'finds' | 'imported' | 'key' | 'items' | 'itemsAre' | 'then' | 'required' | 'binds'
>;

const NO_START: StartFields = {
  way: 'none',
  start: '',
  of: '',
  finds: '',
  imported: 'no',
  key: '',
  items: '',
  itemsAre: '',
  then: '',
  required: false,
  binds: false,
};

const startOf = (start: KitManifestInput['start']): StartFields =>
  start
    ? {
        way: start.way ?? 'function',
        start: start.call,
        of: start.of ?? '',
        finds: start.finds ?? '',
        imported: start.imported ?? 'no',
        key: start.key ?? '',
        items: start.items?.option ?? '',
        itemsAre: start.items?.without ?? '',
        then: start.then ?? '',
        required: start.required ?? false,
        binds: start.binds ?? false,
      }
    : NO_START;

function startFrom(fields: OwnFields): object {
  const { base, by, way, start, of, finds, imported, key, items, itemsAre, then, required, binds } = fields;
  if (way === 'none') return {};
  const takes = base.start?.takes;
  return {
    start: {
      way,
      call: start,
      ...(way === 'method' ? { of } : {}),
      ...(by === 'call' && finds !== '' ? { finds } : {}),
      ...(imported === 'no' ? {} : { imported }),
      ...(takes ? { takes } : {}),
      ...(key === '' ? {} : { key }),
      ...(items === '' ? {} : { items: { option: items, without: itemsAre } }),
      ...(then === '' ? {} : { then }),
      required,
      selector: true,
      binds,
    },
  };
}

/** What was read and has no field of its own stays as it is. */
function keptOf({ full, size, classes, container }: KitManifestInput, attribute: string): object {
  return {
    ...(full ? { full } : {}),
    ...(size ? { size } : {}),
    ...(classes ? { classes } : {}),
    ...(container && attribute === '' && container.attribute === undefined ? { container } : {}),
  };
}

const captionFrom = ({ base, captionName, from, description }: OwnFields): object => ({
  ...(captionName === '' ? {} : { attribute: captionName }),
  ...(base.caption?.class === undefined ? {} : { class: base.caption.class }),
  from: CAPTION_PLACES.filter((place) => from.includes(place)),
  ...(description === '' ? {} : { description }),
});

/** What the fields say; checked by the manifest's own rules afterwards. */
export function manifestFrom(fields: OwnFields): unknown {
  const {
    base,
    title,
    by,
    marker,
    value,
    group,
    groupName,
    kind,
    kindValue,
    container,
    on,
    links,
    way,
    required,
    counter,
  } = fields;
  const name = kitName(title);
  return {
    name,
    title,
    folder: name,
    files: base.files,
    place: way !== 'none' && required ? 'end' : 'head',
    marker: by === 'call' ? {} : { on, [by]: marker, value, ...(on === 'gallery' ? { links } : {}) },
    ...(group === 'none' ? {} : { group: group === 'attribute' ? { attribute: groupName } : { in: group } }),
    caption: captionFrom(fields),
    ...(kind === '' ? {} : { kind: { attribute: kind, picture: kindValue } }),
    ...(container === '' ? {} : { container: { attribute: container, id: base.container?.id ?? `${name}-place` } }),
    ...keptOf(base, container),
    ...startFrom(fields),
    counter,
    ...(base.options ? { options: base.options } : {}),
  };
}
