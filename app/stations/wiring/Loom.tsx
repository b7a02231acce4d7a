/**
 * What the page loads, in true order, on the left; its strands on the right; a thread for each picture that a script
 * really answers.
 */
import Box from '@mui/material/Box';
import { linkHorizontal } from 'd3-shape';
import { useLayoutEffect, useRef, useState } from 'react';
import type { Strand } from '~core/model/index.ts';
import type { FindingView, PageView } from '~core/view/index.ts';
import type { Prediction } from '~core/wiring/index.ts';
import type { PageRehearsal } from '../../data/session/rehearsals';
import { useChosenStrand, useSite } from '../../ui/site/openSite';
import { Fixes } from '../../ui/parts/small';
import { color } from '../../ui/theme';
import { IncludeCard, WHEN } from './IncludeCard';
import { StrandCard } from './StrandCard';

const curve = linkHorizontal<{ source: [number, number]; target: [number, number] }, [number, number]>();

interface Thread {
  key: string;
  strand: string;
  whole: boolean;
  from: [number, number];
  to: [number, number];
}

interface Props {
  page: PageView;
  strands: readonly Strand[];
  predictions: ReadonlyMap<string, Prediction>;
  rehearsal: PageRehearsal;
  /** Of the page; what is about one strand stands below its card. */
  findings: readonly FindingView[];
}

const LOOM = {
  position: 'relative',
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 380px) minmax(40px, 1fr) minmax(0, 380px)',
  alignItems: 'start',
} as const;

const THREADS = { position: 'absolute', inset: 0, width: '100%', height: '100%', pointerEvents: 'none' } as const;

export function Loom({ page, strands, predictions, rehearsal, findings }: Props) {
  const { go } = useSite();
  const chosen = useChosenStrand()?.id;
  const home = useRef<HTMLDivElement>(null);
  const [threads, setThreads] = useState<Thread[]>([]);

  useLayoutEffect(() => {
    const box = home.current;
    if (!box) return undefined;
    const measure = () => setThreads(measureThreads(box, page));
    measure();
    const watcher = new ResizeObserver(measure);
    watcher.observe(box);
    return () => watcher.disconnect();
  }, [page, strands, predictions, rehearsal, findings]);

  return (
    <Box ref={home} sx={LOOM}>
      <Box component="svg" aria-hidden sx={THREADS}>
        {threads.map((thread) => (
          <ThreadLine key={thread.key} thread={thread} chosen={thread.strand === chosen} />
        ))}
      </Box>
      <Box component="ol" aria-label="What the page loads, in order" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {page.includes.map((include, n) => (
          <Box component="li" key={`${include.shows} ${include.line}`} sx={{ mb: 1 }}>
            {include.when !== page.includes[n - 1]?.when && <Heading first={n === 0}>{WHEN[include.when]}</Heading>}
            <IncludeCard include={include} page={page.path} />
          </Box>
        ))}
        {page.includes.length === 0 && (
          <Box component="li" sx={{ color: color('stone') }}>
            This page loads no script and no stylesheet.
          </Box>
        )}
      </Box>
      <span />
      <Box component="ol" aria-label="Strands" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {strands.map((strand, n) => (
          <Box component="li" key={strand.id} data-strand={strand.id} sx={{ mb: 0.75 }}>
            {strand.gallery !== strands[n - 1]?.gallery && page.galleries.length > 1 && (
              <Heading first={n === 0}>
                {page.galleries[strand.gallery]?.heading ?? `Gallery ${strand.gallery + 1}`}
              </Heading>
            )}
            <StrandCard
              strand={strand}
              prediction={predictions.get(strand.id)}
              rehearsed={rehearsal.strands.get(strand.id)}
              stale={rehearsal.stale}
              chosen={strand.id === chosen}
              onChoose={() => go({ strand: strand.id })}
            />
            {findings
              .filter((finding) => finding.strand === strand.id)
              .map((finding) => (
                <Mended key={finding.id} finding={finding} />
              ))}
          </Box>
        ))}
      </Box>
    </Box>
  );
}

const MENDED = {
  display: 'grid',
  justifyItems: 'start',
  gap: 0.5,
  border: `1px solid ${color('rust')}`,
  borderTop: 0,
  borderRadius: '0 0 4px 4px',
  px: 1.25,
  py: 0.75,
  fontSize: '0.75rem',
  color: color('stone'),
} as const;

/** Why a strand is broken, and what fixes it, where the thread ends. */
function Mended({ finding: { id, why, fixes } }: { finding: FindingView }) {
  return (
    <Box sx={MENDED}>
      {why}
      <Fixes finding={id} fixes={fixes} />
    </Box>
  );
}

const headingStyle = (first: boolean) =>
  ({ fontSize: '0.78rem', fontWeight: 600, color: color('stone'), mt: first ? 0 : 2, mb: 0.75 }) as const;

const Heading = ({ children, first }: { children: string; first: boolean }) => (
  <Box sx={headingStyle(first)}>{children}</Box>
);

/** Where nothing answers, the thread has a gap in its middle. */
function ThreadLine({ thread, chosen }: { thread: Thread; chosen: boolean }) {
  const path = curve({ source: thread.from, target: thread.to }) ?? '';
  const width = chosen ? 2.6 : 1.6;
  if (thread.whole) return <path d={path} fill="none" stroke={color('lichen')} strokeWidth={width} opacity={0.85} />;
  return (
    <path d={path} fill="none" stroke={color('rust')} strokeWidth={width} pathLength={100} strokeDasharray={BROKEN} />
  );
}

/** Of a path that counts as 100 long: dots, a gap in its middle, dots. */
const BROKEN = `${'1.2 1.6 '.repeat(10)}1.2 40 ${'1.2 1.6 '.repeat(10)}`.trim();

/** From the script that answers, or should, to each strand's card; CSS px in the loom's box. */
function measureThreads(box: HTMLElement, page: PageView): Thread[] {
  const origin = box.getBoundingClientRect();
  const cards = new Map(
    [...box.querySelectorAll<HTMLElement>('[data-strand]')].map((card) => [
      card.dataset.strand ?? '',
      card.querySelector('button')?.getBoundingClientRect(),
    ]),
  );
  const sources = box.querySelectorAll('[data-include]');
  return page.includes.flatMap((include, n) => {
    const source = sources[n]?.getBoundingClientRect();
    if (!source) return [];
    const from: [number, number] = [source.right - origin.left, (source.top + source.bottom) / 2 - origin.top];
    const thread = (strand: string, whole: boolean): Thread[] => {
      const card = cards.get(strand);
      return card
        ? [
            {
              key: `${n} ${strand}`,
              strand,
              whole,
              from,
              to: [card.left - origin.left, (card.top + card.bottom) / 2 - origin.top],
            },
          ]
        : [];
    };
    return [
      ...include.answers.flatMap((strand) => thread(strand, true)),
      ...include.misses.flatMap((strand) => thread(strand, false)),
    ];
  });
}
