/** Lists of pictures that a script of the page draws: what they show, where they stand, and how they go on. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ScriptList } from '~core/plans/index.ts';
import { countOf } from '~core/site/index.ts';
import type { PageView } from '~core/view/index.ts';
import { PlaceLink } from '../../ui/parts/pressable';
import { Mono, Panel, Picture } from '../../ui/parts/small';
import { useShowSource, useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';
import { asPictures, unplacedPairs } from './PairChoice';

/** So many pictures tell which list it is. */
const MOST_SHOWN = 6;

const STRIP = { display: 'flex', alignItems: 'center', flexWrap: 'wrap', gap: 1.5, px: 1.75, py: 1, mb: 1.5 } as const;
const PICTURES = { display: 'flex', gap: 0.5, alignItems: 'center' } as const;

export function ScriptLists({ page }: { page: PageView }) {
  const { site } = useSite();
  return site.view.scriptLists
    .filter(({ pages }) => pages.includes(page.path))
    .map((list) => <OneList key={`${list.path} ${list.at}`} list={list} />);
}

function OneList({ list: { path, at, line, name, entries } }: { list: ScriptList }) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const showSource = useShowSource();
  const listed = new Set(entries.flat());
  const unplaced = unplacedPairs(site.view.pairs).filter(
    ({ full, thumbnail }) => !listed.has(full) && !listed.has(thumbnail ?? ''),
  );
  const shown = entries.flatMap(([first]) => first ?? []).slice(0, MOST_SHOWN);
  return (
    <Panel label={`List of pictures in ${path}`} sx={STRIP}>
      <Box sx={PICTURES}>
        {shown.map((file) => (
          <Picture key={file} path={file} width={44} height={32} />
        ))}
      </Box>
      <Box sx={{ flex: 1, minWidth: 180, color: color('stone') }}>
        {`${countOf(entries.length, 'picture')}, drawn by a script from ${name === null ? 'a list' : `“${name}”`}: `}
        <PlaceLink onClick={() => showSource(path, at)}>
          <Mono>{`${path}, line ${line}`}</Mono>
        </PlaceLink>
      </Box>
      <Button
        disabled={busy || site.readOnly || unplaced.length === 0}
        onClick={() => intent({ kind: 'add-to-list', path, at, pictures: asPictures(unplaced) })}
      >
        {unplaced.length === 0 ? 'No pairs to add' : `Add ${countOf(unplaced.length, 'pair')} to it`}
      </Button>
    </Panel>
  );
}
