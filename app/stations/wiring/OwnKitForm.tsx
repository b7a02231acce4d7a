/** The manifest of an own script as fields, each beside the lines of the script from which it was guessed. */
import { arrayMove } from '@dnd-kit/sortable';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import type { ReactNode } from 'react';
import {
  CAPTION_PLACES,
  kitName,
  type Draft,
  type DraftField,
  type Evidence,
  type KitManifestInput,
} from '~core/wiring/index.ts';
import { Mono, Part } from '../../ui/parts/small';
import { color } from '../../ui/theme';

export interface OwnFields {
  base: KitManifestInput;
  title: string;
  by: 'attribute' | 'class' | 'call';
  marker: string;
  value: string;
  group: 'attribute' | 'marker' | 'call' | 'none';
  groupName: string;
  captionName: string;
  from: string[];
  description: string;
  kind: string;
  kindValue: string;
  container: string;
  start: string;
  required: boolean;
  binds: boolean;
  counter: boolean;
}

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
  const { marker, group, caption, kind, container, start } = base;
  return {
    base,
    title: base.title,
    by: markedBy(marker),
    marker: marker.attribute ?? marker.class ?? '',
    value: marker.value ?? '',
    group: groupedBy(group),
    groupName: group && 'attribute' in group ? group.attribute : '',
    captionName: caption?.attribute ?? '',
    from: [...(caption?.from ?? [])],
    description: caption?.description ?? '',
    kind: kind?.attribute ?? '',
    kindValue: kind?.picture ?? 'picture',
    container: container?.attribute ?? '',
    start: start?.call ?? '',
    required: start?.required ?? false,
    binds: start?.binds ?? false,
    counter: base.counter ?? false,
  };
}

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

interface Props {
  draft: Draft;
  fields: OwnFields;
  onChange: (fields: OwnFields) => void;
}

