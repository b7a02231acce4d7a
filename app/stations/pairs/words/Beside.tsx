/** The picture of the row in hand, large, with what is said of it beyond its place on a page. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { WordsRow } from '~core/lists/index.ts';
import type { PairView } from '~core/view/index.ts';
import { Sheet } from '../../../ui/parts/small';
import { useWholePicture } from '../../../ui/site/pictures';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';

const FIELDS = [
  { name: 'title', label: 'Title' },
  { name: 'credit', label: 'Credit' },
  { name: 'copyright', label: 'Copyright' },
] as const;

/** Large enough to write an alt text by; CSS px. */
const SHOWN = { width: 366, height: 274 };

export function Beside({ row, pair, idle }: { row: WordsRow; pair: PairView | null; idle: boolean }) {
  const { intent } = useIntent();
  const url = useWholePicture(row.file);
  const [draft, setDraft] = useState<Partial<Record<(typeof FIELDS)[number]['name'], string>>>({});
  const changed = Object.keys(draft).length > 0;
  const { strand } = row;
  const offer = strand !== null && pair ? pair.words.caption : null;
  return (
    <Sheet label="The picture in hand" sx={{ p: 1.5, display: 'grid', gap: 1.25, position: 'sticky', top: 0 }}>
      <Box sx={{ height: SHOWN.height, display: 'grid', placeItems: 'center' }}>
        {url !== null && (
          <Box
            component="img"
            src={url}
            alt={row.alt ?? ''}
            decoding="async"
            sx={{ maxWidth: SHOWN.width, maxHeight: SHOWN.height, display: 'block' }}
          />
        )}
      </Box>
      {pair && (
        <>
          {strand !== null && offer !== null && offer !== row.alt && (
            <Button
              size="small"
              disabled={idle}
              onClick={() => intent({ kind: 'set-words', items: [{ strand, alt: offer }], pictures: [] })}
              sx={{ justifyContent: 'flex-start', textAlign: 'left' }}
            >{`Alt text: “${offer}”`}</Button>
          )}
          {strand !== null && offer !== null && row.caption !== null && pair.words.title !== row.caption && (
            <Button
              size="small"
              disabled={idle}
              onClick={() =>
                intent({ kind: 'set-words', items: [{ strand, caption: pair.words.title }], pictures: [] })
              }
              sx={{ justifyContent: 'flex-start', textAlign: 'left' }}
            >{`Caption: “${pair.words.title}”`}</Button>
          )}
          <Box
            component="form"
            sx={{ display: 'grid', gap: 1 }}
            onSubmit={(event) => {
              event.preventDefault();
              if (changed) intent({ kind: 'set-words', items: [], pictures: [{ path: pair.full, words: draft }] });
            }}
          >
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
              Keep these words
            </Button>
          </Box>
          <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>
            {pair.taken ? `Taken ${pair.taken.slice(0, 16).replace('T', ', ')}` : 'No date in the file'}
          </Box>
          {pair.place !== 'none' && (
            <Box sx={{ fontSize: '0.8125rem' }}>
              <Box sx={{ color: color('gorse'), fontWeight: 600 }}>The file says where it was taken.</Box>
              <Box sx={{ mb: 0.5 }}>
                {pair.place === 'kept' ? 'It is kept when the site leaves.' : 'It is removed when the site leaves.'}
              </Box>
              <Button
                size="small"
                disabled={idle}
                onClick={() => intent({ kind: 'keep-place', paths: [pair.full], keep: pair.place === 'removed' })}
              >
                {pair.place === 'kept' ? 'Remove the place' : 'Keep the place'}
              </Button>
            </Box>
          )}
        </>
      )}
    </Sheet>
  );
}
