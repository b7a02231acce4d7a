/** What has happened, in few words, for those who do not see it. */
import Box from '@mui/material/Box';
import { useSyncExternalStore } from 'react';

/** Off the screen, for screen readers only. */
export const UNSEEN = {
  position: 'absolute',
  width: '1px',
  height: '1px',
  overflow: 'hidden',
  clipPath: 'inset(50%)',
} as const;

let said = '';
const hearers = new Set<() => void>();

export function announce(words: string): void {
  // The same words again are only read out where they are others to the browser.
  said = words === said ? `${words}\u00a0` : words;
  for (const hearer of hearers) hearer();
}

function listen(hearer: () => void): () => void {
  hearers.add(hearer);
  return () => hearers.delete(hearer);
}

const saidNow = (): string => said;
const saidFirst = (): string => '';

/** There from the beginning: a region that comes with its words is not read out everywhere. */
export function Announcer() {
  const words = useSyncExternalStore(listen, saidNow, saidFirst);
  return (
    <Box role="status" sx={UNSEEN}>
      {words}
    </Box>
  );
}
