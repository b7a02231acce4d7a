/** WebP files beside the JPEG files that pages show: first the files are made, then their bytes are known. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { countOf, inBytes } from '~core/site/index.ts';
import { Mono } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent, useWork } from '../../../ui/site/work';
import { color } from '../../../ui/theme';

const PART = { borderTop: `1px solid ${color('hair')}`, mt: 1.5, pt: 1.25, fontSize: '0.8125rem' };

export function Webp() {
  const { site } = useSite();
  const { work, busy } = useWork();
  const { intent, busy: planning } = useIntent('shown');
  const { missing, pages, count, bytes, saved } = site.view.webp;
  const idle = busy || planning || site.readOnly;
  if (missing + count === 0) return null;
  const make = async () => work({ do: 'make', tasks: await site.session.analysis.webpToMake(null) });
  return (
    <Box sx={PART}>
      {count > 0 && (
        <>
          <Box>
            {`WebP for ${countOf(count, 'picture')}: ${inBytes(saved)} less of ${inBytes(bytes)}, with `}
            <Mono>picture</Mono> around each <Mono>img</Mono>
          </Box>
          <Button sx={{ mt: 0.75 }} disabled={idle} onClick={() => intent({ kind: 'offer-webp', pages })}>
            {`Offer WebP on ${countOf(pages.length, 'page')}…`}
          </Button>
        </>
      )}
      {missing > 0 && (
        <>
          <Box sx={{ mt: count > 0 ? 1 : 0 }}>{`JPEG files on pages without a WebP file: ${missing}`}</Box>
          <Button sx={{ mt: 0.75 }} disabled={idle} onClick={() => void make()}>
            {`Create ${countOf(missing, 'WebP file')}`}
          </Button>
        </>
      )}
    </Box>
  );
}
