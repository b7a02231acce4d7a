/** The recipe: what is made of pictures in this site. */
import AddIcon from '@mui/icons-material/Add';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
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
import { useState } from 'react';
import {
  allPixels,
  CLEAR,
  DEFAULT_RECIPE,
  type FurtherSize,
  LIGHTENINGS,
  Recipe,
  STARTING_POINTS,
} from '~core/photo/index.ts';
import { inBytes, keysOf, nameOf, oneOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { useChosenStrand, useSite } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';
import { SizeForm } from './SizeForm';
import { useSamples } from './useSamples';

interface RecipeDialogProps {
  recipe: Recipe;
  onClose: () => void;
  onChange: (recipe: Recipe) => void;
}

const SIZES: readonly { id: 'thumbnail' | 'fullSize'; title: string }[] = [
  { id: 'thumbnail', title: 'Thumbnail' },
  { id: 'fullSize', title: 'Full-size' },
];

const WORDS: Record<Recipe['words'], string> = {
  none: 'nothing',
  rights: 'creator and copyright',
  all: 'title, caption, date, creator, copyright',
};

/** A first further size: between thumbnail and full-size. */
const MEDIUM: FurtherSize['size'] = {
  ...DEFAULT_RECIPE.fullSize,
  width: 600,
  height: 600,
  folder: 'medium',
};

const SIZES_STYLE = { display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: 4, rowGap: 3 };

export function RecipeDialog({ recipe: before, onClose, onChange }: RecipeDialogProps) {
  const [recipe, setRecipe] = useState(before);
  const checked = Recipe.safeParse(recipe);
  const { pictures, picture, setPicture } = useSamplePicture();
  const samples = useSamples(picture?.full ?? null, checked.success ? checked.data : null);
  const sampleAt = (n: number) => (samples.state === 'ready' ? samples.made[n] : undefined);
  const trouble = (...path: (string | number)[]) =>
    checked.error?.issues.find((issue) => issue.path.join() === path.join())?.message;
  const setFurther = (n: number, one: FurtherSize | null) =>
    setRecipe({
      ...recipe,
      further: one
        ? recipe.further.map((was, at) => (at === n ? one : was))
        : recipe.further.filter((_, at) => at !== n),
    });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="recipe-title">
      <DialogTitle id="recipe-title">Image sizes</DialogTitle>
      <DialogContent>
        <BeginWith recipe={recipe} onChange={setRecipe} />
        {picture && (
          <Box sx={SAMPLE_ROW}>
            <TextField
              select
              label="Sample picture"
              value={picture.full}
              onChange={({ target }) => setPicture(target.value)}
              sx={{ minWidth: 260 }}
            >
              {pictures.map(({ full }) => (
                <MenuItem key={full} value={full}>
                  {nameOf(full)}
                </MenuItem>
              ))}
            </TextField>
            <Box role="status" sx={{ color: color(samples.state === 'failed' ? 'rust' : 'stone') }}>
              {saysOfSample(samples)}
            </Box>
          </Box>
        )}
        <Box sx={SIZES_STYLE}>
          {SIZES.map(({ id, title }, n) => (
            <SizeForm
              key={id}
              title={title}
              size={recipe[id]}
              sample={sampleAt(n)}
              trouble={(field) => trouble(id, field)}
              onChange={(size) => setRecipe({ ...recipe, [id]: size })}
              withWindows={id === 'fullSize'}
            />
          ))}
          {recipe.further.map(({ title, size }, n) => (
            <SizeForm
              key={n}
              title={title || 'Another size'}
              size={size}
              sample={sampleAt(SIZES.length + n)}
              trouble={(field) => trouble('further', n, 'size', field)}
              onChange={(changed) => setFurther(n, { title, size: changed })}
              withWindows
            >
              <Box sx={{ gridColumn: '1 / -1', display: 'flex', gap: 1 }}>
                <TextField
                  label="Name"
                  value={title}
                  error={trouble('further', n, 'title') !== undefined}
                  helperText={trouble('further', n, 'title')}
                  onChange={({ target }) => setFurther(n, { title: target.value, size })}
                  sx={{ flex: 1 }}
                />
                <Button
                  size="small"
                  startIcon={<DeleteIcon />}
                  onClick={() => setFurther(n, null)}
                >{`Remove ${title || 'it'}`}</Button>
              </Box>
            </SizeForm>
          ))}
        </Box>
        <ForAllSizes recipe={recipe} onChange={setRecipe} />
        <Box sx={{ mt: 1.5, color: color('stone'), fontSize: '0.8125rem' }}>
          Pictures are rotated upright and converted to sRGB; their location is never written. Files created before stay
          as they are until you create them again.
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={!checked.success}
          onClick={() => checked.success && onChange(checked.data)}
        >
          Save sizes
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const SAMPLE_ROW = { display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mb: 2.5, fontSize: '0.8125rem' };

/** More are not chosen from: any picture shows what the sizes do. */
const MOST_SAMPLES = 200;

/** The picture that the sizes are shown on: the one in hand, else the heaviest. */
function useSamplePicture() {
  const { pairs } = useSite().site.view;
  const strand = useChosenStrand();
  const [chosen, setPicture] = useState<string | null>(null);
  const readable = pairs.filter(({ trouble, fullSize }) => trouble === null && fullSize);
  const bytesOf = ({ fullSize }: PairView) => fullSize?.bytes ?? 0;
  const heaviest = readable.reduce<PairView | null>(
    (most, one) => (most === null || bytesOf(one) > bytesOf(most) ? one : most),
    null,
  );
  const inHand = readable.find(({ full }) => full === strand?.full);
  const picture = readable.find(({ full }) => full === chosen) ?? inHand ?? heaviest;
  const first = readable.slice(0, MOST_SAMPLES);
  const pictures = picture && !first.includes(picture) ? [picture, ...first] : first;
  return { pictures, picture, setPicture };
}

function saysOfSample(samples: ReturnType<typeof useSamples>): string {
  switch (samples.state) {
    case 'none':
      return 'Correct the sizes to see the sample.';
    case 'working':
      return 'Creating the sample…';
    case 'failed':
      return `The sample could not be created: ${samples.reason}`;
    case 'ready':
      return `All sizes of it together: ${inBytes(samples.made.reduce((sum, { bytes }) => sum + bytes, 0))}`;
  }
}

interface RecipePart {
  recipe: Recipe;
  onChange: (recipe: Recipe) => void;
}

const BEGIN = {
  display: 'flex',
  gap: 1,
  alignItems: 'baseline',
  flexWrap: 'wrap',
  mb: 2,
  fontSize: '0.8125rem',
} as const;

/** Recipes to begin with. */
function BeginWith({ recipe, onChange }: RecipePart) {
  return (
    <Box sx={BEGIN}>
      <Box sx={{ color: color('stone') }}>Start from</Box>
      {STARTING_POINTS.map((point) => (
        <Button
          key={point.name}
          size="small"
          onClick={() => onChange({ ...recipe, thumbnail: point.recipe.thumbnail, fullSize: point.recipe.fullSize })}
        >
          {point.name}
        </Button>
      ))}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
        <Box sx={{ color: color('stone') }}>or keep the pixels and compress the files</Box>
        {LIGHTENINGS.map(({ name, similarity }) => (
          <Button
            key={name}
            size="small"
            onClick={() => onChange({ ...recipe, fullSize: allPixels(recipe.fullSize, similarity) })}
          >
            {name}
          </Button>
        ))}
      </Box>
    </Box>
  );
}

const REST = { display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mt: 2.5 } as const;

const CLEAR_SAYS: Record<Recipe['clear'], string> = {
  ask: 'ask before creating',
  webp: 'create WebP',
  png: 'keep PNG',
  white: 'fill with white',
};

/** A further size, and what goes for every size. */
function ForAllSizes({ recipe, onChange }: RecipePart) {
  const { further } = recipe;
  const first = further.length === 0;
  const addSize = () => {
    const title = first ? 'medium' : `size ${further.length + 3}`;
    onChange({ ...recipe, further: [...further, { title, size: { ...MEDIUM, folder: first ? 'medium' : null } }] });
  };
  return (
    <Box sx={REST}>
      {further.length < 6 && (
        <Button size="small" startIcon={<AddIcon />} onClick={addSize}>
          Add a size
        </Button>
      )}
      <TextField
        select
        size="small"
        label="Metadata to keep"
        value={recipe.words}
        onChange={({ target }) => onChange({ ...recipe, words: oneOf(keysOf(WORDS), target.value) })}
        sx={{ minWidth: 320 }}
      >
        {keysOf(WORDS).map((id) => (
          <MenuItem key={id} value={id}>
            {WORDS[id]}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        size="small"
        label="Transparent parts, where JPEG is set"
        value={recipe.clear}
        onChange={({ target }) => onChange({ ...recipe, clear: oneOf(CLEAR, target.value) })}
        sx={{ minWidth: 240 }}
      >
        {CLEAR.map((id) => (
          <MenuItem key={id} value={id}>
            {CLEAR_SAYS[id]}
          </MenuItem>
        ))}
      </TextField>
      <FormControlLabel
        control={
          <Checkbox
            size="small"
            checked={recipe.originals === 'replace'}
            onChange={({ target }) => onChange({ ...recipe, originals: target.checked ? 'replace' : 'keep' })}
          />
        }
        label="Replace the old file when its format changes"
        slotProps={{ typography: { variant: 'body2' } }}
      />
      <FormControlLabel
        control={
          <Checkbox
            size="small"
            checked={recipe.exact}
            onChange={({ target }) => onChange({ ...recipe, exact: target.checked })}
          />
        }
        label="Full-quality decoding (slower)"
        slotProps={{ typography: { variant: 'body2' } }}
      />
    </Box>
  );
}
