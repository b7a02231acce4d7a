/** What is written beside the pages when the site leaves, where somebody wants it. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { Mono, Panel } from '../../../ui/parts/small';
import { useTyped } from '../../../ui/parts/typed';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { OnOff } from '../OnOff';
import { DescribePages } from './DescribePages';
import { Webp } from './Webp';

const TITLE = { m: 0, mb: 1.25, fontSize: '0.9rem', fontWeight: 600 };

const TROUBLE = { color: color('rust'), fontSize: '0.8125rem', mt: 0.5 };

export function WrittenFiles() {
  const { site } = useSite();
  const { upload } = site.view;
  const { intent, busy } = useIntent('seen');
  const { address, sitemap, checksums } = upload;
  const set = (part: Partial<typeof upload>) =>
    intent({ kind: 'set-upload', upload: { address, sitemap, checksums, ...part } });
  const { text, type, mean, forget } = useTyped(address);
  const commit = (again = false) => {
    const meant = mean(again);
    if (meant !== null) set({ address: meant });
  };
  const idle = busy || site.readOnly;
  return (
    <Panel label="Written for the upload" sx={{ p: 1.75 }}>
      <Box component="h2" sx={TITLE}>
        Written for the upload
      </Box>
      <TextField
        fullWidth
        label="Public address"
        value={text}
        placeholder={upload.said ?? 'https://'}
        disabled={site.readOnly}
        onChange={({ target }) => type(target.value)}
        onBlur={() => commit()}
        onKeyDown={({ key }) => {
          if (key === 'Enter') commit(true);
          if (key === 'Escape') forget();
        }}
        slotProps={{ htmlInput: { spellCheck: false, inputMode: 'url' }, inputLabel: { shrink: true } }}
      />
      <OnOff label="sitemap.xml, a list of all pages" on={sitemap} idle={idle} onSet={(on) => set({ sitemap: on })} />
      <OnOff
        label="sha256sums.txt, a hash of every file"
        on={checksums}
        idle={idle}
        onSet={(on) => set({ checksums: on })}
      />
      {upload.trouble.map((says) => (
        <Box key={says} sx={TROUBLE}>
          {says}
        </Box>
      ))}
      {checksums && upload.trouble.length === 0 && (
        <Box sx={{ color: color('stone'), fontSize: '0.78rem', mt: 0.5 }}>
          Check the files on the host with <Mono>sha256sum --check sha256sums.txt</Mono>
        </Box>
      )}
      <DescribePages />
      <Webp />
    </Panel>
  );
}
