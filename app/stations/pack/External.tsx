/** What pages load from other hosts, and a file of one's own in its place. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef } from 'react';
import type { ExternalFile } from '~core/model/index.ts';
import { countOf, folderOf, mediaTypeOf, nameOf } from '~core/site/index.ts';
import { Mono, Panel } from '../../ui/parts/small';
import { PlaceLink } from '../../ui/parts/pressable';
import { useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';

const TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600 };

const ROW = { py: 1, borderTop: `1px solid ${color('hair')}`, '&:last-of-type': { pb: 0 } };

export function External() {
  const { external } = useSite().site.view;
  if (external.length === 0) return null;
  return (
    <Panel label="From other hosts" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
      <Box component="h2" sx={TITLE}>
        From other hosts
      </Box>
      <Box sx={{ my: 0.75 }}>
        {`${countOf(external.length, 'file')} that your pages load from elsewhere: not in the upload, and gone when that host is.`}
      </Box>
      <Box component="ul" aria-label="Files from other hosts" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {external.map((file) => (
          <Row key={file.address} file={file} />
        ))}
      </Box>
    </Panel>
  );
}

function Row({ file: { address, kind, places } }: { file: ExternalFile }) {
  const { go, site } = useSite();
  const input = useRef<HTMLInputElement>(null);
  const [first] = places;
  const pick = (picked: HTMLInputElement) => {
    const [blob] = picked.files ?? [];
    picked.value = '';
    if (!blob) return;
    const path = placeFor(site.files.keys(), kind, blob.name);
    void site.session.doWith([{ path, blob }], ([content]) => ({
      kind: 'use-own-file',
      address,
      path,
      content: content ?? { kind: 'text', text: '' },
    }));
  };
  return (
    <Box component="li" sx={ROW}>
      <Mono>{address}</Mono>
      <Box sx={{ color: color('stone') }}>
        {`${kind} · `}
        {first && (
          <PlaceLink onClick={() => go({ station: 'markup', page: first.path })}>
            <Mono>{`${first.path}:${first.line}`}</Mono>
          </PlaceLink>
        )}
        {places.length > 1 && ` and ${countOf(places.length - 1, 'other place')}`}
      </Box>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={`File in place of ${address}`}
        onChange={({ target }) => pick(target)}
      />
      <Button
        disabled={site.readOnly}
        aria-label={`Use a file of your own… in place of ${address}`}
        onClick={() => input.current?.click()}
        sx={{ mt: 0.5 }}
      >
        Use a file of your own…
      </Button>
    </Box>
  );
}

/** Where files of this kind stand in the site already; else a folder that says what is in it. */
function placeFor(paths: Iterable<string>, kind: ExternalFile['kind'], name: string): string {
  const type = mediaTypeOf(name);
  const alike = [...paths].filter((path) => mediaTypeOf(path) === type);
  const [first] = alike;
  const folder = first === undefined ? FOLDERS[kind] : folderOf(first);
  const wanted = `${folder}${nameOf(name)}`;
  // Nothing of the author's is written over by a file of the same name.
  return alike.includes(wanted) ? `${FOLDERS[kind]}own/${nameOf(name)}` : wanted;
}

const FOLDERS: Readonly<Record<ExternalFile['kind'], string>> = {
  script: 'js/',
  stylesheet: 'css/',
  font: 'fonts/',
  picture: 'images/',
  'video or sound': 'media/',
  other: 'files/',
};
