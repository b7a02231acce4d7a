/**
 * One size of the recipe: its box, how it is compressed, and, folded away, where it goes and what else is done to it.
 */
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { roomIn, sayRecipe, WINDOWS, type SizeRecipe } from '~core/photo/index.ts';
import { inBytes } from '~core/site/index.ts';
import { color } from '../../../ui/theme';
import type { Sample } from './useSamples';

interface SizeFormProps {
  title: string;
  size: SizeRecipe;
  trouble: (field: string) => string | undefined;
  onChange: (size: SizeRecipe) => void;
  /** A picture in this size, as it is set now. */
  sample: Sample | undefined;
  withWindows: boolean;
  children?: ReactNode;
}

/** How a number is shown and read in a field. */
interface NumberField {
  field: 'width' | 'height' | 'quality' | 'bytes' | 'similarity';
  label: string;
  /** What a unit of the field is in the recipe. */
  unit?: number;
  /** May be left empty. */
  open?: boolean;
  step?: number;
}

const AIM_FIELD: Record<SizeRecipe['aim'], NumberField> = {
  quality: { field: 'quality', label: 'Quality, 1 to 100' },
  bytes: { field: 'bytes', label: 'Maximum file size, kB', unit: 1000 },
  similarity: { field: 'similarity', label: 'Minimum similarity (SSIM)', step: 0.005 },
};

/** Whole numbers are rounded; what goes by finer steps has no unit. */
const measured = (text: string, unit: number, step: number): number =>
  step === 1 ? Math.round(Number(text) * unit) : Number(text);

const HEAD = { gridColumn: '1 / -1', display: 'flex', gap: 1.5, alignItems: 'start' } as const;

/** Of one height, so that nothing moves when a sample comes; CSS px. */
const SAMPLE = { width: 112, height: 84, display: 'grid', placeItems: 'center', flexShrink: 0 } as const;

const SAMPLE_PICTURE = { maxWidth: 112, maxHeight: 84, display: 'block', borderRadius: '2px' } as const;

const FORM = { display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, alignContent: 'start' };

const MORE = { display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5, alignItems: 'center' };

export function SizeForm({ title, size, sample, trouble, onChange, withWindows, children }: SizeFormProps) {
  const windowOf = WINDOWS.find((one) => roomIn(one).width === size.width && roomIn(one).height === size.height);
  const set = (part: Partial<SizeRecipe>) => onChange({ ...size, ...part });
  const number = ({ field, label, unit = 1, open = false, step = 1 }: NumberField) => (
    <TextField
      label={label}
      type="number"
      value={size[field] === null ? '' : size[field] / unit}
      error={trouble(field) !== undefined}
      helperText={trouble(field)}
      // In the frame the label has room, and in an empty narrow field it has not.
      slotProps={{ htmlInput: { step }, inputLabel: { shrink: true } }}
      onChange={({ target }) =>
        set({ [field]: target.value === '' && open ? null : measured(target.value, unit, step) })
      }
    />
  );
  const text = (field: 'folder' | 'name', label: string, placeholder: string) => (
    <TextField
      label={label}
      value={size[field] ?? ''}
      placeholder={placeholder}
      error={trouble(field) !== undefined}
      helperText={trouble(field)}
      onChange={({ target }) => set({ [field]: target.value.trim() === '' ? null : target.value })}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
  const select = <Field extends 'shape' | 'format' | 'aim' | 'sharpen'>(
    field: Field,
    label: string,
    choices: Record<SizeRecipe[Field], string>,
  ) => (
    <TextField select label={label} value={size[field]} onChange={({ target }) => set({ [field]: target.value })}>
      {Object.entries<string>(choices).map(([value, says]) => (
        <MenuItem key={value} value={value}>
          {says}
        </MenuItem>
      ))}
    </TextField>
  );
  const tick = (field: 'dense' | 'enlarge', label: string) => (
    <FormControlLabel
      control={
        <Checkbox size="small" checked={size[field]} onChange={({ target }) => set({ [field]: target.checked })} />
      }
      label={label}
      slotProps={{ typography: { variant: 'body2' } }}
    />
  );
  const special =
    size.folder !== null ||
    size.name !== null ||
    size.sharpen !== 'none' ||
    size.enlarge ||
    size.dense ||
    ['folder', 'name'].some((field) => trouble(field) !== undefined);
  return (
    <Box component="section" aria-label={title} sx={FORM}>
      <Box sx={HEAD}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <Typography variant="h3" sx={{ fontSize: '0.9375rem', fontWeight: 700 }}>
            {title}
          </Typography>
          <Box sx={{ color: color('stone'), fontSize: '0.8125rem' }}>{sayRecipe(size)}</Box>
          <Box sx={{ fontSize: '0.8125rem', fontWeight: 600, minHeight: '1.5em' }}>
            {sample && `${sample.width} × ${sample.height} px, ${inBytes(sample.bytes)}`}
          </Box>
        </Box>
        <Box sx={SAMPLE}>{sample && <Box component="img" src={sample.url} alt="" sx={SAMPLE_PICTURE} />}</Box>
      </Box>
      {children}
      {withWindows && (
        <TextField
          select
          label="Fits a window of"
          value={windowOf?.name ?? ''}
          onChange={({ target }) => {
            const found = WINDOWS.find(({ name }) => name === target.value);
            if (found) set({ ...roomIn(found), shape: 'fit' });
          }}
          sx={{ gridColumn: '1 / -1' }}
        >
          <MenuItem value="" disabled>
            custom box
          </MenuItem>
          {WINDOWS.map(({ name }) => (
            <MenuItem key={name} value={name}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {number({ field: 'width', label: 'Maximum width, px', open: true })}
      {number({ field: 'height', label: 'Maximum height, px', open: true })}
      {select('shape', 'Resize', { fit: 'fit inside', crop: 'crop to fill' })}
      {select('format', 'Format', { jpeg: 'JPEG', webp: 'WebP', png: 'PNG, lossless', avif: 'AVIF (slow)' })}
      {size.format !== 'png' &&
        select('aim', 'Compress to', { quality: 'a quality', bytes: 'a file size', similarity: 'a similarity' })}
      {size.format !== 'png' && number(AIM_FIELD[size.aim])}
      <Box
        component="details"
        open={special || undefined}
        sx={{
          gridColumn: '1 / -1',
          '& > summary': { cursor: 'pointer', fontSize: '0.8125rem', color: color('stone'), mb: 1 },
        }}
      >
        <summary>Folder, name and more</summary>
        <Box sx={MORE}>
          {text('folder', 'Folder', 'automatic')}
          {text('name', 'Name', 'automatic, or a pattern with {name}')}
          {select('sharpen', 'Sharpening', { none: 'none', light: 'light', strong: 'strong' })}
          {tick('dense', 'Also at 2×')}
          <Box sx={{ gridColumn: '1 / -1' }}>{tick('enlarge', 'Enlarge pictures smaller than the box')}</Box>
        </Box>
      </Box>
    </Box>
  );
}
