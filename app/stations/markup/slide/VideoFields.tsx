/** Which video, how it plays, its words, and its poster: the frame at which it stands, or a picture of the site. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useRef, useState } from 'react';
import type { Strand } from '~core/model/index.ts';
import type { NewSlide } from '~core/plans/index.ts';
import { isPicturePath, isVideoPath, keysOf, oneOf } from '~core/site/index.ts';
import { FilePick } from '../../../ui/parts/FilePick';
import { Mono } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useWholePicture } from '../../../ui/site/pictureUrls';
import { color } from '../../../ui/theme';
import { frameOf, posterPath, type Poster } from './poster';

type Video = Extract<NewSlide, { is: 'video' }>;

export interface VideoWish extends Pick<Video, 'plays' | 'title' | 'caption'> {
  path: string | null;
  poster: Poster | null;
}

const PLAYS: Readonly<Record<Video['plays'], string>> = {
  'in place': 'in the page, with controls',
  'by link': 'in the viewer, by a link on its poster',
};

/** Where thumbnails are not measured; image px. */
const USUAL_WIDTH = 320;
/** A poster in the page may stand as wide as its column, on a dense screen too; image px. */
const WIDEST = 1280;

interface Props {
  wish: VideoWish;
  strands: readonly Strand[];
  onChange: (wish: VideoWish) => void;
}

const FRAME = { maxWidth: '100%', maxHeight: 210, background: '#000' } as const;
const BESIDE = { display: 'grid', gridTemplateColumns: 'minmax(0, 1.4fr) minmax(0, 1fr)', gap: 2 } as const;

export function VideoFields({ wish, strands, onChange }: Props) {
  const { site } = useSite();
  const paths = site.view.files.map(({ path }) => path);
  const videos = paths.filter(isVideoPath);
  const set = (part: Partial<VideoWish>) => onChange({ ...wish, ...part });
  const thumbnail = strands.find((one) => one.thumbnail !== null)?.thumbnail ?? null;
  const pair = site.view.pairs.find((one) => one.thumbnail === thumbnail);
  const widest = wish.plays === 'in place' ? WIDEST : (pair?.thumbnailSize?.width ?? USUAL_WIDTH);
  const take = (frame: Required<Omit<Poster, 'path'>>) =>
    set({ poster: { path: posterPath(wish.path ?? '', thumbnail, new Set(paths)), ...frame } });
  if (videos.length === 0)
    return (
      <Box role="status" sx={{ color: color('stone'), py: 1 }}>
        This site has no video (.mp4, .m4v, .webm, .ogv). Import one into its folder first.
      </Box>
    );
  return (
    <>
      <Box sx={BESIDE}>
        <FilePick label="Video" paths={videos} value={wish.path} onPick={(path) => set({ path, poster: null })} />
        <TextField
          select
          label="Playback"
          value={wish.plays}
          onChange={({ target }) => set({ plays: oneOf(keysOf(PLAYS), target.value), poster: null })}
        >
          {Object.entries(PLAYS).map(([value, says]) => (
            <MenuItem key={value} value={value}>
              {says}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      {wish.path !== null && (
        <Box sx={BESIDE}>
          <FramePick key={wish.path} path={wish.path} widest={widest} onFrame={take} />
          <Box sx={{ display: 'grid', gap: 1, alignContent: 'start' }}>
            <FilePick
              label="Poster"
              paths={[...paths.filter(isPicturePath), ...(wish.poster?.frame ? [wish.poster.path] : [])]}
              value={wish.poster?.path ?? null}
              onPick={(path) => set({ poster: path === null ? null : { path, frame: null } })}
            />
            {wish.poster?.frame && (
              <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>
                {`A new file, ${wish.poster.width} × ${wish.poster.height} px: `}
                <Mono>{wish.poster.path}</Mono>
              </Box>
            )}
          </Box>
        </Box>
      )}
      <Box sx={BESIDE}>
        <TextField
          label="Title"
          value={wish.title}
          onChange={({ target }) => set({ title: target.value })}
          helperText="Read out by screen readers"
        />
        <TextField label="Caption" value={wish.caption} onChange={({ target }) => set({ caption: target.value })} />
      </Box>
    </>
  );
}

function FramePick({
  path,
  widest,
  onFrame,
}: {
  path: string;
  widest: number;
  onFrame: (frame: Required<Omit<Poster, 'path'>>) => void;
}) {
  const url = useWholePicture(path);
  const video = useRef<HTMLVideoElement>(null);
  const [state, setState] = useState<'loading' | 'ready' | 'unplayable'>('loading');
  const take = async () => {
    if (!video.current) return;
    try {
      onFrame(await frameOf(video.current, widest));
    } catch {
      setState('unplayable');
    }
  };
  return (
    <Box sx={{ display: 'grid', gap: 1, justifyItems: 'start' }}>
      {url !== null && (
        <video
          ref={video}
          src={url}
          controls
          muted
          playsInline
          preload="auto"
          aria-label={`Preview of ${path}`}
          style={FRAME}
          onLoadedData={() => setState('ready')}
          onError={() => setState('unplayable')}
        />
      )}
      {state === 'unplayable' && (
        <Box role="alert" sx={{ color: color('rust'), fontSize: '0.8125rem' }}>
          {`This browser cannot play ${path}, so no frame of it can be taken. Choose a picture as the poster; visitors with the same browser will not see the video either.`}
        </Box>
      )}
      <Button variant="outlined" color="inherit" disabled={state !== 'ready'} onClick={() => void take()}>
        Use this frame as the poster
      </Button>
    </Box>
  );
}
