/** The items of a gallery to choose from, each with what it lacks. */
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import type { Strand } from '~core/model/index.ts';
import type { OddView } from '~core/view/index.ts';
import { ChooseAll, useChoosing } from '../../../ui/parts/choosing';
import { Mono, Picture, Tag } from '../../../ui/parts/small';
import { color } from '../../../ui/theme';

const lackSays = ({ lacks, on, value }: OddView): string =>
  on === 'item' && value === null ? `no ${lacks}` : `no ${lacks}${value ? `="${value}"` : ''} on the ${on}`;

const LIST = { m: 0, p: 0, listStyle: 'none', maxHeight: 'max(300px, calc(100vh - 220px))', overflow: 'auto' } as const;

const rowStyle = ({ first, chosen }: { first: boolean; chosen: boolean }) =>
  ({
    display: 'grid',
    gridTemplateColumns: '38px 28px 56px minmax(0, 1fr)',
    alignItems: 'center',
    gap: 1,
    py: 0.5,
    borderTop: first ? 0 : `1px solid ${color('hair')}`,
    bgcolor: chosen ? color('heatherWash') : undefined,
  }) as const;

const WORDS = { color: color('stone'), overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' } as const;

interface ItemListProps {
  strands: readonly Strand[];
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
  oddOf: (strand: string) => readonly OddView[];
}

export function ItemList({ strands, chosen, onChoose, oddOf }: ItemListProps) {
  const ids = strands.map(({ id }) => id);
  const boxOf = useChoosing(ids, { chosen, onChoose });
  return (
    <Box sx={{ minWidth: 0 }}>
      <ChooseAll ids={ids} chosen={chosen} onChoose={onChoose} />
      <Box component="ul" aria-label="Items" sx={LIST}>
        {strands.map((strand, n) => (
          <Box component="li" key={strand.id} sx={rowStyle({ first: n === 0, chosen: chosen.has(strand.id) })}>
            <Checkbox {...boxOf(strand.id)} slotProps={{ input: { 'aria-label': `Choose ${strand.name}` } }} />
            <Box sx={{ color: color('stone'), textAlign: 'right', fontSize: '0.8125rem' }}>{n + 1}</Box>
            <Picture path={strand.thumbnail} width={56} height={42} />
            <Box sx={{ minWidth: 0, fontSize: '0.8125rem' }}>
              <Mono>{strand.name}</Mono>
              <Box sx={WORDS}>{strand.caption ?? strand.alt ?? ''}</Box>
              {oddOf(strand.id).map((odd) => (
                <Tag key={`${odd.on} ${odd.lacks}`} tone="look" long>
                  {lackSays(odd)}
                </Tag>
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
