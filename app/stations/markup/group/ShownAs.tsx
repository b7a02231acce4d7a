/** How a group is shown, and in how many columns. */
import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { MOST_COLUMNS, PRESENTATIONS, type Presentation, type Shown } from '~core/story/index.ts';
import { color } from '../../../ui/theme';

const SAYS: Readonly<Record<Presentation, string>> = {
  grid: 'Grid',
  large: 'Large, opens',
  still: 'Large, still',
  slideshow: 'Slideshow',
  left: 'Left of the text',
  right: 'Right of the text',
  wide: 'Full width',
};

const TOGGLES = {
  flexWrap: 'wrap',
  gap: 0.5,
  '&& .MuiToggleButton-root': { m: 0, py: 0.25, textTransform: 'none', borderRadius: 1, borderColor: color('edge') },
} as const;

const LABEL = { color: color('stone') } as const;

interface Props {
  /** Null where the group is shown as its author has it. */
  shown: Shown | null;
  idle: boolean;
  onShow: (shown: Shown) => void;
}

export function ShownAs({ shown, idle, onShow }: Props) {
  const columns = Array.from({ length: MOST_COLUMNS }, (_, n) => n + 1);
  return (
    <>
      <Box sx={LABEL}>Shown as</Box>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Shown as"
        disabled={idle}
        value={shown?.as ?? null}
        onChange={(_, as: Presentation | null) => as && onShow({ as, columns: as === 'grid' ? 3 : 1 })}
        sx={TOGGLES}
      >
        {PRESENTATIONS.map((as) => (
          <ToggleButton key={as} value={as}>
            {SAYS[as]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {shown === null && (
        <Box sx={{ color: color('stone') }}>
          Laid out by its author’s own markup and stylesheet. Another presentation is written beside that.
        </Box>
      )}
      {shown?.as === 'grid' && (
        <>
          <Box sx={LABEL}>Columns</Box>
          <ToggleButtonGroup
            exclusive
            size="small"
            aria-label="Columns"
            disabled={idle}
            value={shown.columns}
            onChange={(_, count: number | null) => count && onShow({ as: 'grid', columns: count })}
            sx={TOGGLES}
          >
            {columns.map((count) => (
              <ToggleButton key={count} value={count}>
                {count}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        </>
      )}
    </>
  );
}
