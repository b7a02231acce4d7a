/** Captions, credits and others of the chosen pictures by a pattern, shown before they are written. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useEffect, useMemo, useState } from 'react';
import {
  patternTrouble,
  RULED_FIELDS,
  type RuledField,
  type RuledText,
  TEXT_TOKENS,
  type TextsWish,
} from '~core/plans/index.ts';
import { countOf, nameOf, oneOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { PlanShown, usePlan } from '../../../ui/parts/PlanShown';
import { Panel } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useAttempt } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { Choice, FORM } from './arrangement';

const TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600 };

const FIELDS: readonly { id: RuledField; says: string }[] = [
  { id: 'caption', says: 'captions' },
  { id: 'credit', says: 'credits' },
  { id: 'title', says: 'titles' },
  { id: 'alt', says: 'alt texts' },
];

export function TextsByRule({ pairs }: { pairs: readonly PairView[] }) {
  const [open, setOpen] = useState(false);
  return (
    <Panel label="Texts by a rule" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
      <Box component="h2" sx={TITLE}>
        Texts by a rule
      </Box>
      {open && pairs.length > 0 ? (
        <Rule pairs={pairs} onClose={() => setOpen(false)} />
      ) : (
        <>
          <Box sx={{ color: color('stone'), mt: 0.75 }}>
            Captions and credits out of title, date, camera and a place that you type.
          </Box>
          <Button disabled={pairs.length === 0} onClick={() => setOpen(true)} sx={{ mt: 1 }}>
            {pairs.length === 0 ? 'Choose pictures first' : `Write texts of ${countOf(pairs.length, 'picture')}…`}
          </Button>
        </>
      )}
    </Panel>
  );
}

function Rule({ pairs, onClose }: { pairs: readonly PairView[]; onClose: () => void }) {
  const { site } = useSite();
  const { attempt, reason, busy } = useAttempt(onClose);
  const [field, setField] = useState<RuledField>('caption');
  const [pattern, setPattern] = useState('{title}[, {place}][, {month} {year}]');
  const [place, setPlace] = useState('');
  const [onlyEmpty, setOnlyEmpty] = useState(true);
  const trouble = patternTrouble(pattern);
  const texts = useMemo(
    () => ({ paths: pairs.map(({ full }) => full), field, pattern, place, onlyEmpty }),
    [pairs, field, pattern, place, onlyEmpty],
  );
  const wish = trouble === null ? ({ kind: 'texts-by-rule', ...texts } as const) : null;
  const plan = usePlan(wish);
  return (
    <Box
      component="form"
      aria-label="Texts by a rule"
      sx={FORM}
      onSubmit={(event) => {
        event.preventDefault();
        if (wish && plan?.ok) attempt(wish);
      }}
    >
      <Choice
        label="What is written"
        value={field}
        options={FIELDS}
        onChoose={(id) => setField(oneOf(RULED_FIELDS, id))}
      />
      <TextField
        label="Pattern"
        value={pattern}
        error={trouble !== null}
        helperText={trouble ?? 'What stands in [ ] goes where a value in it is missing.'}
        onChange={({ target }) => setPattern(target.value)}
      />
      <TextField label="Place, for {place}" value={place} onChange={({ target }) => setPlace(target.value)} />
      <Box component="details">
        <summary>What may stand in the pattern</summary>
        <Box component="ul" sx={{ m: 0, pl: 2 }}>
          {TEXT_TOKENS.map(({ token, says }) => (
            <li key={token}>
              <code>{token}</code> {says}
            </li>
          ))}
        </Box>
      </Box>
      <FormControlLabel
        control={<Checkbox size="small" checked={onlyEmpty} onChange={(_, on) => setOnlyEmpty(on)} />}
        label="Only where nothing is said yet"
      />
      <Examples texts={trouble === null ? texts : null} />
      <PlanShown
        plan={plan}
        wished={wish !== null}
        height={170}
        label="Planned texts"
        same="No page has a place for it; it is kept with the pictures."
      />
      {reason !== null && <Box sx={{ color: color('rust') }}>{reason}</Box>}
      <Box sx={{ display: 'flex', gap: 0.75 }}>
        <Button type="submit" variant="contained" color="primary" disabled={busy || site.readOnly || !plan?.ok}>
          Write the texts
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </Box>
    </Box>
  );
}

/** So many are shown. */
const EXAMPLES = 3;

/** What the first pictures would say, and how many the pattern cannot be filled for. */
function Examples({ texts }: { texts: TextsWish | null }) {
  const { session, view } = useSite().site;
  const [made, setMade] = useState<{ of: TextsWish; all: RuledText[] } | null>(null);
  useEffect(() => {
    if (texts === null) return undefined;
    let current = true;
    void session.analysis.textsByRule(texts).then((all) => current && setMade({ of: texts, all }));
    return () => {
      current = false;
    };
    // Another view is another site.
  }, [session, texts, view]);
  if (texts === null || made?.of !== texts) return null;
  const said = made.all.filter(({ text }) => text !== null);
  const lacking = made.all.filter(({ text }) => text === null);
  return (
    <Box role="status">
      {said.slice(0, EXAMPLES).map(({ path, text }) => (
        <Box key={path}>{`${nameOf(path)}: ${text}`}</Box>
      ))}
      {lacking.length > 0 && (
        <Box sx={{ color: color('gorse') }}>
          {`${countOf(lacking.length, 'picture')} left as they are. ${nameOf(lacking[0]?.path ?? '')}: ${lacking[0]?.reason}`}
        </Box>
      )}
    </Box>
  );
}
