/** Tags of the chosen pictures: typed, taken away, or given by a rule. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { TAG_RULES, type TagRule } from '~core/plans/index.ts';
import { countOf, oneOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { Panel } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';

const TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600 };

const FORM = { display: 'flex', gap: 0.75, mt: 1.25, alignItems: 'start' } as const;

const THEIRS = { m: 0, mt: 1, p: 0, display: 'flex', flexWrap: 'wrap', gap: 0.75 } as const;

const RULE = { display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1, mt: 1.5 };

const SAYS: Readonly<Record<TagRule, string>> = {
  folder: 'the folder of each picture',
  year: 'the year it was taken',
  month: 'the month it was taken',
  keywords: 'the keywords in its file (IPTC)',
  text: 'what its texts say',
};

export function TagChosen({ pairs }: { pairs: readonly PairView[] }) {
  return (
    <Panel label="Tags of the chosen pictures" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
      <Box component="h2" sx={TITLE}>
        Tags
      </Box>
      {pairs.length === 0 ? (
        <Box sx={{ color: color('stone'), mt: 0.75 }}>
          Tags are kept with the pictures, and written into pages where a filter lets visitors choose by them.
        </Box>
      ) : (
        <>
          <TypedTag pairs={pairs} />
          <TheirTags pairs={pairs} />
          <ByRule pairs={pairs} />
        </>
      )}
    </Panel>
  );
}

const pathsOf = (pairs: readonly PairView[]): string[] => pairs.map(({ full }) => full);

/** Several at once with commas between them. */
const tagsIn = (typed: string): string[] =>
  typed
    .split(',')
    .map((one) => one.trim())
    .filter((one) => one !== '');

function TypedTag({ pairs }: { pairs: readonly PairView[] }) {
  const { readOnly } = useSite().site;
  const { intent, busy } = useIntent('seen');
  const [typed, setTyped] = useState('');
  const add = tagsIn(typed);
  return (
    <Box
      component="form"
      sx={FORM}
      onSubmit={(event) => {
        event.preventDefault();
        if (add.length > 0) intent({ kind: 'set-tags', paths: pathsOf(pairs), add, remove: [] });
        setTyped('');
      }}
    >
      <TextField
        size="small"
        label="New tags"
        value={typed}
        helperText="Commas between them"
        onChange={({ target }) => setTyped(target.value)}
        sx={{ flex: 1 }}
      />
      <Button type="submit" disabled={busy || readOnly || add.length === 0} sx={{ mt: 0.25 }}>
        Add tags
      </Button>
    </Box>
  );
}

/** Each with how many of the chosen pictures have it. */
function TheirTags({ pairs }: { pairs: readonly PairView[] }) {
  const { readOnly } = useSite().site;
  const { intent, busy } = useIntent('seen');
  const tags = [...new Set(pairs.flatMap((pair) => pair.tags))].sort((a, b) => a.localeCompare(b));
  if (tags.length === 0) return null;
  return (
    <Box component="ul" aria-label="Tags of the chosen" sx={THEIRS}>
      {tags.map((tag) => {
        const having = pairs.filter((pair) => pair.tags.includes(tag));
        return (
          <Box component="li" key={tag} sx={{ listStyle: 'none' }}>
            <Chip
              size="small"
              label={having.length === pairs.length ? tag : `${tag}, ${having.length} of ${pairs.length}`}
              disabled={busy || readOnly}
              onDelete={() => intent({ kind: 'set-tags', paths: pathsOf(having), add: [], remove: [tag] })}
            />
          </Box>
        );
      })}
    </Box>
  );
}

function ByRule({ pairs }: { pairs: readonly PairView[] }) {
  const { readOnly } = useSite().site;
  const { intent, busy } = useIntent();
  const [rule, setRule] = useState<TagRule>('folder');
  const [text, setText] = useState('');
  const [tag, setTag] = useState('');
  const said = rule === 'text' ? { text: text.trim(), tag: tag.trim() } : null;
  const isSaid = said === null || (said.text !== '' && tagsIn(said.tag).length === 1);
  return (
    <Box sx={RULE}>
      <TextField
        select
        size="small"
        label="Tag by"
        value={rule}
        onChange={({ target }) => setRule(oneOf(TAG_RULES, target.value))}
      >
        {TAG_RULES.map((one) => (
          <MenuItem key={one} value={one}>
            {SAYS[one]}
          </MenuItem>
        ))}
      </TextField>
      {rule === 'text' && (
        <>
          <TextField
            size="small"
            label="If a text says"
            value={text}
            onChange={({ target }) => setText(target.value)}
          />
          <TextField size="small" label="it is tagged" value={tag} onChange={({ target }) => setTag(target.value)} />
        </>
      )}
      <Button
        disabled={busy || readOnly || !isSaid}
        onClick={() => intent({ kind: 'tag-by-rule', rule, paths: pathsOf(pairs), said })}
      >
        {`Tag ${countOf(pairs.length, 'picture')} by rule`}
      </Button>
    </Box>
  );
}
