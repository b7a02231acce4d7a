/** A gallery's pictures from a list file: its columns are told once, outside addresses are kept as they are. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import { useMemo, useRef, useState } from 'react';
import { LIST_EXTENSIONS, mappingFor, picturesOf, readTable, type Table } from '~core/lists/index.ts';
import {
  countOf,
  encodingName,
  extensionOf,
  NOTES_FILE,
  PathIndex,
  readText,
  type ListMapping,
} from '~core/site/index.ts';
import { Mono, Tag } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { galleryTargets } from '../../../ui/parts/galleryTargets';
import { color } from '../../../ui/theme';

type Field = Exclude<keyof ListMapping, 'columns'>;

const FIELDS: readonly { field: Field; label: string }[] = [
  { field: 'full', label: 'Full-size picture' },
  { field: 'thumbnail', label: 'Thumbnail' },
  { field: 'title', label: 'Title' },
  { field: 'caption', label: 'Caption' },
  { field: 'alt', label: 'Alt text' },
  { field: 'tags', label: 'Tags' },
];

interface Open {
  path: string;
  /** In which the file was read. */
  encoding: string;
  table: Table;
  mapping: ListMapping;
}

export function FromList({ onClose }: { onClose: () => void }) {
  const { site } = useSite();
  const { intent } = useIntent();
  const { pages, lists } = site.view;
  const [open, setOpen] = useState<Open | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [target, setTarget] = useState(0);
  const targets = galleryTargets(pages);

  const read = async (path: string, content: Blob) => {
    const text = readText(new Uint8Array(await content.arrayBuffer()));
    const result = text.ok ? readTable(path, text.text) : text;
    const encoding = text.ok ? text.encoding : 'utf-8';
    setTrouble(result.ok ? null : `${path}: ${result.reason}`);
    setOpen(result.ok ? { path, encoding, table: result.table, mapping: mappingFor(result.table, lists) } : null);
  };
  const listed = useListed(open);
  const goes = targets[target];
  const write = () => {
    if (!open || !listed || !goes) return;
    intent({
      kind: 'add-pictures',
      page: goes.page,
      gallery: goes.gallery,
      mapping: open.mapping,
      pictures: listed.pictures.map(({ thumbnail, full, title, alt, caption, tags }) => ({
        thumbnail: thumbnail ?? '',
        full,
        title,
        alt,
        caption,
        tags,
      })),
    });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="list-title">
      <DialogTitle id="list-title">Pictures from a list</DialogTitle>
      <DialogContent>
        <Lists open={open?.path ?? null} onRead={(path, content) => void read(path, content)} />
        {open && open.encoding !== 'utf-8' && (
          <Box role="note" sx={{ color: color('gorse'), mb: 1.5 }}>
            {`${open.path} was read as ${encodingName(open.encoding)}. If letters below are wrong, save the list as UTF-8.`}
          </Box>
        )}
        {trouble !== null && (
          <Box role="alert" sx={{ color: color('rust'), mb: 1.5 }}>
            {trouble}
          </Box>
        )}
        {!open && trouble === null && (
          <Box sx={{ color: color('stone') }}>
            A list is a CSV, JSON or XML file with a row or record for each picture. Full-size pictures may be files of
            this site or external URLs; those are kept as written and never fetched.
          </Box>
        )}
        {open && listed && (
          <>
            <Columns open={open} onChange={setOpen} />
            <TextField
              select
              label="They are added to"
              value={target}
              onChange={({ target: chosen }) => setTarget(Number(chosen.value))}
              sx={{ minWidth: 280, mb: 1.5 }}
            >
              {targets.map(({ says }, n) => (
                <MenuItem key={says} value={n}>
                  {says}
                </MenuItem>
              ))}
            </TextField>
            <Listed listed={listed} />
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={!listed || listed.pictures.length === 0 || !goes || site.readOnly}
          onClick={write}
        >{`Add ${countOf(listed?.pictures.length ?? 0, 'picture')}`}</Button>
      </DialogActions>
    </Dialog>
  );
}

/** The pictures that the list names, as its columns are read; null where no list is open. */
function useListed(open: Open | null): ReturnType<typeof picturesOf> | null {
  const { view, files } = useSite().site;
  const { pairs } = view;
  return useMemo(() => {
    if (!open) return null;
    const thumbnails = new Map(pairs.map((pair) => [pair.full, pair.thumbnail]));
    const index = new PathIndex(files.keys());
    return picturesOf(open.table, open.mapping, open.path, index, (full) => thumbnails.get(full) ?? null);
  }, [open, pairs, files]);
}

const LISTS = { display: 'flex', gap: 1, flexWrap: 'wrap', mb: 2 } as const;

/** The lists of the site, and the way to one from elsewhere. */
function Lists({ open, onRead }: { open: string | null; onRead: (path: string, content: Blob) => void }) {
  const { files, session } = useSite().site;
  const pick = useRef<HTMLInputElement>(null);
  const here = [...files.keys()].filter((path) => path !== NOTES_FILE && LIST_EXTENSIONS.includes(extensionOf(path)));
  // A list in another encoding is no text of the site; it can be read all the same.
  const readHere = async (path: string) => {
    const content = await session.pictures.blob(path);
    if (content) onRead(path, content);
  };
  return (
    <Box sx={LISTS}>
      {here.map((path) => (
        <ToggleButton key={path} value={path} size="small" selected={open === path} onClick={() => void readHere(path)}>
          {path}
        </ToggleButton>
      ))}
      <Button size="small" onClick={() => pick.current?.click()}>
        Import a list…
      </Button>
      <input
        ref={pick}
        type="file"
        hidden
        data-pick="list"
        accept={LIST_EXTENSIONS.map((one) => `.${one}`).join(',')}
        onChange={({ target: input }) => {
          const [file] = input.files ?? [];
          input.value = '';
          if (file) onRead(file.name, file);
        }}
      />
    </Box>
  );
}

const COLUMNS = { display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1.5, mb: 2, pt: 0.75 };

/** Which column says what. */
function Columns({ open, onChange }: { open: Open; onChange: (open: Open) => void }) {
  const set = (field: Field, column: string) =>
    onChange({ ...open, mapping: { ...open.mapping, [field]: column === '' ? null : column } });
  return (
    <Box sx={COLUMNS}>
      {FIELDS.map(({ field, label }) => (
        <TextField
          key={field}
          select
          label={label}
          value={open.mapping[field] ?? ''}
          onChange={({ target }) => set(field, target.value)}
        >
          {field !== 'full' && <MenuItem value="">no column</MenuItem>}
          {open.table.columns.map((name) => (
            <MenuItem key={name} value={name}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      ))}
    </Box>
  );
}

const LINE = {
  display: 'grid',
  gridTemplateColumns: '1fr 1fr 80px',
  gap: 1.5,
  py: 0.5,
  borderTop: `1px solid ${color('hair')}`,
  alignItems: 'baseline',
};

const TROUBLE = { color: color('rust'), py: 0.5, borderTop: `1px solid ${color('hair')}`, fontSize: '0.8125rem' };

const ROWS = { m: 0, p: 0, listStyle: 'none', maxHeight: 260, overflowY: 'auto' } as const;

function Listed({ listed: { pictures, troubles } }: { listed: ReturnType<typeof picturesOf> }) {
  return (
    <Box component="ul" aria-label="Pictures of the list" tabIndex={0} sx={ROWS}>
      {pictures.map((picture) => (
        <Box component="li" key={picture.row} sx={LINE}>
          <Mono>{picture.full}</Mono>
          <Box sx={{ fontSize: '0.8125rem' }}>{picture.title}</Box>
          <Box>{picture.outside && <Tag tone="plain">outside</Tag>}</Box>
        </Box>
      ))}
      {troubles.map(({ row, says }) => (
        <Box component="li" key={`trouble ${row}`} sx={TROUBLE}>{`Row ${row}: ${says}.`}</Box>
      ))}
    </Box>
  );
}
