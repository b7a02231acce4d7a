/** Where a name stands that was left as it is: nobody can be certain that it means what has changed. */
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { useState } from 'react';
import { countOf, type Named } from '~core/site/index.ts';
import { useShowSource } from '../site/openSite';
import { color } from '../theme';

const SHOWN = 4;

const LIST = { m: 0, mt: 0.25, pl: 2.25, maxHeight: 150, overflowY: 'auto' } as const;

export function AlsoNamed({ named }: { named: readonly Named[] }) {
  const showSource = useShowSource();
  const [all, setAll] = useState(false);
  const shown = all ? named : named.slice(0, SHOWN);
  return (
    <Box sx={{ mt: 1, color: color('gorse') }}>
      {`Also named in ${countOf(named.length, 'place')}, left as ${named.length === 1 ? 'it is' : 'they are'}:`}
      <Box component="ul" sx={LIST}>
        {shown.map(({ path, line, name, start }) => (
          <li key={`${path} ${start}`}>
            <Link component="button" onClick={() => showSource(path, start, start + name.length)}>
              {`${path}, line ${line}`}
            </Link>
            {`: ${name}`}
          </li>
        ))}
      </Box>
      {named.length > shown.length && (
        <Link component="button" onClick={() => setAll(true)}>
          {`Show all ${named.length}`}
        </Link>
      )}
    </Box>
  );
}
