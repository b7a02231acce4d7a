/** What the page loads beside the limit that somebody has set for every page. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { countOf, inBytes } from '~core/site/index.ts';
import type { WeightView } from '~core/view/index.ts';
import { Panel } from '../../../ui/parts/small';
import { useTyped } from '../../../ui/parts/typed';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';

/** Bytes in a kB, as everywhere here. */
const KB = 1000;

const BAR = { position: 'relative', height: 14, mt: 1, bgcolor: color('mist'), border: `1px solid ${color('hair')}` };

const WITHIN = { position: 'absolute', inset: 0, bgcolor: color('lichen') } as const;
const OVER = { position: 'absolute', inset: 0, bgcolor: color('rust') } as const;

export function Limit({ view }: { view: WeightView }) {
  const { whole, limit, bytes, files } = view;
  const over = limit === null ? 0 : whole.bytes - limit;
  const later = files.filter(({ times }) => times === null).length;
  return (
    <Panel label="Bytes of the page" sx={{ p: 1.75 }}>
      <Box component="h2" sx={{ m: 0, fontSize: '1rem', fontWeight: 600 }}>
        {`${inBytes(whole.bytes)} in ${countOf(whole.files, 'file')}`}
      </Box>
      <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>
        {later > 0 && `${inBytes(bytes)} at first, the rest as it is scrolled. `}
        {limit === null ? 'No limit is set.' : `Your limit is ${inBytes(limit)}. `}
        {over > 0 && <Box component="b" sx={{ color: color('rust') }}>{`${inBytes(over)} over`}</Box>}
      </Box>
      {limit !== null && <Bar bytes={whole.bytes} limit={limit} />}
      <LimitField limit={limit} />
    </Panel>
  );
}

/** Its end is the larger of the two, so that what is over is seen. */
function Bar({ bytes, limit }: { bytes: number; limit: number }) {
  const end = Math.max(bytes, limit);
  const share = (part: number) => `${(part / end) * 100}%`;
  return (
    <Box aria-hidden sx={BAR}>
      <Box sx={{ ...WITHIN, width: share(Math.min(bytes, limit)) }} />
      {bytes > limit && <Box sx={{ ...OVER, left: share(limit) }} />}
    </Box>
  );
}

function LimitField({ limit }: { limit: number | null }) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const { text, type, mean, forget } = useTyped(limit === null ? '' : String(limit / KB));
  const commit = (again = false) => {
    const meant = mean(again)?.trim();
    if (meant === undefined) return;
    const wanted = meant === '' ? null : Math.round(Number(meant.replace(',', '.')) * KB);
    const isRight = wanted === null || (Number.isFinite(wanted) && wanted >= KB);
    if (isRight && wanted !== limit) intent({ kind: 'set-limit', limit: wanted });
    else forget();
  };
  return (
    <TextField
      label="Limit for each page, kB"
      value={text}
      disabled={busy || site.readOnly}
      onChange={({ target }) => type(target.value)}
      onBlur={() => commit()}
      onKeyDown={({ key }) => {
        if (key === 'Enter') commit(true);
        if (key === 'Escape') forget();
      }}
      helperText="Pages over it are findings of Proof. Empty for none."
      sx={{ mt: 1.5, width: '100%' }}
      slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
    />
  );
}
