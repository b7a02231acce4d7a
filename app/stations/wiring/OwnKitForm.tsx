/** The manifest of an own script as fields, each beside the lines of the script from which it was guessed. */
import { arrayMove } from '@dnd-kit/sortable';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import type { ReactNode } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { CAPTION_PLACES, type Draft, type DraftField, type Evidence } from '~core/wiring/index.ts';
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
      <Row title="Files, in load order" evidence={own('files')}>
        <Files />
      </Row>
      <Row title="What marks a link" evidence={own('marker')}>
        <Marker />
      </Row>
      <Row title="Groups" evidence={own('group')}>
        <Groups />
      </Row>
      <Row title="Captions" evidence={[...own('caption'), ...own('description')]}>
        <Captions />
      </Row>
      <Row title="Kind and container, if it has any" evidence={[...own('kind'), ...own('container')]}>
        <KindAndContainer />
      </Row>
      <Row title="Start call, if it needs one" evidence={own('start')}>
        <Start />
      </Row>
    </Box>
  );
}

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

function Marker() {
  const by = useWatch<OwnFields, 'by'>({ name: 'by' });
  return (
    <Box sx={{ display: 'flex', gap: 1 }}>
      <Text name="by" label="By" select sx={{ width: 150 }}>
        <MenuItem value="attribute">an attribute</MenuItem>
        <MenuItem value="class">a class</MenuItem>
        <MenuItem value="call">the start call alone</MenuItem>
      </Text>
      {by !== 'call' && <Text name="marker" label={by === 'class' ? 'Class' : 'Attribute'} />}
      {by === 'attribute' && <Text name="value" label="Its value" />}
    </Box>
  );
}

function Groups() {
  const group = useWatch<OwnFields, 'group'>({ name: 'group' });
  return (
    <Box sx={{ display: 'flex', gap: 1 }}>
      <Text name="group" label="A group is told by" select sx={{ width: 220 }}>
        <MenuItem value="attribute">an attribute</MenuItem>
        <MenuItem value="marker">the marker’s value</MenuItem>
        <MenuItem value="call">all links of one start call</MenuItem>
        <MenuItem value="none">nothing: each alone</MenuItem>
      </Text>
      {group === 'attribute' && <Text name="groupName" label="Group attribute" />}
    </Box>
  );
}

const PLACES: Record<(typeof CAPTION_PLACES)[number], string> = {
  attribute: 'an attribute of its own',
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
        <Text name="description" label="Description attribute, if any" />
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

function Start() {
  const start = useWatch<OwnFields, 'start'>({ name: 'start' });
  return (
    <>
      <Text name="start" label="Function" />
      {start !== '' && <Tick name="required" label="Without the call nothing happens" />}
      {start !== '' && <Tick name="binds" label="It finds only links that are there when it is called" />}
    </>
  );
}

const of = ({ evidence }: Draft, field: DraftField): Evidence[] =>
  evidence.filter((one) => one.field === field).slice(0, 4);

const ROW = { display: 'grid', gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1fr)', gap: 2.5, alignItems: 'start' };

function Row({ title, evidence, children }: { title?: string; evidence: readonly Evidence[]; children: ReactNode }) {
  return (
    <Box sx={ROW}>
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
