/** Which viewer a page is wired with: chosen from the kits, with what would change shown before it is written. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState, type KeyboardEvent, type ReactNode } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { countOf } from '~core/site/index.ts';
import type { KitView, PageView } from '~core/view/index.ts';
import { opensOnClick } from '~core/wiring/index.ts';
import { Mono, Tag } from '../../ui/parts/small';
import { changesOf, PlanShown, usePlan } from '../../ui/parts/PlanShown';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';
import { Pressable, PlaceLink } from '../../ui/parts/pressable';
import { inHand } from '../../ui/parts/inHand';

const KINDS: readonly [KitView['kind'], string][] = [
  ['viewer', 'Built-in viewers'],
  ['own', 'Your own scripts'],
  ['practice', 'Practice scripts'],
];

interface Wish {
  says: string;
  intent: Intent;
}

/** What can be done with a kit on a page, in the order in which it is likely to be meant. */
function wishesFor(kit: KitView, page: PageView): Wish[] {
  const used = page.uses.some(({ name }) => name === kit.name);
  const wire: Wish = {
    says: used ? 'Wire the missing links' : 'Add to this page',
    intent: { kind: 'wire', page: page.path, kit: kit.name },
  };
  if (used)
    return [wire, { says: 'Remove from this page', intent: { kind: 'unwire', page: page.path, kit: kit.name } }];
  const before = opensOnClick(kit) ? page.uses.find(opensOnClick) : undefined;
  return before
    ? [
        {
          says: `Change from the ${before.name}`,
          intent: { kind: 'change-kit', page: page.path, from: before.name, to: kit.name },
        },
      ]
    : [wire];
}

/** Other pages with pictures that do not have the viewer yet; two that open pictures would answer one click. */
const pagesWithout = (kit: KitView, page: PageView, pages: readonly PageView[]): string[] =>
  pages
    .filter(({ path, galleries }) => path !== page.path && galleries.length > 0)
    .filter(({ uses }) => !uses.some((one) => one.name === kit.name || (opensOnClick(kit) && opensOnClick(one))))
    .map(({ path }) => path);

const withPages = (intent: Intent, also: readonly string[]): Intent =>
  intent.kind === 'wire' && also.length > 0 ? { ...intent, also: [...also] } : intent;

const COLUMNS = { display: 'grid', gridTemplateColumns: '300px minmax(0, 1fr)', gap: 2.5, height: 570 };

interface Props {
  page: PageView;
  onClose: () => void;
  /** Another way to a viewer than one of these. */
  onOther: (name: 'own-script' | 'pasted') => void;
}

export function KitDialog({ page, onClose, onOther }: Props) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const { kits } = site.view;
  const [chosen, setChosen] = useState(page.kit ?? page.uses[0]?.name);
  const [way, setWay] = useState(0);
  const kit = kits.find(({ name }) => name === chosen) ?? kits[0];
  const wishes = kit ? wishesFor(kit, page) : [];
  const wish = wishes[way] ?? wishes[0];
  const others = kit && wish?.intent.kind === 'wire' ? pagesWithout(kit, page, site.view.pages) : [];
  const [also, setAlso] = useState<readonly string[]>([]);
  const chosenOthers = also.filter((one) => others.includes(one));
  const plan = usePlan(wish ? withPages(wish.intent, chosenOthers) : null);
  const write = () => {
    if (wish) intent(withPages(wish.intent, chosenOthers));
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg" aria-labelledby="kit-title">
      <DialogTitle id="kit-title">{`Add a viewer to ${page.path}`}</DialogTitle>
      <DialogContent sx={COLUMNS}>
        <Kits
          page={page}
          chosen={kit?.name}
          onChoose={(name) => {
            setChosen(name);
            setWay(0);
          }}
          onOther={onOther}
        />
        <Box sx={{ minWidth: 0, overflowY: 'auto' }}>
          {kit && (
            <Chosen kit={kit} page={page} wish={wish} plan={plan}>
              <Ways wishes={wishes} way={way} onWay={setWay} />
              <OtherPages pages={others} chosen={chosenOthers} onChoose={setAlso} />
            </Chosen>
          )}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || changesOf(plan) === 0}
          onClick={write}
        >
          Apply
        </Button>
      </DialogActions>
    </Dialog>
  );
}

