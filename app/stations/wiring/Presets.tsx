/** Named sets of options and looks to begin with. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ViewerView } from '~core/view/index.ts';
import { Pressable } from '../../ui/parts/pressable';
import { color } from '../../ui/theme';

type Preset = ViewerView['presets'][number];

interface Props {
  viewer: ViewerView;
  disabled: boolean;
  onPreset: (preset: Preset) => void;
}

const HEADING = { fontSize: '0.9375rem', fontFamily: 'inherit', fontWeight: 700, mb: 0.75 } as const;

const GRID = { display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(160px, 1fr))', gap: 1, mb: 1 } as const;

const cardStyle = (isNow: boolean) =>
  ({
    display: 'block',
    p: 1.25,
    textAlign: 'start',
    borderRadius: 1,
    border: `${isNow ? 2 : 1}px solid ${color(isNow ? 'heather' : 'hair')}`,
    bgcolor: color('paper'),
  }) as const;

export function Presets({ viewer, disabled, onPreset }: Props) {
  return (
    <Box component="section" aria-label="Presets">
      <Typography variant="h3" sx={HEADING}>
        Presets
      </Typography>
      <Box sx={GRID}>
        {viewer.presets.map((preset) => (
          <Pressable
            key={preset.name}
            disabled={disabled || viewer.preset === preset.name}
            aria-pressed={viewer.preset === preset.name}
            onClick={() => onPreset(preset)}
            sx={cardStyle(viewer.preset === preset.name)}
          >
            <Box sx={{ fontWeight: 600 }}>{preset.title}</Box>
            <Box sx={{ fontSize: '0.75rem', color: color('stone') }}>{preset.says}</Box>
          </Pressable>
        ))}
      </Box>
    </Box>
  );
}
