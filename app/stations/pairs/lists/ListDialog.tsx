/**
 * A gallery beside a list or a folder: what differs is shown and taken over as one change, and the gallery may follow
 * the list from then on.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import type { Difference } from '~core/lists/index.ts';
import type { Intent } from '~core/plans/index.ts';
import { countOf } from '~core/site/index.ts';
import { galleryTargets } from '../../../ui/parts/galleryTargets';
import { useSite } from '../../../ui/site/openSite';
import { useAttempt } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import type { CompareAsked, ComparedView } from '../../../workers/compareList';
import { Differences } from './Differences';
import { type Chosen, Columns, SourceChoice } from './Source';
import { useCompared } from './useCompared';

interface Props {
  /** What is open at first. */
  start?: { chosen: Chosen; page: string; gallery: number | null };
  onClose: () => void;
}

const ALERT = { color: color('rust'), mb: 1.5 };

export function ListDialog({ start, onClose }: Props) {
  const { site } = useSite();
  const { attempt, reason, busy } = useAttempt(onClose);
  const choice = useChoice(start);
  const { chosen, shown, taken, follows } = choice;
  const trouble = chosen?.trouble ?? choice.reason ?? reason;
  const wish = wishFor(choice);
  const isIdle = taken.size === 0 && (!follows || shown?.follows === true);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="list-title">
      <DialogTitle id="list-title">Pictures from a list</DialogTitle>
      <DialogContent>
        <SourceChoice chosen={chosen} onChoose={choice.choose} />
        {chosen?.remark && (
          <Box role="note" sx={{ color: color('gorse'), mb: 1.5 }}>
            {chosen.remark}
          </Box>
        )}
        {trouble !== null && (
          <Box role="alert" sx={ALERT}>
            {trouble}
          </Box>
        )}
        {chosen ? <Compared choice={choice} chosen={chosen} /> : <NoSource />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || !wish || isIdle}
          onClick={() => wish && attempt(wish)}
        >
          {saysAction(shown, taken)}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const NoSource = () => (
  <Box sx={{ color: color('stone') }}>
    A list is a CSV, JSON, XML or Markdown file with a row, record or item for each picture, or a folder of full-size
    pictures. Pictures may be files of this site or external URLs; those are kept as written and never fetched.
  </Box>
);

/** What is chosen in the dialog, and what comes of it. */
interface Choice {
  chosen: Chosen | null;
  choose: (chosen: Chosen) => void;
  targets: readonly Target[];
  /** Number of the gallery among the targets. */
  target: number;
  aim: (target: number) => void;
  /** Null while nothing is chosen, or it cannot be read. */
  shown: ComparedView | null;
  reason: string | null;
  taken: ReadonlySet<string>;
  take: (taken: ReadonlySet<string>) => void;
  follows: boolean;
  keep: (keep: boolean) => void;
  whole: boolean;
  compareWhole: (whole: boolean) => void;
}

function useChoice(start: Props['start']): Choice {
  const { site } = useSite();
  const targets = galleryTargets(site.view.pages);
  const [target, aim] = useState(() => {
    const at = targets.findIndex(({ page, gallery }) =>
      start ? page === start.page && gallery === start.gallery : gallery !== null,
    );
    return Math.max(0, at);
  });
  const [chosen, choose] = useState<Chosen | null>(start?.chosen ?? null);
  const [whole, compareWhole] = useState(false);
  const compared = useCompared(useAsked(chosen, targets[target], whole));
  const shown = compared?.reason === null ? compared : null;
  const [own, setOwn] = useState<{ of: ComparedView; taken: ReadonlySet<string> } | null>(null);
  const [kept, keep] = useState<boolean | null>(start ? true : null);
  return {
    chosen,
    choose,
    targets,
    target,
    aim,
    shown,
    reason: compared?.reason ?? null,
    taken: own !== null && own.of === shown ? own.taken : atFirst(shown),
    take: (taken) => shown && setOwn({ of: shown, taken }),
    follows: chosen !== null && !chosen.isEncoded && (kept ?? shown?.follows ?? false),
    keep,
    whole,
    compareWhole,
  };
}

function Compared({ choice, chosen }: { choice: Choice; chosen: Chosen }) {
  const { shown, targets, target } = choice;
  const { source } = shown ?? {};
  return (
    <>
      {shown && source?.kind === 'list' && (
        <Columns
          mapping={source.mapping}
          columns={shown.columns}
          onChange={(mapping) => choice.choose({ ...chosen, source: { ...source, mapping } })}
        />
      )}
      <TextField
        select
        label="Gallery"
        value={target}
        onChange={({ target: { value } }) => choice.aim(Number(value))}
        sx={{ minWidth: 280, mb: 1.5, mt: 0.75 }}
      >
        {targets.map(({ says }, n) => (
          <MenuItem key={says} value={n}>
            {says}
          </MenuItem>
        ))}
      </TextField>
      {shown && (
        <>
          <Box role="status" sx={{ mb: 0.5 }}>
            {saysStanding(shown)}
          </Box>
          <Differences
            differences={shown.differences}
            troubles={shown.troubles}
            taken={choice.taken}
            onTake={choice.take}
          />
          <Follow choice={choice} chosen={chosen} shown={shown} />
        </>
      )}
    </>
  );
}

type Target = ReturnType<typeof galleryTargets>[number];

/** The same object while nothing of it is another. */
function useAsked(chosen: Chosen | null, goes: Target | undefined, whole: boolean): CompareAsked | null {
  const { page, gallery } = goes ?? { page: null, gallery: null };
  return useMemo(
    () =>
      chosen && chosen.trouble === null && page !== null
        ? { page, gallery, source: chosen.source, text: chosen.text, whole }
        : null,
    [chosen, page, gallery, whole],
  );
}

/** What was changed on the page is left unless somebody says otherwise. */
const atFirst = (shown: ComparedView | null): ReadonlySet<string> =>
  new Set(shown?.differences.flatMap(({ id, byHand }) => (byHand ? [] : [id])) ?? []);

function wishFor({ chosen, shown, targets, target, taken, follows, whole }: Choice): Intent | null {
  const goes = targets[target];
  if (!shown?.source || !chosen || !goes) return null;
  const { page, gallery } = goes;
  return {
    kind: 'follow-list',
    page,
    gallery,
    source: shown.source,
    text: chosen.text,
    take: [...taken],
    keep: follows,
    whole,
  };
}

function saysStanding({ pictures, differences, follows }: ComparedView): string {
  const listed = countOf(pictures, 'picture');
  if (differences.length > 0) return `${listed} in the list, ${countOf(differences.length, 'difference')}`;
  return follows ? `${listed} in the list; the gallery shows just that` : `${listed} in the list, no difference`;
}

/** New pictures alone are added; whatever else there is is a difference. */
function saysAction(shown: ComparedView | null, taken: ReadonlySet<string>): string {
  const kinds = new Set<Difference['kind']>(
    shown?.differences.flatMap(({ id, kind }) => (taken.has(id) ? [kind] : [])) ?? [],
  );
  if (taken.size === 0) return 'Follow this list';
  return kinds.size === 1 && kinds.has('added')
    ? `Add ${countOf(taken.size, 'picture')}`
    : `Take over ${countOf(taken.size, 'difference')}`;
}

interface FollowProps {
  choice: Choice;
  chosen: Chosen;
  shown: ComparedView;
}

function Follow({ choice: { follows, keep, whole, compareWhole }, chosen, shown }: FollowProps) {
  const { isEncoded, text, source } = chosen;
  return (
    <Box sx={{ mt: 1.5 }}>
      <FormControlLabel
        control={<Checkbox size="small" checked={follows} disabled={isEncoded} onChange={(_, on) => keep(on)} />}
        label="Follow this list: tell me when it differs from the gallery"
      />
      <Box sx={{ color: color('stone'), fontSize: '0.8125rem' }}>
        {isEncoded && 'Only a list in UTF-8 can be followed. Save it as UTF-8 and import it again.'}
        {text !== null && !isEncoded && follows && `${source.path} becomes a file of the site.`}
      </Box>
      {shown.follows && (
        <FormControlLabel
          control={<Checkbox size="small" checked={whole} onChange={(_, on) => compareWhole(on)} />}
          label="Show also what was left or changed on the page before"
        />
      )}
    </Box>
  );
}
