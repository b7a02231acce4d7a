import { STATES } from '../markup/index.ts';
import { notesChange } from '../model/index.ts';
import { countOf, nameOf } from '../site/index.ts';
import { markerName, startWritten, unknownViewer } from '../wiring/index.ts';
import { placeIn, type Observation, type Rule } from './finding.ts';

/** A script that its author has pasted in by hand: what it answers can be checked as soon as it is known. */
export const viewerUnknown: Rule = {
  id: 'viewer-unknown',
  station: 'wiring',
  title: 'The script that opens the pictures is known',
  find: (site) =>
    site.pages.flatMap((page): Observation[] => {
      const found = unknownViewer(site, page);
      if (!found) return [];
      const { kit, include, answered } = found;
      const { manifest } = kit;
      const name = nameOf(include.path ?? manifest.title);
      const by = [markerName(manifest), manifest.start ? startWritten(manifest.start, '…') : ''].filter(Boolean);
      return [
        {
          matter: `${page.path}:${include.written ?? name}`,
          severity: 'warning',
          says: `${name} opens ${countOf(answered, 'picture')} of this page, and it is not one of your viewers yet.`,
          why: `Until then its links, groups and start call are not checked. The script and this page tell how it is used: ${by.join(', ')}.`,
          place: placeIn(page, include.element.range),
          strand: null,
          joint: 'viewer',
          fixes: [
            {
              kind: 'change',
              label: 'Add the script to your viewers',
              plan: () => ({
                ok: true,
                change: {
                  label: `Add ${manifest.title} to the viewers`,
                  files: notesChange(site, { kits: [...site.notes.known.kits, manifest] }),
                },
              }),
              states: STATES.nothing,
            },
          ],
        },
      ];
    }),
};
