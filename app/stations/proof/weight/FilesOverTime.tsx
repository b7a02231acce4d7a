/** Every file of the page in the order in which it is asked for: the chart in words. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { inBytes } from '~core/site/index.ts';
import type { WeightFile, WeightView } from '~core/view/index.ts';
import { Mono } from '../../../ui/parts/small';
import { PlaceLink } from '../../../ui/parts/pressable';
import { useShowSource } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';

const TABLE = {
  width: '100%',
  borderCollapse: 'collapse',
  fontSize: '0.8125rem',
  '& th, & td': { textAlign: 'left', px: 1.75, py: 0.5, borderTop: `1px solid ${color('hair')}` },
  '& .number': { textAlign: 'right', whiteSpace: 'nowrap' },
} as const;

const CAPTION = { px: 1.75, py: 1, textAlign: 'left', fontWeight: 600, captionSide: 'top' } as const;

/** More rows are made when they are asked for. */
const FIRST = 60;

export function FilesOverTime({ view }: { view: WeightView }) {
  const [all, setAll] = useState(false);
  const shown = all ? view.files : view.files.slice(0, FIRST);
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Box component="table" sx={TABLE}>
        <Box component="caption" sx={CAPTION}>
          In the order in which they are asked for
        </Box>
        <thead>
          <tr>
            <th scope="col">File</th>
            <th scope="col">Written in</th>
            <th scope="col" className="number">
              Bytes
            </th>
            <th scope="col" className="number">
              Asked for
            </th>
            <th scope="col" className="number">
              There
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((file) => (
            <Row key={file.path} file={file} />
          ))}
        </tbody>
      </Box>
      {shown.length < view.files.length && (
        <Button sx={{ m: 1.25 }} onClick={() => setAll(true)}>{`Show all ${view.files.length} files`}</Button>
      )}
    </Box>
  );
}

const seconds = (ms: number): string => `${(ms / 1000).toFixed(2)} s`;

function Row({ file: { path, bytes, missing, times, place, kind } }: { file: WeightFile }) {
  const showSource = useShowSource();
  return (
    <tr>
      <td>
        <Mono>{path}</Mono>
      </td>
      <td>
        {kind === 'page' ? (
          ''
        ) : (
          <PlaceLink onClick={() => showSource(place.path, place.start)}>
            <Mono>{`${place.path}:${place.line}`}</Mono>
          </PlaceLink>
        )}
      </td>
      <td className="number">{missing ? 'missing' : inBytes(bytes)}</td>
      <td className="number">{times ? seconds(times.sent) : 'when scrolled to'}</td>
      <td className="number">{times ? seconds(times.done) : ''}</td>
    </tr>
  );
}
