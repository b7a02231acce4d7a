/** A new page: from a clean skeleton, or from one that is there, with other pictures, entered in the menus. */
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { titleIn } from '~core/markdown/index.ts';
import type { NewPicture } from '~core/plans/index.ts';
import { countOf } from '~core/site/index.ts';
import type { GalleryView, PageView, SiteView } from '~core/view/index.ts';
import { useSite } from '../../ui/site/openSite';
import { useAttempt } from '../../ui/site/work';
import { picturesOf } from './group/pictures';
import { asPictures, PairChoice, unplacedPairs } from './PairChoice';
import { NEW_STORY, type StoryDraft, StoryFields } from './StoryFields';
import { freePagePath, pagePathTrouble } from './pagePath';

/** How a gallery is told from the others of its page. */
const nameOfGallery = ({ heading, strands, isShow }: GalleryView, n: number): string =>
  `${heading ?? `gallery ${n + 1}`}, ${isShow ? 'slideshow of ' : ''}${countOf(strands.length, 'picture')}`;

/** What is taken over of the page that it is made from. */
interface Copied {
  /** Which gallery the pictures come into; null leaves it to the largest. */
  gallery: number | null;
  keep: ReadonlySet<number>;
}

const NOTHING_COPIED: Copied = { gallery: null, keep: new Set() };

export function NewPage({ onClose }: { onClose: () => void }) {
  const { site, go } = useSite();
  const { view } = site;
  const files = view.files.map((file) => file.path);
  const [title, setTitle] = useState(view.pages.length === 0 ? site.site.name : '');
  const [named, setNamed] = useState<string | null>(null);
  const [from, setFrom] = useState('');
  const [copied, setCopied] = useState(NOTHING_COPIED);
  const [entry, setEntry] = useState<string | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [sent, setSent] = useState(false);
  const [story, setStory] = useState<StoryDraft | null>(null);
  const source = view.pages.find((page) => page.path === from);
  // As long as nobody names it otherwise, the file is called after the title.
  const path = named ?? freePagePath(files, title, from);
  const pathTrouble = pagePathTrouble(files, path);
  const titleTrouble = title.trim() === '' ? 'Write a title.' : null;
  const pairs = unplacedPairs(view.pairs);
  const pictures = asPictures(pairs.filter(({ id }) => chosen.has(id)));
  const { attempt, reason, busy } = useAttempt(() => {
    onClose();
    go({ page: path.trim(), strand: null });
  });
  const send = () => {
    setSent(true);
    if (pathTrouble !== null || titleTrouble !== null) return;
    const common = { path, title, ...entryWish(entry) };
    if (story) attempt({ kind: 'new-story', ...common, ...storyWish(story, source, view) });
    else attempt({ kind: 'new-page', ...common, ...(source ? copyWish(source, copied, pictures) : {}) });
  };
  const titleError = sent ? titleTrouble : null;
  const pathError = sent || named !== null ? pathTrouble : null;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="new-page-title">
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          send();
        }}
      >
        <DialogTitle id="new-page-title">New page</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <Holds story={story} onStory={setStory} />
          <TextField
            label="Title"
            value={title}
            required
            autoFocus
            error={titleError !== null}
            helperText={titleError}
            onChange={(event) => setTitle(event.target.value)}
          />
          <TextField
            label="File"
            value={path}
            required
            error={pathError !== null}
            onChange={(event) => setNamed(event.target.value)}
            helperText={pathError ?? 'Lower case and no spaces work on every host.'}
          />
          {view.pages.length > 0 && (
            <StartFrom
              from={from}
              isStory={story !== null}
              pages={view.pages}
              onFrom={(next) => {
                setFrom(next);
                setCopied(NOTHING_COPIED);
              }}
            />
          )}
          {story && (
            <StoryFields
              draft={story}
              onDraft={(next) => {
                setStory(next);
                setTitle((before) => before || (titleIn(next.text)?.title ?? ''));
              }}
            />
          )}
          {source && !story && (
            <FromSource {...{ source, copied, pairs, chosen }} onCopied={setCopied} onChoose={setChosen} />
          )}
          {view.menu && <InMenus entry={entry} title={title} onEntry={setEntry} />}
          {reason !== null && <Alert severity="error">{reason}</Alert>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" color="primary" disabled={busy}>
            Create page
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

const copyWish = (source: PageView, { gallery, keep }: Copied, pictures: NewPicture[]) => ({
  from: source.path,
  pictures: source.galleries.length > 0 ? pictures : [],
  ...(gallery === null ? {} : { fills: gallery }),
  keep: [...keep],
});

const entryWish = (entry: string | null) => (entry === null || entry.trim() === '' ? {} : { entry: entry.trim() });

const storyWish = ({ text, keep, chosen }: StoryDraft, source: PageView | undefined, view: SiteView) => ({
  text,
  keep,
  pictures: picturesOf(
    view.pairs.flatMap(({ id, full }) => (chosen.has(id) ? [full] : [])),
    view,
  ),
  shown: { as: 'grid' as const, columns: 3 },
  ...(source ? { from: source.path } : {}),
});

interface HoldsProps {
  story: StoryDraft | null;
  onStory: (story: StoryDraft | null) => void;
}

function Holds({ story, onStory }: HoldsProps) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      aria-label="What the page holds"
      value={story ? 'text' : 'gallery'}
      onChange={(_event, holds: 'text' | 'gallery' | null) => {
        if (holds !== null) onStory(holds === 'text' ? (story ?? NEW_STORY) : null);
      }}
      sx={{ mt: 1, '& .MuiToggleButton-root': { textTransform: 'none' } }}
    >
      <ToggleButton value="gallery">Gallery</ToggleButton>
      <ToggleButton value="text">Text with pictures</ToggleButton>
    </ToggleButtonGroup>
  );
}