export function OwnKitForm({ draft, fields, onChange }: Props) {
  const set = (part: Partial<OwnFields>) => onChange({ ...fields, ...part });
  const text = (
    name:
      | 'title'
      | 'marker'
      | 'value'
      | 'groupName'
      | 'captionName'
      | 'description'
      | 'kind'
      | 'kindValue'
      | 'container'
      | 'start',
    label: string,
  ) => (
    <TextField
      size="small"
      label={label}
      value={fields[name]}
      onChange={(event) => set({ [name]: event.target.value })}
    />
  );
  const tick = (name: 'required' | 'binds' | 'counter', label: string) => (
    <FormControlLabel
      control={
        <Checkbox size="small" checked={fields[name]} onChange={(event) => set({ [name]: event.target.checked })} />
      }
      label={label}
    />
  );
  const up = (n: number) => {
    const files = arrayMove(fields.base.files, n, n - 1);
    set({ base: { ...fields.base, files } });
  };
  return (
    <Box sx={{ display: 'grid', gap: 2, pt: 1 }}>
      <Row evidence={[]}>{text('title', 'Name')}</Row>
      <Row title="Files, in load order" evidence={of(draft, 'files')}>
        <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
          {fields.base.files.map((file, n) => (
            <Box component="li" key={file.name} sx={{ fontSize: '0.8125rem' }}>
              <Mono>{file.name}</Mono>
              {n > 0 && (
                <IconButton size="small" aria-label={`Load ${file.name} earlier`} onClick={() => up(n)}>
                  <ArrowUpward fontSize="inherit" />
                </IconButton>
              )}
            </Box>
          ))}
        </Box>
      </Row>
      <Row title="What marks a link" evidence={of(draft, 'marker')}>
        <Box sx={{ display: 'flex', gap: 1 }}>
          <TextField
            select
            size="small"
            label="By"
            value={fields.by}
            onChange={(event) => set({ by: event.target.value as OwnFields['by'] })}
            sx={{ width: 150 }}
          >
            <MenuItem value="attribute">an attribute</MenuItem>
            <MenuItem value="class">a class</MenuItem>
            <MenuItem value="call">the start call alone</MenuItem>
          </TextField>
          {fields.by !== 'call' && text('marker', fields.by === 'class' ? 'Class' : 'Attribute')}
          {fields.by === 'attribute' && text('value', 'Its value')}
        </Box>
      </Row>
      <Row title="Groups" evidence={of(draft, 'group')}>
        <Box sx={{ display: 'flex', gap: 1 }}>
          <TextField
            select
            size="small"
            label="A group is told by"
            value={fields.group}
            onChange={(event) => set({ group: event.target.value as OwnFields['group'] })}
            sx={{ width: 220 }}
          >
            <MenuItem value="attribute">an attribute</MenuItem>
            <MenuItem value="marker">the marker’s value</MenuItem>
            <MenuItem value="call">all links of one start call</MenuItem>
            <MenuItem value="none">nothing: each alone</MenuItem>
          </TextField>
          {fields.group === 'attribute' && text('groupName', 'Group attribute')}
        </Box>
      </Row>
      <Row title="Captions" evidence={[...of(draft, 'caption'), ...of(draft, 'description')]}>
        <Box role="group" aria-label="Where it looks for a caption" sx={{ display: 'flex' }}>
          {CAPTION_PLACES.map((place) => (
            <FormControlLabel
              key={place}
              label={PLACES[place]}
              control={
                <Checkbox
                  size="small"
                  checked={fields.from.includes(place)}
                  onChange={(event) =>
                    set({
                      from: event.target.checked ? [...fields.from, place] : fields.from.filter((one) => one !== place),
                    })
                  }
                />
              }
            />
          ))}
        </Box>
        <Box sx={{ display: 'flex', gap: 1 }}>
          {fields.from.includes('attribute') && text('captionName', 'Caption attribute')}
          {text('description', 'Description attribute, if any')}
        </Box>
        {tick('counter', 'It shows a counter')}
      </Row>
      <Row title="Kind and container, if it has any" evidence={[...of(draft, 'kind'), ...of(draft, 'container')]}>
        <Box sx={{ display: 'flex', gap: 1 }}>
          {text('kind', 'Kind attribute')}
          {fields.kind !== '' && text('kindValue', 'For a picture')}
          {text('container', 'Container attribute')}
        </Box>
      </Row>
      <Row title="Start call, if it needs one" evidence={of(draft, 'start')}>
        {text('start', 'Function')}
        {fields.start !== '' && tick('required', 'Without the call nothing happens')}
        {fields.start !== '' && tick('binds', 'It finds only links that are there when it is called')}
      </Row>
    </Box>
  );
}

const PLACES: Record<(typeof CAPTION_PLACES)[number], string> = {
  attribute: 'an attribute of its own',
  figure: 'figure caption',
  title: 'title',
  alt: 'alt text',
};

const of = ({ evidence }: Draft, field: DraftField): Evidence[] =>
  evidence.filter((one) => one.field === field).slice(0, 4);

function Row({ title, evidence, children }: { title?: string; evidence: readonly Evidence[]; children: ReactNode }) {
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1fr)', gap: 2.5, alignItems: 'start' }}
    >
      {title ? <Part title={title}>{children}</Part> : <Box sx={{ display: 'grid' }}>{children}</Box>}
      <Box sx={{ fontSize: '0.75rem', color: color('stone'), pt: title ? 2.75 : 0 }}>
        {title && evidence.length === 0 && 'Nothing in the script tells.'}
        {evidence.map((one) => (
          <Box key={`${one.file} ${one.line} ${one.says}`} sx={{ mb: 0.5 }}>
            {`${one.file}, line ${one.line}: ${one.says}`}
            <Box sx={{ bgcolor: color('mist'), px: 0.75, borderRadius: '2px' }}>
              <Mono>{one.text}</Mono>
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