interface ChosenProps {
  kit: KitView;
  page: PageView;
  wish: Wish | undefined;
  plan: ReturnType<typeof usePlan>;
  /** What is to be chosen about it. */
  children: ReactNode;
}

/** The viewer in hand: what it is, what is asked of it, and what would change. */
function Chosen({ kit, page, wish, plan, children }: ChosenProps) {
  return (
    <>
      <About kit={kit} />
      {children}
      {wish && plan && <NotHandled page={page} intent={wish.intent} changes={changesOf(plan)} />}
      <PlanShown plan={plan} wished={wish !== undefined} height={kit.options.length > 0 ? 320 : 420} />
      <Options options={kit.options} />
    </>
  );
}

const OTHERS = { display: 'grid', gap: 0.75, mb: 1.5, mr: 1 };
const KIND = { fontSize: '0.78rem', fontWeight: 600, color: color('stone'), mb: 0.5 };

/** The list is one stop of Tab; arrow keys go through it. */
function throughRows(event: KeyboardEvent<HTMLElement>): void {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  const rows = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-viewer]')];
  const at = rows.findIndex((row) => row === document.activeElement);
  if (by === undefined || at < 0) return;
  event.preventDefault();
  rows[(at + by + rows.length) % rows.length]?.focus();
}

/** All kits by their kinds, the one in hand marked. */
function Kits({
  page,
  chosen,
  onChoose,
  onOther,
}: {
  page: PageView;
  chosen: string | undefined;
  onChoose: (name: string) => void;
  onOther: Props['onOther'];
}) {
  const { kits } = useSite().site.view;
  return (
    <Box role="group" aria-label="Viewer" onKeyDown={throughRows} sx={{ overflowY: 'auto', pr: 0.5 }}>
      <Box sx={OTHERS}>
        <Button onClick={() => onOther('pasted')}>Paste lines from a manual…</Button>
        <Button onClick={() => onOther('own-script')}>Import a script of your own…</Button>
      </Box>
      {KINDS.map(([kind, title]) => {
        const some = kits.filter((one) => one.kind === kind);
        return some.length === 0 ? null : (
          <Box key={kind} sx={{ mb: 1.5 }}>
            <Box sx={KIND}>{title}</Box>
            {some.map((one) => (
              <KitRow
                key={one.name}
                kit={one}
                chosen={one.name === chosen}
                used={page.uses.some(({ name }) => name === one.name)}
                onChoose={() => onChoose(one.name)}
              />
            ))}
          </Box>
        );
      })}
    </Box>
  );
}

/** Where nothing is left to write and yet not every link is answered: which, and why. */
function NotHandled({ page, intent, changes }: { page: PageView; intent: Intent; changes: number }) {
  const { site, go } = useSite();
  if (intent.kind !== 'wire' || changes > 0) return null;
  const left = site.view.strands.flatMap((strand) => {
    const reason = strand.joints.find(
      ({ name, state }) => (name === 'link' || name === 'viewer') && state === 'broken',
    );
    return strand.page === page.path && reason ? [{ strand, says: reason.says }] : [];
  });
  if (left.length === 0) return null;
  return (
    <Box sx={{ fontSize: '0.8125rem', mb: 1 }}>
      {`${countOf(left.length, 'link')} cannot be wired as written:`}
      <Box component="ul" sx={{ my: 0.5, pl: 2.5 }}>
        {left.map(({ strand, says }) => (
          <li key={strand.id}>
            <PlaceLink onClick={() => go({ station: 'markup', page: page.path, strand: strand.id })}>
              {strand.name}
            </PlaceLink>
            {`: ${says}`}
          </li>
        ))}
      </Box>
    </Box>
  );
}

function About({ kit }: { kit: KitView }) {
  return (
    <>
      <Box sx={{ fontSize: '0.8125rem', mb: 0.5 }}>{kit.says}</Box>
      <Box sx={{ fontSize: '0.78rem', color: color('stone'), mb: 1.25 }}>
        {'Marked with '}
        <Mono>{kit.marker}</Mono>
        {' · '}
        <Mono>{kit.files.join(', ')}</Mono>
      </Box>
    </>
  );
}

