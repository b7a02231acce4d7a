/** What a list says otherwise than the gallery, each to be taken over or left. */
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import type { Difference } from '~core/lists/index.ts';
import { nameOf } from '~core/site/index.ts';
import { ChooseAll, useChoosing } from '../../../ui/parts/choosing';
import { Tag } from '../../../ui/parts/small';
import { color } from '../../../ui/theme';

const FIELD_SAYS = { title: 'Title', caption: 'Caption', alt: 'Alt text' } as const;

/** What a difference is called, and what it would change. */
function saysOf(difference: Difference): { what: string; how: string } {
  switch (difference.kind) {
    case 'added': {
      const { full, title, alt } = difference.picture;
      return { what: `New: ${nameOf(full)}`, how: title || alt };
    }
    case 'removed':
      return { what: `Gone from the list: ${nameOf(difference.full)}`, how: 'The item is removed from the page.' };
    case 'text': {
      const { field, full, was, now } = difference;
      return { what: `${FIELD_SAYS[field]} of ${nameOf(full)}`, how: `“${was}” becomes “${now}”` };
    }
    case 'tags':
      return { what: `Tags of ${nameOf(difference.full)}`, how: difference.tags.join(', ') };
    default:
      return { what: 'Order', how: 'Items are put in the order of the list.' };
  }
}

const ROWS = { m: 0, p: 0, listStyle: 'none', maxHeight: 260, overflowY: 'auto' } as const;

const ROW = {
  display: 'grid',
  gridTemplateColumns: '34px minmax(0, 1fr) minmax(0, 1.3fr) auto',
  gap: 1,
  alignItems: 'center',
  py: 0.25,
  borderTop: `1px solid ${color('hair')}`,
} as const;

const TROUBLE = { color: color('rust'), py: 0.5, borderTop: `1px solid ${color('hair')}`, fontSize: '0.8125rem' };

/** So many are shown at once; the others are chosen with all. */
const SHOWN = 400;

interface Props {
  differences: readonly Difference[];
  troubles: readonly { row: number; says: string }[];
  taken: ReadonlySet<string>;
  onTake: (taken: ReadonlySet<string>) => void;
}

export function Differences({ differences, troubles, taken, onTake }: Props) {
  const ids = differences.map(({ id }) => id);
  const boxOf = useChoosing(ids, { chosen: taken, onChoose: onTake });
  return (
    <>
      {differences.length > 0 && <ChooseAll ids={ids} chosen={taken} onChoose={onTake} />}
      <Box component="ul" aria-label="Differences" tabIndex={0} sx={ROWS}>
        {differences.slice(0, SHOWN).map((difference) => {
          const { what, how } = saysOf(difference);
          return (
            <Box component="li" key={difference.id} sx={ROW}>
              <Checkbox {...boxOf(difference.id)} slotProps={{ input: { 'aria-label': `Take over: ${what}` } }} />
              <Box sx={{ overflowWrap: 'anywhere' }}>{what}</Box>
              <Box sx={{ overflowWrap: 'anywhere', color: color('stone') }}>{how}</Box>
              <Box>{difference.byHand && <Tag tone="look">changed on the page</Tag>}</Box>
            </Box>
          );
        })}
        {differences.length > SHOWN && (
          <Box component="li" sx={{ color: color('stone'), py: 0.5 }}>{`and ${differences.length - SHOWN} more`}</Box>
        )}
        {troubles.slice(0, SHOWN).map(({ row, says }) => (
          <Box component="li" key={`trouble ${row}`} sx={TROUBLE}>{`Row ${row}: ${says}.`}</Box>
        ))}
      </Box>
    </>
  );
}
