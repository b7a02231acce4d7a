/** Pairs that stand on no page yet, to be chosen by their pictures. */
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import type { NewPicture } from '~core/plans/index.ts';
import type { PairView } from '~core/view/index.ts';
import { ChooseAll, useChoosing } from '../../ui/parts/choosing';
import { Picture } from '../../ui/parts/small';
import { color } from '../../ui/theme';

export const unplacedPairs = (pairs: readonly PairView[]): PairView[] =>
  pairs.filter((pair) => pair.thumbnail !== null && pair.usedOn.length === 0 && pair.trouble === null);

export const asPictures = (pairs: readonly PairView[]): NewPicture[] =>
  pairs.map(({ thumbnail, full, words }) => ({
    thumbnail: thumbnail ?? '',
    full,
    title: words.title,
    alt: words.alt,
    caption: words.caption,
  }));

interface Props {
  pairs: readonly Pick<PairView, 'id' | 'name' | 'thumbnail'>[];
  title?: string;
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
  /** Said where there is none. */
  none: string;
}

const FRAME = { border: `1px solid ${color('hair')}`, borderRadius: 1, m: 0, p: 1.25, minWidth: 0 };

const CHOICES = { display: 'flex', flexWrap: 'wrap', gap: 1, maxHeight: 180, overflow: 'auto' } as const;

const choiceStyle = (chosen: boolean) =>
  ({
    display: 'flex',
    alignItems: 'center',
    cursor: 'pointer',
    bgcolor: chosen ? color('heatherWash') : undefined,
    borderRadius: 1,
    pr: 0.75,
  }) as const;

export function PairChoice({ pairs, title = 'Pictures on no page yet', chosen, onChoose, none }: Props) {
  const ids = pairs.map(({ id }) => id);
  const boxOf = useChoosing(ids, { chosen, onChoose });
  return (
    <Box component="fieldset" sx={FRAME}>
      <Box component="legend" sx={{ fontSize: '0.75rem', color: color('stone'), px: 0.5 }}>
        {pairs.length === 0 ? none : title}
      </Box>
      {pairs.length > 1 && <ChooseAll ids={ids} chosen={chosen} onChoose={onChoose} />}
      <Box sx={CHOICES}>
        {pairs.map((pair) => (
          <Box component="label" key={pair.id} sx={choiceStyle(chosen.has(pair.id))}>
            <Checkbox {...boxOf(pair.id)} slotProps={{ input: { 'aria-label': `Select ${pair.name}` } }} />
            <Picture path={pair.thumbnail} width={72} height={50} />
          </Box>
        ))}
      </Box>
    </Box>
  );
}