/** What can be done with the kit, to choose from where there is more than one way. */
function Ways({ wishes, way, onWay }: { wishes: readonly Wish[]; way: number; onWay: (way: number) => void }) {
  if (wishes.length < 2)
    return wishes.map(({ says }) => (
      <Box key={says} sx={{ fontSize: '0.8125rem', fontWeight: 600, mb: 1 }}>
        {says}
      </Box>
    ));
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      aria-label="What to do"
      value={way}
      onChange={(_event, next: number | null) => next !== null && onWay(next)}
      sx={{ mb: 1.25 }}
    >
      {wishes.map(({ says }, n) => (
        <ToggleButton key={says} value={n}>
          {says}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}

const OTHER_PAGES = { border: 0, m: 0, mb: 1.25, p: 0, fontSize: '0.8125rem' };
const PAGES = { maxHeight: 112, overflowY: 'auto', display: 'grid', mt: 0.5 };

interface OtherPagesProps {
  pages: readonly string[];
  chosen: readonly string[];
  onChoose: (pages: readonly string[]) => void;
}

/** Which other pages are wired in the same change. */
function OtherPages({ pages, chosen, onChoose }: OtherPagesProps) {
  if (pages.length === 0) return null;
  const isAll = chosen.length === pages.length;
  const change = (path: string, on: boolean) => onChoose(on ? [...chosen, path] : chosen.filter((one) => one !== path));
  return (
    <Box component="fieldset" sx={OTHER_PAGES}>
      <Box component="legend" sx={{ fontWeight: 600, p: 0 }}>
        Add to other pages too
      </Box>
      <Box sx={PAGES}>
        {pages.length > 1 && (
          <FormControlLabel
            control={
              <Checkbox
                size="small"
                checked={isAll}
                indeterminate={!isAll && chosen.length > 0}
                onChange={() => onChoose(isAll ? [] : pages)}
              />
            }
            label={`All ${pages.length} pages that do not have it`}
            slotProps={{ typography: { variant: 'body2' } }}
          />
        )}
        {pages.map((path) => (
          <FormControlLabel
            key={path}
            control={
              <Checkbox
                size="small"
                checked={chosen.includes(path)}
                onChange={({ target }) => change(path, target.checked)}
              />
            }
            label={path}
            slotProps={{ typography: { variant: 'body2' } }}
          />
        ))}
      </Box>
    </Box>
  );
}

const OPTIONS = { display: 'grid', gridTemplateColumns: 'auto minmax(0, 1fr)', gap: '4px 16px', my: 1 };

/** What the author may write beside the marker, for the manual is not always at hand. */
function Options({ options: all }: { options: KitView['options'] }) {
  const options = all.filter(({ attribute }) => attribute !== null);
  if (options.length === 0) return null;
  return (
    <Box component="details" sx={{ mt: 1.25, fontSize: '0.8125rem' }}>
      <Box
        component="summary"
        sx={{ cursor: 'pointer', fontWeight: 600, '&:focus-visible': { outline: `2px solid ${color('heather')}` } }}
      >{`Options in the markup (${options.length})`}</Box>
      <Box component="dl" sx={OPTIONS}>
        {options.map(({ attribute, says, without, values }) => (
          <Box key={attribute} sx={{ display: 'contents' }}>
            <Box component="dt">
              <Mono>{values.length > 0 ? `${attribute}="${values.join(' | ')}"` : attribute}</Mono>
            </Box>
            <Box component="dd" sx={{ m: 0, color: color('stone') }}>{`${says}; without it: ${without}`}</Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

const rowStyle = (chosen: boolean) =>
  ({
    gap: 1,
    width: '100%',
    minHeight: 32,
    px: 1.25,
    mb: 0.25,
    borderRadius: 1,
    ...inHand(chosen),
    '&:focus-visible': { outline: `2px solid ${color('heather')}` },
  }) as const;

function KitRow({
  kit,
  chosen,
  used,
  onChoose,
}: {
  kit: KitView;
  chosen: boolean;
  used: boolean;
  onChoose: () => void;
}) {
  return (
    <Pressable data-viewer aria-pressed={chosen} tabIndex={chosen ? 0 : -1} onClick={onChoose} sx={rowStyle(chosen)}>
      <Box sx={{ flex: 1, fontSize: '0.8125rem' }}>{kit.title}</Box>
      {used && <Tag tone="whole">on this page</Tag>}
    </Pressable>
  );
}
