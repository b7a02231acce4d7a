/** An own script's manifest as the fields of a form, and back. */
import { z } from 'zod';
import { CAPTION_PLACES, kitName, readManifest, type KitManifestInput } from '~core/wiring/index.ts';

const word = z.string().trim();

const Fields = z.object({
  /** What was read from the script; its files stay, in the order that the author gives them. */
  base: z.custom<KitManifestInput>(),
  title: word.min(1, 'Give it a name.'),
  by: z.enum(['attribute', 'class', 'call']),
  marker: word,
  value: word,
  group: z.enum(['attribute', 'marker', 'call', 'none']),
  groupName: word,
  captionName: word,
  from: z.array(z.string()),
  description: word,
  kind: word,
  kindValue: word,
  container: word,
  start: word,
  required: z.boolean(),
  binds: z.boolean(),
  counter: z.boolean(),
});
export type OwnFields = z.infer<typeof Fields>;

/** What must not be empty, by what was chosen before it. */
const NEEDED: readonly { field: keyof OwnFields; where: (fields: OwnFields) => boolean; says: string }[] = [
  { field: 'marker', where: ({ by }) => by === 'attribute', says: 'Which attribute marks a link?' },
  { field: 'marker', where: ({ by }) => by === 'class', says: 'Which class marks a link?' },
  { field: 'start', where: ({ by }) => by === 'call', says: 'Which function starts it?' },
  { field: 'groupName', where: ({ group }) => group === 'attribute', says: 'Which attribute names the group?' },
  { field: 'captionName', where: ({ from }) => from.includes('attribute'), says: 'Which attribute holds it?' },
];

/** The fields, and whether a manifest comes of them; what is wrong beyond one field is told of the form as a whole. */
export const OwnFieldsChecked: z.ZodType<OwnFields, OwnFields> = Fields.superRefine((fields, context) => {
  const empty = NEEDED.filter(({ field, where }) => where(fields) && fields[field] === '');
  for (const { field, says } of empty) context.addIssue({ code: 'custom', path: [field], message: says });
  if (empty.length > 0) return;
  const read = readManifest(manifestFrom(fields));
  if (!read.ok) context.addIssue({ code: 'custom', path: ['base'], message: read.reason.replace(/^kit\.json, /, '') });
});

function markedBy(marker: KitManifestInput['marker']): OwnFields['by'] {
  if (marker.attribute !== undefined) return 'attribute';
  return marker.class === undefined ? 'call' : 'class';
}

function groupedBy(group: KitManifestInput['group']): OwnFields['group'] {
  if (!group) return 'none';
  if ('attribute' in group) return 'attribute';
  return group.in === 'marker' ? 'marker' : 'call';
}

export function fieldsOf(base: KitManifestInput): OwnFields {
  const { marker, group, caption = {}, kind, container, counter = false } = base;
  return {
    base,
    title: base.title,
    by: markedBy(marker),
    marker: marker.attribute ?? marker.class ?? '',
    value: marker.value ?? '',
    group: groupedBy(group),
    groupName: group && 'attribute' in group ? group.attribute : '',
    captionName: caption.attribute ?? '',
    from: [...(caption.from ?? [])],
    description: caption.description ?? '',
    kind: kind ? kind.attribute : '',
    kindValue: kind ? kind.picture : 'picture',
    container: container ? container.attribute : '',
    ...startOf(base.start),
    counter,
  };
}

const startOf = (start: KitManifestInput['start']): Pick<OwnFields, 'start' | 'required' | 'binds'> =>
  start
    ? { start: start.call, required: start.required ?? false, binds: start.binds ?? false }
    : { start: '', required: false, binds: false };

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
    captionName,
    from,
    description,
    kind,
    kindValue,
    container,
    start,
    required,
    binds,
    counter,
  } = fields;
  const name = kitName(title);
  return {
    name,
    title,
    folder: name,
    files: base.files,
    place: start !== '' && required ? 'end' : 'head',
    marker: by === 'call' ? {} : { [by]: marker, value },
    ...(group === 'none' ? {} : { group: group === 'attribute' ? { attribute: groupName } : { in: group } }),
    caption: {
      ...(captionName === '' ? {} : { attribute: captionName }),
      from: CAPTION_PLACES.filter((place) => from.includes(place)),
      ...(description === '' ? {} : { description }),
    },
    ...(kind === '' ? {} : { kind: { attribute: kind, picture: kindValue } }),
    ...(container === '' ? {} : { container: { attribute: container, id: `${name}-place` } }),
    ...(start === '' ? {} : { start: { call: start, required, selector: true, binds } }),
    counter,
  };
}
