/** Where links lead: those inside of the site were followed; those to elsewhere are listed and never asked for. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { countOf } from '~core/site/index.ts';
import { Mono, Panel } from '../../ui/parts/small';
import { PlaceLink } from '../../ui/parts/pressable';
import { useShowSource, useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';
import { MESSAGE_HEAD, MESSAGE_TITLE } from './messageStyles';

const ROW = { px: 1.75, py: 0.75, borderTop: `1px solid ${color('hair')}`, fontSize: '0.8125rem' };

const PLACES = { display: 'flex', flexWrap: 'wrap', gap: '2px 10px' };

/** Whoever wants more asks for them. */
const SHOWN = 30;

/** More places of one address say nothing new. */
const MOST_PLACES = 6;

export function Links() {
  const { insideLinks, outsideLinks } = useSite().site.view;
  const [all, setAll] = useState(false);
  const showSource = useShowSource();
  const shown = all ? outsideLinks : outsideLinks.slice(0, SHOWN);
  const followed = `${countOf(insideLinks, 'link')} inside the site, all followed`;
  const hosts = countOf(outsideLinks.length, 'address', 'addresses');
  return (
    <Panel label="Links" sx={{ minWidth: 0 }}>
      <Box sx={MESSAGE_HEAD}>
        <Box component="h2" sx={MESSAGE_TITLE}>
          Links
        </Box>
        <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>
          {outsideLinks.length === 0 ? followed : `${followed}; ${hosts} on other hosts, not asked for`}
        </Box>
      </Box>
      {shown.length > 0 && (
        <Box component="ul" aria-label="Links to other hosts" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {shown.map(({ address, places }) => (
            <Box component="li" key={address} sx={ROW}>
              <Box sx={{ overflowWrap: 'anywhere' }}>{address}</Box>
              <Box sx={PLACES}>
                {places.slice(0, MOST_PLACES).map(({ path, line, start }) => (
                  <PlaceLink key={`${path} ${start}`} onClick={() => showSource(path, start)}>
                    <Mono>{`${path}:${line}`}</Mono>
                  </PlaceLink>
                ))}
                {places.length > MOST_PLACES && <Box>{`and ${places.length - MOST_PLACES} more`}</Box>}
              </Box>
            </Box>
          ))}
        </Box>
      )}
      {shown.length < outsideLinks.length && (
        <Button sx={{ m: 1.25 }} onClick={() => setAll(true)}>{`Show all ${hosts}`}</Button>
      )}
    </Panel>
  );
}
