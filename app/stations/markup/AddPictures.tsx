/**
 * Pictures on no page yet, or that just came from disk, with the words for their slots, written in the
 * page's own pattern.
 */
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Strand } from '~core/model/index.ts';
import type { PairView } from '~core/view/index.ts';
import { countOf, nameOf, oneOf } from '~core/site/index.ts';
import { ChooseAll, useChoosing } from '../../ui/parts/choosing';
import { Picture } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import { useJob } from '../../ui/site/pictureUrls';
import { useAttempt } from '../../ui/site/work';
import { color } from '../../ui/theme';
import { unplacedPairs } from './PairChoice';
import { PickPictures } from './ImportPictures';

interface Row {
  chosen: boolean;
  title: string;
  caption: string;
  alt: string;
}

type Words = Exclude<keyof Row, 'chosen'>;

const LABELS: Record<Words, string> = { title: 'Title', caption: 'Caption', alt: 'Alt text' };

const WORDS: readonly Words[] = ['title', 'caption', 'alt'];

/**
 * Words that have a place in the items of this gallery, so that nothing is typed that would not be written; a first
 * gallery is a figure with a caption. An image gets an alt text even where the others have none.
 */
function placesFor(pattern: string | null): readonly Words[] {
  if (pattern === null) return ['caption', 'alt'];
  return WORDS.filter((slot) => pattern.includes(`{${slot}}`) || (slot === 'alt' && /<img\b/i.test(pattern)));
}

interface Props {
  page: string;
  /** Number of the gallery on the page; null writes a first one. */
  gallery: number | null;
  /** An item of the gallery behind which they may go. */
  behind: Strand | null;
  /** Full-size files that have just come in; where there are any, only they are chosen at first. */
  fresh: readonly string[];
  onPick: (files: readonly File[]) => void;
  onClose: () => void;
}

const rowStyle = (fields: number) => ({
  display: 'grid',
  gridTemplateColumns: `40px 84px repeat(${fields}, 1fr)`,
  gap: 1.25,
  alignItems: 'center',
  py: 0.75,
  '& .MuiFormHelperText-root': { mt: 0, overflowWrap: 'anywhere' },
  borderTop: `1px solid ${color('hair')}`,
});

/** Where words come from that nobody has said. */
function sourceOf({ words }: PairView, field: Words, value: string): string | undefined {
  if (field === 'alt') return undefined;
  return words.isFromName && value === words[field] && value !== '' ? 'from the file’s name' : undefined;
}

/** Under the first field of a row, whose file it is. */
const saysUnder = (pair: PairView, field: Words, value: string, n: number): string | undefined =>
  [...(n === 0 ? [nameOf(pair.full)] : []), sourceOf(pair, field, value)].filter(Boolean).join(', ') || undefined;

const PLACES = ['end', 'first', 'behind'] as const;

export function AddPictures({ page, gallery, behind, fresh, onPick, onClose }: Props) {
  const { site } = useSite();
  const job = useJob(site.session);
  const { attempt, reason, busy } = useAttempt(onClose);
  const [rows, setRows] = useState<Readonly<Record<string, Partial<Row>>>>({});
  const [place, setPlace] = useState<(typeof PLACES)[number]>('end');
  const unplaced = unplacedPairs(site.view.pairs);
  const pairs = [
    ...site.view.pairs.filter((pair) => fresh.includes(pair.full) && pair.trouble === null && pair.thumbnail !== null),
    ...unplaced.filter(({ full }) => !fresh.includes(full)),
  ];
  const rowOf = (pair: PairView): Row => ({
    chosen: fresh.length === 0 || fresh.includes(pair.full),
    title: pair.words.title,
    caption: pair.words.caption,
    alt: pair.words.alt,
    ...rows[pair.id],
  });
  const change = (pair: PairView, part: Partial<Row>) =>
    setRows((all) => ({ ...all, [pair.id]: { ...all[pair.id], ...part } }));
  const chosen = pairs.filter((pair) => rowOf(pair).chosen);
  const choosing = {
    chosen: new Set(chosen.map(({ id }) => id)),
    onChoose: (ids: ReadonlySet<string>) =>
      setRows((all) => Object.fromEntries(pairs.map(({ id }) => [id, { ...all[id], chosen: ids.has(id) }]))),
  };
  const ids = pairs.map(({ id }) => id);
  const boxOf = useChoosing(ids, choosing);
  const fields = placesFor(
    gallery === null ? null : (site.view.pages.find(({ path }) => path === page)?.galleries[gallery]?.text ?? null),
  );
  const write = () => {
    const afterOne = place === 'behind' && behind ? behind.item + 1 : undefined;
    const at = place === 'first' ? 0 : afterOne;
    const pictures = chosen.map((pair) => {
      const { chosen: _on, ...words } = rowOf(pair);
      return { thumbnail: pair.thumbnail ?? '', full: pair.full, ...words };
    });
    attempt({ kind: 'add-pictures', page, gallery, pictures, ...(at === undefined ? {} : { at }) });
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="add-title">
      <DialogTitle id="add-title">{`Add to ${page}`}</DialogTitle>
      <DialogContent>
        <Box sx={{ color: color('stone'), mb: 1.5 }}>
          {gallery === null
            ? 'A first gallery is written: a figure with a link, the image and a caption for each.'
            : 'They are written as this page writes its items.'}{' '}
          Texts come from the pictures’ metadata, or were written here before. An alt text that stays empty is listed as
          missing.
        </Box>
        {gallery !== null && (
          <TextField
            select
            label="Place"
            value={place}
            onChange={({ target }) => setPlace(oneOf(PLACES, target.value))}
            sx={{ minWidth: 260, mb: 1.5, mt: 0.75 }}
          >
            <MenuItem value="end">after the last item</MenuItem>
            <MenuItem value="first">before the first item</MenuItem>
            {behind && <MenuItem value="behind">{`behind ${behind.name}`}</MenuItem>}
          </TextField>
        )}
        {pairs.length === 0 && (
          <Box role="status" sx={{ color: color('stone'), py: 2 }}>
            {job
              ? `${job.says}…`
              : 'Every picture of the site is on a page already. Import others from disk: drop them on the page, paste one, or choose them here.'}
          </Box>
        )}
        {pairs.length > 1 && <ChooseAll ids={ids} {...choosing} />}
        <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {pairs.map((pair) => {
            const row = rowOf(pair);
            return (
              <Box component="li" key={pair.id} sx={rowStyle(fields.length)}>
                <Checkbox {...boxOf(pair.id)} slotProps={{ input: { 'aria-label': `Add ${pair.name}` } }} />
                <Picture path={pair.thumbnail} width={80} height={56} />
                {fields.map((field, n) => (
                  <TextField
                    key={field}
                    label={LABELS[field]}
                    value={row[field]}
                    helperText={saysUnder(pair, field, row[field], n)}
                    onChange={(event) => change(pair, { [field]: event.target.value })}
                  />
                ))}
              </Box>
            );
          })}
        </Box>
        {reason !== null && <Alert severity="error">{reason}</Alert>}
      </DialogContent>
      <DialogActions sx={{ pl: 3 }}>
        <PickPictures disabled={site.readOnly || job !== null} onPick={onPick} />
        <Box sx={{ flex: 1 }} />
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="primary" disabled={busy || chosen.length === 0} onClick={write}>
          {`Add ${countOf(chosen.length, 'item')}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
