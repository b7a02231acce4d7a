/** The manifest of an own script as fields, each beside the lines of the script from which it was guessed. */
import { arrayMove } from '@dnd-kit/sortable';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import type { ReactNode } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { argumentName, CAPTION_PLACES, type Draft, type DraftField, type Evidence } from '~core/wiring/index.ts';
import { FormCheck, FormChecks, FormField } from '../../ui/parts/form';
import { Mono, Part } from '../../ui/parts/small';
import { color } from '../../ui/theme';
import type { OwnFields } from './ownFields';

/** The fields of the form around it. */
export function OwnKitForm({ draft }: { draft: Draft }) {
  const own = (field: DraftField) => of(draft, field);
  return (
    <Box sx={{ display: 'grid', gap: 2, pt: 1 }}>
      <Row evidence={[]}>
        <Text name="title" label="Name" />
      </Row>
      <Row title="Files, in load order" evidence={own('files')} without="By their names: none needs another.">
        <Files />
      </Row>
      <Row title="What marks the links" evidence={own('marker')}>
        <Marker />
      </Row>
      <Row title="Groups" evidence={own('group')}>
        <Groups />
      </Row>
      <Row title="Captions" evidence={[...own('caption'), ...own('description'), ...own('counter')]}>
        <Captions />
      </Row>
      <Row title="Kind and container, if it has any" evidence={[...own('kind'), ...own('container')]}>
        <KindAndContainer />
      </Row>
      <Row title="How it starts" evidence={own('start')} without="It starts by itself.">
        <Start />
      </Row>
      <Wanted draft={draft} />
      <Options draft={draft} />
    </Box>
  );
}

const SIDE_BY_SIDE = { display: 'flex', columnGap: 1, rowGap: 1.75, flexWrap: 'wrap', mb: 0.5 } as const;

const Text = FormField<OwnFields>;
const Tick = FormCheck<OwnFields>;

