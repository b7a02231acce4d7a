/** What a station shows, one at a time; the address says which, so that it can be gone back to. */
import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import type { ReactNode } from 'react';
import { useSite } from '../site/openSite';

/** No higher than a line, for what the station is about is what counts. */
const TABS_STYLE = {
  mb: 1.5,
  minHeight: 30,
  '& .MuiTab-root': { minHeight: 30, minWidth: 0, px: 0, py: 0.5, mr: 2.5, textTransform: 'none' },
} as const;

const PANEL = { flex: 1, minWidth: 0 };

interface StationTabsProps {
  /** Of all of them. */
  label: string;
  /** The first is shown where the address names none. */
  tabs: readonly { id: string; says: string }[];
  shown: string;
  /** Without them what is shown stands alone. */
  bar?: boolean;
  children: ReactNode;
}

export function StationTabs({ label, tabs, shown, bar = true, children }: StationTabsProps) {
  const { go } = useSite();
  return (
    <>
      {bar && (
        <Tabs
          value={shown}
          aria-label={label}
          onChange={(_event, id: string) => go({ tab: id === tabs[0]?.id ? null : id })}
          sx={TABS_STYLE}
        >
          {tabs.map(({ id, says }) => (
            <Tab key={id} value={id} id={`tab-${id}`} aria-controls="shown-tab" label={says} disableRipple />
          ))}
        </Tabs>
      )}
      <Box role="tabpanel" id="shown-tab" aria-labelledby={bar ? `tab-${shown}` : undefined} sx={PANEL}>
        {children}
      </Box>
    </>
  );
}