interface StartFromProps {
  from: string;
  isStory: boolean;
  pages: readonly PageView[];
  onFrom: (from: string) => void;
}

function StartFrom({ from, isStory, pages, onFrom }: StartFromProps) {
  return (
    <TextField
      select
      label="Start from"
      value={from}
      onChange={(event) => onFrom(event.target.value)}
      helperText={
        from === ''
          ? 'An empty page: there is nothing to delete first.'
          : `Head, menu, scripts and layout are kept; title, heading and ${isStory ? 'words' : 'pictures'} are new.`
      }
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      <MenuItem value="">a clean skeleton</MenuItem>
      {pages.map((page) => (
        <MenuItem key={page.path} value={page.path}>
          {page.path}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface FromSourceProps extends FromGalleriesProps {
  pairs: ReturnType<typeof unplacedPairs>;
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
}

/** What comes along of a page with galleries, and the pictures that go into one. */
function FromSource({ source, copied, pairs, chosen, onCopied, onChoose }: FromSourceProps) {
  return (
    <>
      <FromGalleries source={source} copied={copied} onCopied={onCopied} />
      {source.galleries.length > 0 && (
        <PairChoice
          pairs={pairs}
          chosen={chosen}
          onChoose={onChoose}
          none="Every pair is on a page already; the gallery will be empty"
        />
      )}
    </>
  );
}

interface FromGalleriesProps {
  source: PageView;
  copied: Copied;
  onCopied: (copied: Copied) => void;
}

/** Of a page with several galleries: which one is filled, and which others come along. */
function FromGalleries({ source, copied, onCopied }: FromGalleriesProps) {
  const { galleries } = source;
  if (galleries.length < 2) return null;
  const main = copied.gallery ?? source.main;
  const keep = (n: number, on: boolean) =>
    onCopied({ ...copied, keep: new Set(on ? [...copied.keep, n] : [...copied.keep].filter((one) => one !== n)) });
  return (
    <Box sx={{ display: 'grid' }}>
      <TextField
        select
        label="Pictures go into"
        value={main}
        onChange={({ target }) => onCopied({ gallery: Number(target.value), keep: new Set() })}
      >
        {galleries.map((gallery, n) => (
          <MenuItem key={n} value={n}>
            {nameOfGallery(gallery, n)}
          </MenuItem>
        ))}
      </TextField>
      {galleries.map(
        (gallery, n) =>
          n !== main && (
            <FormControlLabel
              key={n}
              control={<Checkbox size="small" checked={copied.keep.has(n)} onChange={(_event, on) => keep(n, on)} />}
              label={`Copy ${nameOfGallery(gallery, n)}`}
              slotProps={{ typography: { variant: 'body2' } }}
            />
          ),
      )}
    </Box>
  );
}

interface InMenusProps {
  /** What the menus call it; null where they do not. */
  entry: string | null;
  title: string;
  onEntry: (entry: string | null) => void;
}

function InMenus({ entry, title, onEntry }: InMenusProps) {
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
      <FormControlLabel
        control={
          <Checkbox size="small" checked={entry !== null} onChange={(_event, on) => onEntry(on ? title : null)} />
        }
        label="Add to every menu"
        slotProps={{ typography: { variant: 'body2' } }}
        sx={{ flexShrink: 0 }}
      />
      {entry !== null && (
        <TextField
          label="Label in the menu"
          value={entry}
          required
          onChange={(event) => onEntry(event.target.value)}
          sx={{ flex: 1 }}
        />
      )}
    </Box>
  );
}
