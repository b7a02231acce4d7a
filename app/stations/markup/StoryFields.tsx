/** Of a page with a text: the text, written here, pasted or out of a file, and its first pictures. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useRef, useState } from 'react';
import { readText } from '~core/site/index.ts';
import { useSite } from '../../ui/site/openSite';
import { MONO } from '../../ui/theme';
import { PairChoice } from './PairChoice';

export interface StoryDraft {
  /** Markdown. */
  text: string;
  /** It is kept beside the page as its source. */
  keep: boolean;
  chosen: ReadonlySet<string>;
}

export const NEW_STORY: StoryDraft = { text: '', keep: true, chosen: new Set() };

interface Props {
  draft: StoryDraft;
  onDraft: (draft: StoryDraft) => void;
}

/** Characters; a book of a thousand pages is about as long. */
const LONGEST = 2_000_000;

export function StoryFields({ draft, onDraft }: Props) {
  const { pairs } = useSite().site.view;
  const pick = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = async (file: File) => {
    const read = file.size > LONGEST ? null : readText(new Uint8Array(await file.arrayBuffer()));
    if (!read) setTrouble(`${file.name} is longer than two million characters.`);
    else if (!read.ok) setTrouble(`${file.name} cannot be read: ${read.reason}.`);
    else {
      setTrouble(null);
      onDraft({ ...draft, text: read.text });
    }
  };
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextField
          label="Text"
          multiline
          minRows={5}
          maxRows={10}
          value={draft.text}
          error={trouble !== null}
          helperText={trouble ?? 'Markdown, with HTML where you like; a blank line begins a paragraph.'}
          onChange={({ target }) => onDraft({ ...draft, text: target.value.slice(0, LONGEST) })}
          slotProps={{ htmlInput: { style: { fontFamily: MONO, fontSize: '0.8125rem' } } }}
          sx={{ flex: 1 }}
        />
        <Button onClick={() => pick.current?.click()}>Markdown file…</Button>
        <input
          ref={pick}
          type="file"
          hidden
          data-pick="text"
          accept=".md,.markdown,.txt,text/markdown,text/plain"
          onChange={({ target: input }) => {
            const [file] = input.files ?? [];
            input.value = '';
            if (file) void take(file);
          }}
        />
      </Box>
      <FormControlLabel
        control={
          <Checkbox size="small" checked={draft.keep} onChange={(_event, keep) => onDraft({ ...draft, keep })} />
        }
        label="Keep the Markdown beside the page: the page is made from it"
        slotProps={{ typography: { variant: 'body2' } }}
      />
      <PairChoice
        title="First pictures, behind the text"
        pairs={pairs.filter(({ trouble: unfit }) => unfit === null)}
        chosen={draft.chosen}
        onChoose={(chosen) => onDraft({ ...draft, chosen })}
        none="The site has no pictures yet"
      />
    </>
  );
}
