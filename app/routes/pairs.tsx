import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { SiteView } from '~core/view/index.ts';
import { isLacking } from '~core/lists/index.ts';
import { countOf } from '~core/site/index.ts';
import { stationAction } from '../data/siteAction';
import { sheetIn, toSheet } from '../stations/pairs/address';
import { Alike } from '../stations/pairs/Alike';
import { AllPictures } from '../stations/pairs/all/AllPictures';
import { AllPairs } from '../stations/pairs/AllPairs';
import { Order } from '../stations/pairs/order/Order';
import { Words } from '../stations/pairs/words/Words';
import { StationHead } from '../ui/parts/small';
import { StationTabs } from '../ui/parts/tabs';
import { useSite } from '../ui/site/openSite';
import { stationLoader } from '../ui/site/stationLoader';
import { useWork } from '../ui/site/work';

export const meta = () => [{ title: 'Pairs – Heathmoor' }];

export const clientLoader = stationLoader({
  hasTab: ({ tab }) => TABS.some(({ id }) => id === tab),
  hasSheet: (place) => sheetIn(place) !== null,
});

export const clientAction = stationAction;

/** What the station shows of its pictures; the address says which, so that it can be gone back to. */
interface PictureTab {
  id: string;
  says: (view: SiteView) => string;
  show: () => ReactNode;
}

const FIRST: PictureTab = { id: 'pairs', says: () => 'Pairs', show: () => <AllPairs /> };

const TABS: readonly PictureTab[] = [
  FIRST,
  { id: 'all', says: () => 'All pictures', show: () => <AllPictures /> },
  {
    id: 'words',
    says: ({ words }) => withCount('Text and credits', words.filter(isLacking).length),
    show: () => <Words />,
  },
  { id: 'order', says: () => 'Order and names', show: () => <Order /> },
  {
    id: 'alike',
    says: ({ alike, similar }) => withCount('Duplicates', alike.length + similar.length),
    show: () => <Alike />,
  },
];

const withCount = (says: string, count: number) => (count > 0 ? `${says}, ${count}` : says);

export default function Pairs() {
  const { site, place, go } = useSite();
  const { work, busy } = useWork();
  const { pairs, loose, missing, due, unread } = site.view;
  const idle = busy || site.readOnly;
  const sure = pairs.filter((pair) => pair.state === 'sure').length;
  const unsettled = pairs.filter((pair) => pair.unsettled).length;
  const tab = TABS.find(({ id }) => id === place.tab) ?? FIRST;
  const more = due.length > missing.length;
  const counts = [
    countOf(pairs.length, 'picture'),
    `${sure} matched`,
    `${pairs.length - sure - unsettled} to check`,
    ...(loose.length > 0 ? [countOf(loose.length, 'unpaired file')] : []),
  ];
  return (
    <>
      <StationHead title="Pairs" says={counts.join(', ') + (unread > 0 ? `; ${unread} still being read` : '')}>
        {tab === FIRST && pairs.length > 0 && (
          <>
            <Button disabled={idle} onClick={() => go(toSheet({ name: 'naming' }))}>
              Naming rules
            </Button>
            <Button disabled={idle} onClick={() => go(toSheet({ name: 'sizes' }))}>
              Image sizes
            </Button>
          </>
        )}
        {more && unread === 0 && (
          <Button disabled={idle} onClick={() => work({ do: 'make', tasks: due })}>
            {`Create all sizes (${countOf(due.length, 'file')})`}
          </Button>
        )}
        {missing.length > 0 && (
          <Button
            variant="contained"
            color="primary"
            disabled={idle || unread > 0}
            onClick={() => work({ do: 'make', tasks: missing })}
          >
            {unread > 0 ? 'Reading pictures…' : `Create ${countOf(missing.length, 'missing thumbnail')}`}
          </Button>
        )}
      </StationHead>
      <StationTabs
        label="Views of the pictures"
        tabs={TABS.map(({ id, says }) => ({ id, says: says(site.view) }))}
        shown={tab.id}
        bar={pairs.length > 0}
      >
        {tab.show()}
      </StationTabs>
    </>
  );
}
