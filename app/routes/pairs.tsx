import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { SiteView } from '~core/view/index.ts';
import { stationAction } from '../data/siteAction';
import { sheetIn } from '../stations/pairs/address';
import { Alike } from '../stations/pairs/Alike';
import { AllPairs } from '../stations/pairs/AllPairs';
import { Order } from '../stations/pairs/order/Order';
import { Words } from '../stations/pairs/words/Words';
import { countOf, StationHead } from '../ui/parts/small';
import { useSite } from '../ui/site/openSite';
import { stationLoader } from '../ui/site/stationLoader';
import { useWork } from '../ui/site/work';
import { color } from '../ui/theme';

export const meta = () => [{ title: 'Pairs – Heathmoor' }];

export const clientLoader = stationLoader({
  hasTab: ({ tab }) => TABS.some(({ id }) => id === tab),
  hasSheet: (place) => sheetIn(place) !== null,
});

export const clientAction = stationAction;

/** What the station shows of its pictures; the address says which, so that it can be gone back to. */
interface Tab {
  id: string;
  says: (view: SiteView) => string;
  show: () => ReactNode;
}

const FIRST: Tab = { id: 'pairs', says: () => 'Pairs', show: () => <AllPairs /> };

const TABS: readonly Tab[] = [
  FIRST,
  {
    id: 'words',
    says: ({ words }) => withCount('Words', words.filter((row) => row.alt === null).length),
    show: () => <Words />,
  },
  { id: 'order', says: () => 'Order and names', show: () => <Order /> },
  { id: 'alike', says: ({ alike }) => withCount('Alike', alike.length), show: () => <Alike /> },
];

const withCount = (says: string, count: number) => (count > 0 ? `${says}, ${count}` : says);

export default function Pairs() {
  const { site, place, go } = useSite();
  const { work, busy } = useWork();
  const { pairs, loose, missing, due, unread } = site.view;
  const idle = busy || site.readOnly;
  const sure = pairs.filter((pair) => pair.state === 'sure').length;
  const tab = TABS.find(({ id }) => id === place.tab) ?? FIRST;
  const more = due.length > missing.length;
  return (
    <>
      <StationHead
        title="Pairs"
        says={`${countOf(pairs.length, 'picture')}, ${sure} sure, ${pairs.length - sure} to look at${loose.length > 0 ? `, ${countOf(loose.length, 'loose file')}` : ''}${unread > 0 ? `; ${unread} still being read` : ''}`}
      >
        {more && (
          <Button disabled={idle || unread > 0} onClick={() => work({ do: 'make', tasks: due })}>
            {`Make all by the recipe, ${due.length}`}
          </Button>
        )}
        {missing.length > 0 && (
          <Button
            variant="contained"
            color="primary"
            disabled={idle || unread > 0}
            onClick={() => work({ do: 'make', tasks: missing })}
          >
            {`Make ${missing.length} missing`}
          </Button>
        )}
      </StationHead>
      {pairs.length > 0 && (
        <Box
          component="nav"
          aria-label="What to see of the pictures"
          sx={{ display: 'flex', gap: 2.5, mb: 1.5, fontSize: '0.875rem' }}
        >
          {TABS.map(({ id, says }) => (
            <Box
              key={id}
              component="button"
              type="button"
              aria-current={id === tab.id ? 'page' : undefined}
              onClick={() => go({ tab: id === FIRST.id ? null : id })}
              sx={{
                font: 'inherit',
                cursor: 'pointer',
                border: 0,
                background: 'none',
                p: 0,
                minHeight: 26,
                color: id === tab.id ? color('peat') : color('stone'),
                fontWeight: id === tab.id ? 600 : 400,
                borderBottom: `2px ${id === tab.id ? 'solid' : 'dotted'} ${id === tab.id ? color('heather') : color('hair')}`,
              }}
            >
              {says(site.view)}
            </Box>
          ))}
        </Box>
      )}
      {tab.show()}
    </>
  );
}
