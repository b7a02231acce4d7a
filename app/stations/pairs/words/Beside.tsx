/** The picture of the row in hand, large, with what is said of it beyond its place on a page. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { WordsRow } from '~core/lists/index.ts';
import type { PairView } from '~core/view/index.ts';
import { nameOf } from '~core/site/index.ts';
import { Mono, Panel } from '../../../ui/parts/small';
import { useWholePicture } from '../../../ui/site/pictureUrls';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { sayTaken } from '../../../ui/parts/times';

const FIELDS = [
  { name: 'title', label: 'Title' },
  { name: 'credit', label: 'Credit' },
  { name: 'copyright', label: 'Copyright' },
] as const;

/** Large enough to write an alt text by; CSS px. */
const SHOWN = { width: 366, height: 274 };

const PANEL = { p: 1.5, display: 'grid', gap: 1.25, position: 'sticky', top: 0 } as const;

export function Beside({ row, pair, idle }: { row: WordsRow; pair: PairView | null; idle: boolean }) {
  const { intent } = useIntent();
  const url = useWholePicture(row.file);
  const [draft, setDraft] = useState<Partial<Record<(typeof FIELDS)[number]['name'], string>>>({});
  const changed = Object.keys(draft).length > 0;
  return (
    <Panel label="Selected picture" sx={PANEL}>
      <Box sx={{ height: SHOWN.height, display: 'grid', placeItems: 'center' }}>
        {url !== null && (
          <Box
            component="img"
            src={url}
            alt={row.alt || nameOf(row.file)}
            decoding="async"
            sx={{ maxWidth: SHOWN.width, maxHeight: SHOWN.height, display: 'block' }}
          />
        )}
      </Box>
      {pair && (
        <>
          {row.strand !== null && <Offers row={row} strand={row.strand} words={pair.words} idle={idle} />}
          <Box
            component="form"
            sx={{ display: 'grid', gap: 1 }}
            onSubmit={(event) => {
              event.preventDefault();
              if (changed) intent({ kind: 'set-words', items: [], pictures: [{ path: pair.full, words: draft }] });
            }}
          >
            <Box sx={{ fontSize: '0.8125rem' }}>
              In the full-size file <Mono>{nameOf(pair.full)}</Mono>
            </Box>
            {FIELDS.map(({ name, label }) => (
              <TextField
                key={name}
                label={label}
                value={draft[name] ?? pair.words[name]}
                disabled={idle}
                onChange={({ target }) => setDraft({ ...draft, [name]: target.value })}
              />
            ))}
            <Button size="small" type="submit" disabled={idle || !changed}>
              Save text
            </Button>
          </Box>
          <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>
            {pair.takenAt ? `Taken ${sayTaken(pair.takenAt)}` : 'No date in the file or its name'}
          </Box>
          {pair.place !== 'none' && <Place pair={pair} idle={idle} />}
        </>
      )}
    </Panel>
  );
}

/** What the file says, offered as the words of its item. */
function Offers({
  row,
  strand,
  words: { alt, caption },
  idle,
}: {
  row: WordsRow;
  strand: string;
  words: PairView['words'];
  idle: boolean;
}) {
  const { intent } = useIntent();
  const set = (words: { alt?: string; caption?: string }) =>
    intent({ kind: 'set-words', items: [{ strand, ...words }], pictures: [] });
  const offers = [
    ...(alt === '' || alt === row.alt ? [] : [{ says: `Alt text: “${alt}”`, words: { alt } }]),
    ...(row.caption === null || caption === '' || caption === row.caption
      ? []
      : [{ says: `Caption: “${caption}”`, words: { caption } }]),
  ];
  return offers.map(({ says, words }) => (
    <Button
      key={says}
      size="small"
      disabled={idle}
      onClick={() => set(words)}
      sx={{ justifyContent: 'flex-start', textAlign: 'left' }}
    >
      {says}
    </Button>
  ));
}

function Place({ pair, idle }: { pair: PairView; idle: boolean }) {
  const { intent } = useIntent();
  const kept = pair.place === 'kept';
  return (
    <Box sx={{ fontSize: '0.8125rem' }}>
      <Box sx={{ color: color('gorse'), fontWeight: 600 }}>The file contains a location.</Box>
      <Box sx={{ mb: 0.5 }}>{kept ? 'It is kept on export.' : 'It is removed on export.'}</Box>
      <Button
        size="small"
        disabled={idle}
        onClick={() => intent({ kind: 'keep-place', paths: [pair.full], keep: !kept })}
      >
        {kept ? 'Remove the location' : 'Keep the location'}
      </Button>
    </Box>
  );
}
