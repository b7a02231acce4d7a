/**
 * All files of the site, folder by folder, from any station: text opens in Markup, pictures lead to their strand,
 * everything can be saved.
 */
import ChevronRight from '@mui/icons-material/ChevronRight';
import Close from '@mui/icons-material/Close';
import Download from '@mui/icons-material/FileDownloadOutlined';
import Box from '@mui/material/Box';
import Drawer from '@mui/material/Drawer';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { folderOf, isPicturePath, nameOf, countOf, inBytes } from '~core/site/index.ts';
import type { FileView } from '~core/view/index.ts';
import { save } from '../../data/export';
import { Mono, Picture, Tag } from '../parts/small';
import { useSite } from '../site/openSite';
import { color } from '../theme';
import { Pressable } from '../parts/pressable';

/** Folders with the files directly in them; the root is ''. */
function inFolders(files: readonly FileView[], asked: string): [string, FileView[]][] {
  const wanted = asked.trim().toLowerCase();
  const folders = new Map<string, FileView[]>();
  for (const file of files) {
    if (wanted !== '' && !file.path.toLowerCase().includes(wanted)) continue;
    const folder = folderOf(file.path);
    folders.set(folder, [...(folders.get(folder) ?? []), file]);
  }
  const natural = new Intl.Collator('en', { numeric: true });
  for (const inside of folders.values()) inside.sort((a, b) => natural.compare(a.path, b.path));
  return [...folders].sort(([a], [b]) => natural.compare(a, b));
}

const HEAD = { display: 'flex', alignItems: 'baseline', gap: 1.5, mb: 1.5 };

export function FilesDrawer({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { site } = useSite();
  const [asked, setAsked] = useState('');
  const { files, parcel } = site.view;
  const unused = useMemo(() => new Set(parcel.filter((entry) => entry.unused).map((entry) => entry.path)), [parcel]);
  const folders = useMemo(() => (open ? inFolders(files, asked) : []), [open, files, asked]);
  const total = files.reduce((sum, file) => sum + file.bytes, 0);
  return (
    <Drawer
      open={open}
      onClose={onClose}
      slotProps={{
        paper: {
          role: 'dialog',
          'aria-label': 'Site files',
          sx: { width: 420, p: 2.5, bgcolor: color('mist') },
        },
      }}
    >
      <Box sx={HEAD}>
        <Typography variant="h2">Files</Typography>
        <Box
          sx={{ flex: 1, fontSize: '0.8125rem', color: color('stone') }}
        >{`${countOf(files.length, 'file')}, ${inBytes(total)}`}</Box>
        <IconButton aria-label="Close the files" onClick={onClose} size="small">
          <Close fontSize="small" />
        </IconButton>
      </Box>
      <TextField
        label="Part of a name"
        size="small"
        fullWidth
        value={asked}
        onChange={(event) => setAsked(event.target.value)}
        autoFocus
        sx={{ mt: 1, mb: 1.5, '& .MuiInputBase-root': { bgcolor: color('paper') } }}
      />
      {folders.length === 0 && (
        <Box sx={{ color: color('stone'), fontSize: '0.8125rem' }}>
          {asked === '' ? 'This site has no files.' : `No file has “${asked}” in its name.`}
        </Box>
      )}
      {folders.map(([folder, inside]) => (
        <Folder
          key={`${folder} ${asked}`}
          name={folder}
          files={inside}
          unused={unused}
          openAtFirst={folder === '' || asked !== ''}
          onClose={onClose}
        />
      ))}
    </Drawer>
  );
}

interface FolderProps {
  name: string;
  files: readonly FileView[];
  unused: ReadonlySet<string>;
  openAtFirst: boolean;
  onClose: () => void;
}

const FOLDER = {
  cursor: 'pointer',
  display: 'flex',
  gap: 0.5,
  alignItems: 'center',
  width: '100%',
  py: 0.5,
  fontSize: '0.8125rem',
  fontWeight: 600,
  '&:focus-visible': { outline: `2px solid ${color('heather')}` },
};

const LIST = {
  m: 0,
  p: 0,
  listStyle: 'none',
  bgcolor: color('paper'),
  border: `1px solid ${color('hair')}`,
  borderRadius: 1,
} as const;

/** Rows of a closed folder are not made: a site may hold thousands of pictures. */
function Folder({ name, files, unused, openAtFirst, onClose }: FolderProps) {
  const [open, setOpen] = useState(openAtFirst);
  return (
    <Box sx={{ mb: 1 }}>
      <Pressable aria-expanded={open} onClick={() => setOpen(!open)} sx={FOLDER}>
        <ChevronRight fontSize="small" sx={{ transform: open ? 'rotate(90deg)' : 'none' }} />
        <Box sx={{ flex: 1 }}>{name === '' ? 'At the top' : name}</Box>
        <Box sx={{ color: color('stone'), fontWeight: 400 }}>{files.length}</Box>
      </Pressable>
      {open && (
        <Box component="ul" aria-label={name === '' ? 'At the top' : name} sx={LIST}>
          {files.map((file) => (
            <FileRow key={file.path} file={file} unused={unused.has(file.path)} onClose={onClose} />
          ))}
        </Box>
      )}
    </Box>
  );
}

const ROW = {
  display: 'flex',
  gap: 1,
  alignItems: 'center',
  pl: 1.25,
  pr: 0.5,
  minHeight: 36,
  borderTop: `1px solid ${color('hair')}`,
  '&:first-of-type': { borderTop: 0 },
  contentVisibility: 'auto',
  containIntrinsicHeight: '36px',
};

const NAME = { flex: 1, minWidth: 0 };

function FileRow({ file, unused, onClose }: { file: FileView; unused: boolean; onClose: () => void }) {
  const { site, go } = useSite();
  const { path, bytes, hash } = file;
  const picture = hash !== null && isPicturePath(path);
  const strand = picture ? site.view.strands.find((one) => one.full === path || one.thumbnail === path) : undefined;
  const leads = hash === null || strand !== undefined || picture;
  const lead = () => {
    onClose();
    if (hash === null) go({ station: 'markup', page: path, strand: null });
    else go({ station: 'pairs', ...(strand ? { strand: strand.id } : {}) });
  };
  return (
    <Box component="li" sx={ROW}>
      {picture && <Picture path={path} width={36} height={28} />}
      {leads ? (
        <Pressable onClick={lead} sx={NAME}>
          <Mono>{nameOf(path)}</Mono>
        </Pressable>
      ) : (
        <Box sx={NAME}>
          <Mono>{nameOf(path)}</Mono>
        </Box>
      )}
      {unused && <Tag tone="plain">on no page</Tag>}
      <Box sx={{ fontSize: '0.75rem', color: color('stone'), whiteSpace: 'nowrap' }}>{inBytes(bytes)}</Box>
      <IconButton
        aria-label={`Save ${path}`}
        size="small"
        onClick={() => void site.session.pictures.blob(path).then((blob) => blob && save({ name: nameOf(path), blob }))}
      >
        <Download fontSize="small" />
      </IconButton>
    </Box>
  );
}
