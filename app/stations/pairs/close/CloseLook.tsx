/**
 * The close look at one picture: its two files side by side, a size before and after compression, where it is cut, and
 * how it is rotated.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { FULL_SIZE, THUMBNAIL, type PictureTask } from '~core/model/index.ts';
import { allPixels, formatOf, GOOD_ENOUGH, inFormat, type Format, type Recipe } from '~core/photo/index.ts';
import { bytesOf, firstOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { useSite } from '../../../ui/site/openSite';
import { useWholePicture } from '../../../ui/site/pictureUrls';
import { color } from '../../../ui/theme';
import { Beside } from './Beside';
import { Crop } from './Crop';
import { Rotate } from './Rotate';
import { Weight } from './Weight';
import { saysOf } from '../../../data/session/shared';
import { useWork } from '../../../ui/site/work';

type Part = 'pair' | 'weight' | 'crop' | 'rotate';
const PARTS: readonly { id: Part; says: string }[] = [
  { id: 'pair', says: 'Side by side' },
  { id: 'weight', says: 'Quality and file size' },
  { id: 'crop', says: 'Crop' },
  { id: 'rotate', says: 'Rotate' },
];

/** What is looked at whole, or in its own pixels. */
const SCALED: ReadonlySet<Part> = new Set(['pair', 'weight']);

/** The file's own pixels, only compressed. */
const AS_IT_IS = 'as it is';

interface CloseLookProps {
  pair: PairView;
  onClose: () => void;
}

const BAR = { display: 'flex', gap: 1.5, alignItems: 'center', mb: 1.5, pt: 1 };

const outcomeStyle = (failed: boolean) => ({
  flex: 1,
  pl: 2,
  fontSize: '0.8125rem',
  color: color(failed ? 'rust' : 'lichen'),
});

export function CloseLook({ pair, onClose }: CloseLookProps) {
  const { site, outcome } = useSite();
  const { work, busy } = useWork();
  const [before] = useState(outcome);
  /** What came of what was asked for here: the slip that tells it lies behind this sheet. */
  const told = outcome === before ? null : saysOf(outcome);
  const { recipe } = site.view;
  const [part, setPart] = useState<Part>('pair');
  const [fit, setFit] = useState(true);
  const [which, setWhich] = useState<string>(FULL_SIZE);
  const large = useWholePicture(pair.full);
  const small = useWholePicture(pair.thumbnail);
  const idle = busy || site.readOnly;
  const choices = sizesOf(recipe, pair);
  const task = choices.find(({ as }) => as === which)?.task ?? firstOf(choices).task;
  const there = site.files.get(task.to);

  const take = (format: Format, quality: number, forAll: boolean) => {
    const size = { ...task.size, format, quality, aim: 'quality' as const };
    if (forAll) work({ do: 'intent', intent: { kind: 'set-recipe', recipe: withSize(recipe, which, size) } });
    else work({ do: 'make', tasks: [{ ...task, size, to: inFormat(task.to, format) }] });
  };
  return (
    <Dialog
      open
      onClose={onClose}
      maxWidth={false}
      aria-labelledby="close-title"
      slotProps={{ paper: { sx: { width: 1160, maxWidth: 'calc(100vw - 48px)' } } }}
    >
      <DialogTitle id="close-title">{`Close look at ${pair.name}`}</DialogTitle>
      <DialogContent sx={{ minHeight: 560 }}>
        <Box sx={BAR}>
          <ToggleButtonGroup
            exclusive
            size="small"
            value={part}
            aria-label="View"
            onChange={(_event, value: Part | null) => value && setPart(value)}
          >
            {PARTS.map(({ id, says }) => (
              <ToggleButton key={id} value={id} sx={{ py: 0.25, px: 1.5, textTransform: 'none' }}>
                {says}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          {part === 'weight' && (
            <TextField
              select
              size="small"
              label="Size"
              value={which}
              onChange={({ target }) => setWhich(target.value)}
              sx={{ minWidth: 180 }}
            >
              {choices.map(({ as, says }) => (
                <MenuItem key={as} value={as}>
                  {says}
                </MenuItem>
              ))}
            </TextField>
          )}
          {SCALED.has(part) && <Scale fit={fit} onChange={setFit} />}
        </Box>
        {part === 'pair' && large !== null && <Beside pair={pair} small={small} large={large} fit={fit} />}
        {part === 'weight' && (
          <Weight
            key={`${pair.hash} ${which}`}
            task={task}
            now={there ? bytesOf(there) : null}
            pixelsKept={which === AS_IT_IS}
            fit={fit}
            idle={idle}
            onTake={take}
          />
        )}
        {part === 'rotate' && <Rotate key={pair.hash} pair={pair} idle={idle} />}
        {part === 'crop' && large !== null && <Crop pair={pair} url={large} recipe={recipe} idle={idle} />}
      </DialogContent>
      <DialogActions>
        <Box role="status" sx={outcomeStyle(outcome?.ok === false)}>
          {told}
        </Box>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function Scale({ fit, onChange }: { fit: boolean; onChange: (fit: boolean) => void }) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={fit}
      aria-label="Scale"
      onChange={(_event, value: boolean | null) => value !== null && onChange(value)}
      sx={{ ml: 'auto' }}
    >
      <ToggleButton value={true} sx={{ py: 0.25, textTransform: 'none' }}>
        whole
      </ToggleButton>
      <ToggleButton value={false} sx={{ py: 0.25, textTransform: 'none' }}>
        actual pixels
      </ToggleButton>
    </ToggleButtonGroup>
  );
}

function sizesOf(recipe: Recipe, pair: PairView): { as: string; says: string; task: PictureTask }[] {
  return [
    {
      as: FULL_SIZE,
      says: 'full-size',
      task: { from: pair.full, to: pair.full, size: recipe.fullSize, as: FULL_SIZE, times: 1 },
    },
    {
      as: THUMBNAIL,
      says: 'thumbnail',
      task: {
        from: pair.full,
        to: pair.thumbnail ?? pair.thumbnailPath,
        size: recipe.thumbnail,
        as: THUMBNAIL,
        times: 1,
      },
    },
    {
      as: AS_IT_IS,
      says: 'full-size, all its pixels',
      task: {
        from: pair.full,
        to: pair.full,
        size: allPixels({ ...recipe.fullSize, format: formatOf(pair.full) ?? 'jpeg' }, GOOD_ENOUGH),
        as: FULL_SIZE,
        times: 1,
      },
    },
  ];
}

const withSize = (recipe: Recipe, as: string, size: Recipe['thumbnail']): Recipe =>
  as === THUMBNAIL ? { ...recipe, thumbnail: size } : { ...recipe, fullSize: size };
