/** What creating all sizes would do to files, decided once for the site before it is done. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { countOf, nameOf } from '~core/site/index.ts';
import type { Recipe } from '~core/photo/index.ts';
import { Mono, Panel } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';

const DECISIONS = { px: 1.75, py: 1, mb: 1.5, fontSize: '0.8125rem', display: 'grid', gap: 0.5 };

const LINE = { display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1 } as const;

const CLEAR: readonly { as: Recipe['clear']; label: string }[] = [
  { as: 'webp', label: 'Create WebP' },
  { as: 'png', label: 'Keep PNG' },
  { as: 'white', label: 'Create JPEG on white' },
];

/** A few names, and how many more. */
const named = (paths: readonly string[]): string =>
  paths.length > 3
    ? `${paths.slice(0, 2).map(nameOf).join(', ')} and ${paths.length - 2} more`
    : paths.map(nameOf).join(', ');

export function Decisions({ idle }: { idle: boolean }) {
  const { clear, reformatted, recipe } = useSite().site.view;
  const { intent } = useIntent();
  const set = (part: Partial<Recipe>) => intent({ kind: 'set-recipe', recipe: { ...recipe, ...part } });
  if (clear.length + reformatted.length === 0) return null;
  return (
    <Panel label="Decisions about file formats" sx={DECISIONS}>
      {clear.length > 0 && (
        <Box sx={LINE}>
          <Box sx={{ flex: '1 1 20rem' }}>
            {`${countOf(clear.length, 'picture')} with transparent parts, which JPEG would fill with white: `}
            <Mono>{named(clear)}</Mono>
          </Box>
          {CLEAR.map(({ as, label }) => (
            <Button key={as} size="small" disabled={idle} onClick={() => set({ clear: as })}>
              {label}
            </Button>
          ))}
        </Box>
      )}
      {reformatted.length > 0 && (
        <Box sx={LINE}>
          <Box sx={{ flex: '1 1 20rem' }}>
            {`Creating all sizes replaces ${countOf(reformatted.length, 'file')} by another format, and every address with it: `}
            <Mono>{named(reformatted)}</Mono>
          </Box>
          <Button size="small" disabled={idle} onClick={() => set({ originals: 'keep' })}>
            Keep the old files too
          </Button>
        </Box>
      )}
    </Panel>
  );
}
