/** The recipe: what is made of pictures in this site. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Recipe, roomIn, sayRecipe, STARTING_POINTS, WINDOWS, type SizeRecipe } from '~core/photo/index.ts';
import { ink } from '../../ui/theme';

interface RecipeDialogProps {
  recipe: Recipe;
  onClose: () => void;
  onChange: (recipe: Recipe) => void;
}

const SIZES: readonly { id: keyof Recipe; title: string }[] = [
  { id: 'thumbnail', title: 'Thumbnail' },
  { id: 'fullSize', title: 'Full-size' },
];

export function RecipeDialog({ recipe: before, onClose, onChange }: RecipeDialogProps) {
  const [recipe, setRecipe] = useState(before);
  const checked = Recipe.safeParse(recipe);
  const trouble = (id: keyof Recipe, field: string) => checked.error?.issues.find(({ path }) => path[0] === id && path[1] === field)?.message;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="recipe-title">
      <DialogTitle id="recipe-title">Recipe</DialogTitle>
      <DialogContent>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', mb: 2, fontSize: '0.8125rem' }}>
          <Box sx={{ color: ink('stone') }}>Begin with</Box>
          {STARTING_POINTS.map((point) => (
            <Button key={point.name} size="small" onClick={() => setRecipe(point.recipe)}>{point.name}</Button>
          ))}
        </Box>
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 4 }}>
          {SIZES.map(({ id, title }) => (
            <SizeForm key={id} title={title} size={recipe[id]} trouble={(field) => trouble(id, field)} onChange={(size) => setRecipe({ ...recipe, [id]: size })} withWindows={id === 'fullSize'} />
          ))}
        </Box>
        <Box sx={{ mt: 2, color: ink('stone'), fontSize: '0.8125rem' }}>Pictures are never enlarged, stand upright, and come out in sRGB. What is made already stays as it is.</Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="primary" disabled={!checked.success} onClick={() => checked.success && onChange(checked.data)}>Use this recipe</Button>
      </DialogActions>
    </Dialog>
  );
}

interface SizeFormProps {
  title: string;
  size: SizeRecipe;
  trouble: (field: string) => string | undefined;
  onChange: (size: SizeRecipe) => void;
  withWindows: boolean;
}

function SizeForm({ title, size, trouble, onChange, withWindows }: SizeFormProps) {
  const windowOf = WINDOWS.find((one) => roomIn(one).width === size.width && roomIn(one).height === size.height);
  const number = (field: 'width' | 'height' | 'quality', label: string) => (
    <TextField
      label={label}
      type="number"
      value={size[field] ?? ''}
      error={trouble(field) !== undefined}
      helperText={trouble(field)}
      onChange={({ target }) => onChange({ ...size, [field]: target.value === '' && field !== 'quality' ? null : Math.round(Number(target.value)) })}
    />
  );
  return (
    <Box component="section" aria-label={title} sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, alignContent: 'start' }}>
      <Box sx={{ gridColumn: '1 / -1' }}>
        <Typography variant="h3" sx={{ fontSize: '0.9375rem', fontWeight: 700 }}>{title}</Typography>
        <Box sx={{ color: ink('stone'), fontSize: '0.8125rem' }}>{sayRecipe(size)}</Box>
      </Box>
      {withWindows && (
        <TextField select label="Whole picture without scrolling in" value={windowOf?.name ?? ''} onChange={({ target }) => {
          const found = WINDOWS.find(({ name }) => name === target.value);
          if (found) onChange({ ...size, ...roomIn(found), shape: 'fit' });
        }} sx={{ gridColumn: '1 / -1' }}>
          <MenuItem value="" disabled>a box of its own</MenuItem>
          {WINDOWS.map(({ name }) => <MenuItem key={name} value={name}>{name}</MenuItem>)}
        </TextField>
      )}
      {number('width', 'At most wide, px')}
      {number('height', 'At most high, px')}
      <TextField select label="Shape" value={size.shape} onChange={({ target }) => onChange({ ...size, shape: target.value as SizeRecipe['shape'] })}>
        <MenuItem value="fit">the whole picture</MenuItem>
        <MenuItem value="crop">cut to the box</MenuItem>
      </TextField>
      <TextField select label="Format" value={size.format} onChange={({ target }) => onChange({ ...size, format: target.value as SizeRecipe['format'] })}>
        <MenuItem value="jpeg">JPEG</MenuItem>
        <MenuItem value="webp">WebP</MenuItem>
        <MenuItem value="png">PNG, lossless</MenuItem>
      </TextField>
      {size.format !== 'png' && number('quality', 'Quality, 1 to 100')}
    </Box>
  );
}
