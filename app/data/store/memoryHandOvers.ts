/** What the store in memory holds of what left to be uploaded. */
import type { HandOverRecord } from './records';
import { MOST_HAND_OVERS, type HandOverStore } from './store';

/** `forget` goes with the site. */
export function memoryHandOvers(): HandOverStore & { forget: (siteId: string) => void } {
  const handOvers = new Map<string, HandOverRecord[]>();
  return {
    forget: (siteId) => void handOvers.delete(siteId),
    readHandOvers: (siteId) => Promise.resolve([...(handOvers.get(siteId) ?? [])]),
    saveHandOver: (handOver) => {
      const others = (handOvers.get(handOver.siteId) ?? []).filter(({ at }) => at !== handOver.at);
      const all = [handOver, ...others].sort((a, b) => b.at - a.at);
      handOvers.set(handOver.siteId, all.slice(0, MOST_HAND_OVERS));
      return Promise.resolve();
    },
  };
}