function Files() {
  const { setValue } = useFormContext<OwnFields>();
  const base = useWatch<OwnFields, 'base'>({ name: 'base' });
  const up = (n: number) => setValue('base', { ...base, files: arrayMove(base.files, n, n - 1) });
  return (
    <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
      {base.files.map((file, n) => (
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
  );
}

const NAMED = { attribute: 'Attribute', class: 'Class', element: 'Element' } as const;

function Marker() {
  const by = useWatch<OwnFields, 'by'>({ name: 'by' });
  const on = useWatch<OwnFields, 'on'>({ name: 'on' });
  return (
    <Box sx={SIDE_BY_SIDE}>
      <Text name="by" label="By" select sx={{ width: 150 }}>
        <MenuItem value="attribute">an attribute</MenuItem>
        <MenuItem value="class">a class</MenuItem>
        <MenuItem value="element">an element of its own</MenuItem>
        <MenuItem value="call">the start call alone</MenuItem>
      </Text>
      {by === 'call' ? <Text name="finds" label="Selector of the links" /> : <Text name="marker" label={NAMED[by]} />}
      {by === 'attribute' && <Text name="value" label="Its value" />}
      {by !== 'call' && (
        <Text name="on" label={by === 'element' ? 'It stands around' : 'It stands on'} select sx={{ width: 170 }}>
          <MenuItem value="link">each link</MenuItem>
          <MenuItem value="gallery">what holds them</MenuItem>
        </Text>
      )}
      {by !== 'call' && on === 'gallery' && <Text name="links" label="Selector of its links" />}
    </Box>
  );
}

function Groups() {
  const group = useWatch<OwnFields, 'group'>({ name: 'group' });
  return (
    <Box sx={{ display: 'flex', gap: 1 }}>
      <Text name="group" label="Groups are marked by" select sx={{ width: 220 }}>
        <MenuItem value="attribute">an attribute</MenuItem>
        <MenuItem value="marker">the marker’s value</MenuItem>
        <MenuItem value="brackets">brackets behind the marker’s value</MenuItem>
        <MenuItem value="call">all links of one start call</MenuItem>
        <MenuItem value="gallery">all links in what is marked</MenuItem>
        <MenuItem value="none">nothing: each alone</MenuItem>
      </Text>
      {group === 'attribute' && <Text name="groupName" label="Group attribute" />}
    </Box>
  );
}

const PLACES: Record<(typeof CAPTION_PLACES)[number], string> = {
  attribute: 'an attribute of its own',
  inside: 'an element in the link',
  next: 'what follows the link',
  figure: 'figure caption',
  title: 'title',
  alt: 'alt text',
};
const CHOICES = CAPTION_PLACES.map((value) => ({ value, says: PLACES[value] }));

function Captions() {
  const from = useWatch<OwnFields, 'from'>({ name: 'from' });
  return (
    <>
      <FormChecks<OwnFields> name="from" label="Where it looks for a caption" choices={CHOICES} />
      <Box sx={{ display: 'flex', gap: 1 }}>
        {from.includes('attribute') && <Text name="captionName" label="Caption attribute" />}
        <Text name="description" label="Description attribute" />
      </Box>
      <Tick name="counter" label="It shows a counter" />
    </>
  );
}

function KindAndContainer() {
  const kind = useWatch<OwnFields, 'kind'>({ name: 'kind' });
  return (
    <Box sx={{ display: 'flex', gap: 1 }}>
      <Text name="kind" label="Kind attribute" />
      {kind !== '' && <Text name="kindValue" label="For a picture" />}
      <Text name="container" label="Container attribute" />
    </Box>
  );
}

/** What is called, by the way in which it is called; with an example. */
const CALLED = {
  function: { label: 'Function', like: "kite('.kite')" },
  collection: { label: 'Plug-in', like: "$('.kite').kite()" },
  method: { label: 'Method', like: "Kites.bind('.kite')" },
  constructor: { label: 'Constructor', like: "new Kites('.kite')" },
} as const;

function Start() {
  const way = useWatch<OwnFields, 'way'>({ name: 'way' });
  const items = useWatch<OwnFields, 'items'>({ name: 'items' });
  const base = useWatch<OwnFields, 'base'>({ name: 'base' });
  const isModule = base.files.some(({ module }) => module);
  return (
    <>
      <Box sx={SIDE_BY_SIDE}>
        <Text name="way" label="It is started by" select sx={{ width: 220 }}>
          <MenuItem value="none">itself</MenuItem>
          <MenuItem value="function">a function</MenuItem>
          <MenuItem value="collection">a plug-in on a collection</MenuItem>
          <MenuItem value="method">a method of an object</MenuItem>
          <MenuItem value="constructor">a constructor, with new</MenuItem>
        </Text>
        {way === 'method' && <Text name="of" label="Object" />}
        {way !== 'none' && way !== 'collection' && isModule && (
          <Text name="imported" label="It is exported" select sx={{ width: 170 }}>
            <MenuItem value="no">not at all</MenuItem>
            <MenuItem value="default">as the default</MenuItem>
            <MenuItem value="named">by its name</MenuItem>
          </Text>
        )}
        {way !== 'none' && <Text name="start" label={CALLED[way].label} helperText={`as in ${CALLED[way].like}`} />}
      </Box>
      {way !== 'none' && (
        <>
          <Box sx={SIDE_BY_SIDE}>
            {way !== 'collection' && <Text name="key" label="Option with the selector" />}
            <Text name="items" label="Option with the items" />
            {items !== '' && <Text name="itemsAre" label="Items by default" />}
            <Text name="then" label="Then call" />
          </Box>
          <Tick name="required" label="Without the call nothing happens" />
          <Tick name="binds" label="It finds only links that exist when it is called" />
        </>
      )}
    </>
  );
}

/** What the markup needs besides; it is kept as it was read. */
function Wanted({ draft }: { draft: Draft }) {
  const { full, size, classes, container, caption } = draft.manifest;
  const wanted = [
    ...(full ? [[full.attribute, 'the address of the full-size picture']] : []),
    ...(size ? [[Object.values(size).join(', '), 'its width and height']] : []),
    ...(classes?.item === undefined ? [] : [[`class “${classes.item}”`, 'each item']]),
    ...(caption?.class === undefined ? [] : [[`class “${caption.class}”`, 'the element with the caption']]),
    ...(container && container.attribute === undefined ? [[`#${container.id}`, 'where pictures are shown']] : []),
  ];
  if (wanted.length === 0) return null;
  const evidence = [...of(draft, 'full'), ...of(draft, 'size')];
  return (
    <Row title="What else the markup needs" evidence={evidence}>
      <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: '0.8125rem' }}>
        {wanted.map(([name, says]) => (
          <li key={name}>
            <Mono>{name}</Mono>
            {`: ${says}`}
          </li>
        ))}
      </Box>
    </Row>
  );
}

/** What was found that a call may set; it is kept as it is. */
function Options({ draft }: { draft: Draft }) {
  const { options = [] } = draft.manifest;
  if (options.length === 0) return null;
  return (
    <Row title="Options" evidence={of(draft, 'options')}>
      <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: '0.8125rem' }}>
        {options.map(({ name, without }) => (
          <li key={name}>
            <Mono>{argumentName(name)}</Mono>
            {`, without it ${String(without)}`}
          </li>
        ))}
      </Box>
    </Row>
  );
}

const of = ({ evidence }: Draft, field: DraftField): Evidence[] =>
  evidence.filter((one) => one.field === field).slice(0, 4);

const ROW = { display: 'grid', gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1fr)', gap: 2.5, alignItems: 'start' };

interface RowProps {
  title?: string;
  evidence: readonly Evidence[];
  /** What is said where no line tells. */
  without?: string;
  children: ReactNode;
}

function Row({ title, evidence, without = 'Nothing in the script tells.', children }: RowProps) {
  return (
    <Box sx={ROW}>
      {title ? <Part title={title}>{children}</Part> : <Box sx={{ display: 'grid' }}>{children}</Box>}
      <Box sx={{ fontSize: '0.75rem', color: color('stone'), pt: title ? 2.75 : 0 }}>
        {title && evidence.length === 0 && without}
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
