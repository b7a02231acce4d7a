/** What a change does not do, with the places: each can be gone to. */
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { useState } from 'react';
import { countOf, type Named, type NotDone } from '~core/site/index.ts';
import { useShowSource } from '../site/openSite';
import { color } from '../theme';

const SHOWN = 4;

const LIST = { m: 0, mt: 0.25, pl: 2.25, maxHeight: 150, overflowY: 'auto' } as const;

export const isAllDone = ({ named = [], left = [] }: NotDone): boolean => named.length + left.length === 0;

export function NotDoneShown({ named = [], left = [] }: NotDone) {
  const theyAre = (count: number) => `left as ${count === 1 ? 'it is' : 'they are'}`;
  return (
    <>
      {named.length > 0 && (
        <Places says={`Also named in ${countOf(named.length, 'place')}, ${theyAre(named.length)}:`} places={named} />
      )}
      {left.length > 0 && (
        <Places
          says={
            left.some(({ why }) => why !== undefined)
              ? `${countOf(left.length, 'place')} ${theyAre(left.length)}:`
              : `${countOf(left.length, 'item')} with something of its own there, ${theyAre(left.length)}:`
          }
          places={left}
        />
      )}
    </>
  );
}

function Places({ says, places }: { says: string; places: readonly Named[] }) {
  const showSource = useShowSource();
  const [all, setAll] = useState(false);
  const shown = all ? places : places.slice(0, SHOWN);
  return (
    <Box sx={{ mt: 1, color: color('gorse') }}>
      {says}
      <Box component="ul" sx={LIST}>
        {shown.map(({ path, line, name, start, why }) => (
          <li key={`${path} ${start}`}>
            <Link component="button" onClick={() => showSource(path, start, start + name.length)}>
              {`${path}, line ${line}`}
            </Link>
            {`: ${name}${why === undefined ? '' : ` – ${why}`}`}
          </li>
        ))}
      </Box>
      {places.length > shown.length && (
        <Link component="button" onClick={() => setAll(true)}>
          {`Show all ${places.length}`}
        </Link>
      )}
    </Box>
  );
}
