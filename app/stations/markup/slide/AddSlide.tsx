/** A slide that is no picture: a video of the site with a poster taken from one of its frames, or words. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Strand } from '~core/model/index.ts';
import type { Intent, NewSlide } from '~core/plans/index.ts';
import { keysOf, oneOf, type FileContent } from '~core/site/index.ts';
import type { PageView } from '~core/view/index.ts';
import { changesOf, PlanShown, usePlan } from '../../../ui/parts/PlanShown';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import type { Poster } from './poster';
import { VideoFields, type VideoWish } from './VideoFields';

const KINDS = { video: 'Video of this site', words: 'Text' } as const;
const PLACES = ['end', 'first', 'behind'] as const;

interface Props {
  page: PageView;
  gallery: number;
  strands: readonly Strand[];
  /** An item of the gallery after which it may go. */
  behind: Strand | null;
  onClose: () => void;
}

const CHOICES = { display: 'flex', gap: 1.5, flexWrap: 'wrap', mt: 1 } as const;

type Wish = Extract<Intent, { kind: 'add-slide' }>;

/** In a slideshow a video plays where it stands; where pictures are opened by links, it is too. */
function usualWay({ uses }: PageView, strands: readonly Strand[]): VideoWish['plays'] {
  const isShow = uses.some(({ does }) => does === 'show' || does === 'stage');
  return isShow || strands.every(({ full }) => full === null) ? 'in place' : 'by link';
}

export function AddSlide({ page, gallery, strands, behind, onClose }: Props) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const [kind, setKind] = useState<keyof typeof KINDS>('video');
  const [place, setPlace] = useState<(typeof PLACES)[number]>('end');
  const [words, setWords] = useState({ title: '', text: '' });
  const [video, setVideo] = useState<VideoWish>({
    path: null,
    plays: usualWay(page, strands),
    poster: null,
    title: '',
    caption: '',
  });
  const slide = kind === 'words' ? wordsSlide(words) : videoSlide(video);
  const afterOne = place === 'behind' && behind ? behind.item + 1 : undefined;
  const at = place === 'first' ? 0 : afterOne;
  const wish: Wish | null = slide && {
    kind: 'add-slide',
    page: page.path,
    gallery,
    slide,
    ...(at === undefined ? {} : { at }),
  };
  const plan = usePlan(wish);
  const write = () => {
    if (!wish) return;
    const { poster } = video;
    if (wish.slide.is === 'video' && poster?.frame) {
      const file = { path: poster.path, blob: poster.frame };
      void site.session.doWith([file], ([made]) => withPoster(wish, made));
    } else intent(wish);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="slide-title">
      <DialogTitle id="slide-title">{`Add a video or text to ${page.path}`}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.75 }}>
        <Box sx={CHOICES}>
          <TextField
            select
            label="Content"
            value={kind}
            onChange={({ target }) => setKind(oneOf(keysOf(KINDS), target.value))}
            sx={{ minWidth: 220 }}
          >
            {Object.entries(KINDS).map(([value, says]) => (
              <MenuItem key={value} value={value}>
                {says}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label="Place"
            value={place}
            onChange={({ target }) => setPlace(oneOf(PLACES, target.value))}
            sx={{ minWidth: 240 }}
          >
            <MenuItem value="end">after the last item</MenuItem>
            <MenuItem value="first">before the first item</MenuItem>
            {behind && <MenuItem value="behind">{`after ${behind.name}`}</MenuItem>}
          </TextField>
        </Box>
        {kind === 'video' ? (
          <VideoFields wish={video} strands={strands} onChange={setVideo} />
        ) : (
          <>
            <TextField
              label="Heading"
              value={words.title}
              onChange={({ target }) => setWords({ ...words, title: target.value })}
            />
            <TextField
              label="Text"
              multiline
              minRows={4}
              maxRows={10}
              value={words.text}
              onChange={({ target }) => setWords({ ...words, text: target.value })}
              helperText="An empty line begins a new paragraph."
            />
          </>
        )}
        <PlanShown plan={plan} wished={wish !== null} height={170} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || changesOf(plan) === 0}
          onClick={write}
        >
          {kind === 'video' ? 'Add the video' : 'Add the text'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const wordsSlide = ({ title, text }: { title: string; text: string }): NewSlide | null =>
  title.trim() === '' && text.trim() === '' ? null : { is: 'words', title, text };

function videoSlide({ path, plays, poster, title, caption }: VideoWish): NewSlide | null {
  if (path === null) return null;
  return { is: 'video', path, plays, poster: poster && posterSlide(poster), title, caption };
}

/** What the frame holds is kept only when it is written; until then it goes by another name. */
const posterSlide = ({ path, frame, width, height }: Poster) => ({
  path,
  ...(frame ? { made: { kind: 'binary' as const, hash: 'a frame', bytes: frame.size } } : {}),
  ...(width && height ? { width, height } : {}),
});

function withPoster(wish: Wish, made: FileContent | undefined): Wish {
  const { slide } = wish;
  if (slide.is !== 'video' || !slide.poster || made?.kind !== 'binary') return wish;
  return { ...wish, slide: { ...slide, poster: { ...slide.poster, made } } };
}
