/** Where the pictures come from: a list of the site, one from elsewhere, or a folder; and which column says what. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import { useRef } from 'react';
import { LIST_EXTENSIONS } from '~core/lists/index.ts';
import {
  encodingName,
  extensionOf,
  FOLDER_ORDERS,
  folderOf,
  NOTES_FILE,
  oneOf,
  readText,
  type ListMapping,
  type ListSource,
  type ListPart,
} from '~core/site/index.ts';
import { useSite } from '../../../ui/site/openSite';

/** A source before its columns are known. */
export interface Chosen {
  source: ListSource | { kind: 'list'; path: string; mapping: null };
  /** What a list says that is no text of the site; null for one that is. */
  text: string | null;
  /** What has to be known of how it was read. */
  remark: string | null;
  /** Why it cannot be read at all. */
  trouble: string | null;
  /** It is among the files of the site, in an encoding of its own. */
  isEncoded: boolean;
}

const SOURCES = { display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center', mb: 2, pt: 0.75 } as const;

export function SourceChoice({ chosen, onChoose }: { chosen: Chosen | null; onChoose: (chosen: Chosen) => void }) {
  const { files, session, view } = useSite().site;
  const pick = useRef<HTMLInputElement>(null);
  const here = [...files.keys()].filter((path) => path !== NOTES_FILE && LIST_EXTENSIONS.includes(extensionOf(path)));
  const folders = [...new Set(view.pairs.map(({ full }) => folderOf(full)))].sort((a, b) => a.localeCompare(b));
  const source = chosen?.source ?? null;
  const readHere = async (path: string) => {
    const content = files.get(path);
    if (content?.kind === 'text') return onChoose(listChosen(path, null, null));
    // A list in another encoding is no text of the site; it can be read all the same.
    const blob = await session.pictures.blob(path);
    if (blob) onChoose({ ...(await readPicked(path, blob)), isEncoded: true });
  };
  return (
    <Box sx={SOURCES}>
      {here.map((path) => (
        <ToggleButton
          key={path}
          value={path}
          size="small"
          selected={source?.path === path}
          onClick={() => void readHere(path)}
        >
          {path}
        </ToggleButton>
      ))}
      <Button size="small" onClick={() => pick.current?.click()}>
        Import a list…
      </Button>
      <TextField
        select
        label="Or a folder"
        value={source?.kind === 'folder' ? source.path : NONE}
        onChange={({ target: { value } }) => value !== NONE && onChoose(folderChosen(value, 'name'))}
        sx={{ minWidth: 180 }}
      >
        <MenuItem value={NONE}>no folder</MenuItem>
        {folders.map((path) => (
          <MenuItem key={path} value={path}>
            {path || 'the folder of the site'}
          </MenuItem>
        ))}
      </TextField>
      {source?.kind === 'folder' && (
        <TextField
          select
          label="Order"
          value={source.order}
          onChange={({ target: { value } }) =>
            onChoose(folderChosen(source.path, oneOf(FOLDER_ORDERS, value), source.part))
          }
          sx={{ minWidth: 150 }}
        >
          {FOLDER_ORDERS.map((order) => (
            <MenuItem key={order} value={order}>
              {ORDER_SAYS[order]}
            </MenuItem>
          ))}
        </TextField>
      )}
      <input
        ref={pick}
        type="file"
        hidden
        data-pick="list"
        accept={LIST_EXTENSIONS.map((one) => `.${one}`).join(',')}
        onChange={({ target: input }) => {
          const [file] = input.files ?? [];
          input.value = '';
          if (file) void readPicked(file.name, file).then(onChoose);
        }}
      />
    </Box>
  );
}

/** No path of a folder. */
const NONE = '*';

const ORDER_SAYS = { name: 'by name', taken: 'oldest first', newest: 'newest first' } as const;

const folderChosen = (path: string, order: 'name' | 'taken' | 'newest', part?: ListPart): Chosen => ({
  source: { kind: 'folder', path, order, ...(part && { part }) },
  text: null,
  remark: null,
  trouble: null,
  isEncoded: false,
});

const listChosen = (path: string, text: string | null, remark: string | null): Chosen => ({
  source: { kind: 'list', path, mapping: null },
  text,
  remark,
  trouble: null,
  isEncoded: false,
});

async function readPicked(path: string, content: Blob): Promise<Chosen> {
  const text = readText(new Uint8Array(await content.arrayBuffer()));
  if (!text.ok) return { ...listChosen(path, null, null), trouble: `${path}: ${text.reason}` };
  const remark =
    text.encoding === 'utf-8'
      ? null
      : `${path} was read as ${encodingName(text.encoding)}. If letters below are wrong, save the list as UTF-8.`;
  return listChosen(path, text.text, remark);
}

type Field = Exclude<keyof ListMapping, 'columns'>;

const FIELDS: readonly { field: Field; label: string }[] = [
  { field: 'full', label: 'Full-size picture' },
  { field: 'thumbnail', label: 'Thumbnail' },
  { field: 'title', label: 'Title' },
  { field: 'caption', label: 'Caption' },
  { field: 'alt', label: 'Alt text' },
  { field: 'tags', label: 'Tags' },
];

const COLUMNS = { display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1.5, mb: 2, pt: 0.75 };

interface ColumnsProps {
  mapping: ListMapping;
  /** Of the list, in its order. */
  columns: readonly string[];
  onChange: (mapping: ListMapping) => void;
}

/** Which column says what. */
export function Columns({ mapping, columns, onChange }: ColumnsProps) {
  return (
    <Box sx={COLUMNS}>
      {FIELDS.map(({ field, label }) => (
        <TextField
          key={field}
          select
          label={label}
          value={mapping[field] ?? ''}
          onChange={({ target: { value } }) =>
            onChange({ ...mapping, columns: [...columns], [field]: value === '' ? null : value })
          }
        >
          {field !== 'full' && <MenuItem value="">no column</MenuItem>}
          {columns.map((name) => (
            <MenuItem key={name} value={name}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      ))}
    </Box>
  );
}
