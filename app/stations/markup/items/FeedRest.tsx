/** The first items on this page, and the others from another page as a visitor scrolls. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { countOf, folderOf, stemOf } from '~core/site/index.ts';
import { Part } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { REASON } from './reason';

interface Props {
  page: string;
  /** How many items the gallery has. */
  count: number;
  disabled: boolean;
  onFeed: (first: number, path: string) => void;
}

export function FeedRest({ page, count, disabled, onFeed }: Props) {
  const { files } = useSite().site.view;
  const [text, setText] = useState(String(Math.min(12, Math.ceil(count / 2))));
  const [own, setOwn] = useState<string | null>(null);
  const path = own ?? nextPage(page, new Set(files.map((file) => file.path.toLowerCase())));
  const first = Number(text);
  const isPart = Number.isInteger(first) && first >= 1 && first < count;
  return (
    <Part title="Items before scrolling">
      <Box sx={{ display: 'grid', gridTemplateColumns: '112px minmax(0, 1fr)', gap: 0.75 }}>
        <TextField
          type="number"
          label="On this page"
          value={text}
          onChange={({ target }) => setText(target.value)}
          slotProps={{ htmlInput: { min: 1, max: count - 1 } }}
        />
        <TextField label="Page for the rest" value={path} onChange={({ target }) => setOwn(target.value)} />
      </Box>
      <Button disabled={disabled || !isPart} onClick={() => onFeed(first, path)}>
        Load the rest on scroll
      </Button>
      <Box sx={REASON}>
        {isPart
          ? `${countOf(count - first, 'item')} ${count - first === 1 ? 'moves' : 'move'} to another page, linked for visitors without scripts. The feed viewer loads from there, also when the site is opened from disk.`
          : `Between 1 and ${Math.max(1, count - 1)} items stay on this page.`}
      </Box>
    </Part>
  );
}

/** `kites-2.html`, with the first number that is free; its script needs the same name. */
function nextPage(page: string, taken: ReadonlySet<string>): string {
  const name = (n: number) => `${folderOf(page)}${stemOf(page)}-${n}`;
  const isFree = (n: number) => !['html', 'js'].some((ending) => taken.has(`${name(n)}.${ending}`.toLowerCase()));
  let n = 2;
  while (!isFree(n)) n++;
  return `${name(n)}.html`;
}
