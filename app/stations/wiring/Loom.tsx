/** What the page loads, in true order, on the left; its strands on the right; a thread for each link that a script really answers. */
import Box from '@mui/material/Box';
import { linkHorizontal } from 'd3-shape';
import { useLayoutEffect, useRef, useState } from 'react';
import type { Strand } from '~core/model/index.ts';
import type { IncludeView, PageView } from '~core/view/index.ts';
import { Mono, Picture, Tag, toneInk } from '../../ui/parts';
import { useChosenStrand, useSite } from '../../ui/site';
import { ink } from '../../ui/theme';

const WHEN: Record<IncludeView['when'], string> = { head: 'in the head', body: 'in the body', deferred: 'deferred: after the page is read', async: 'async: when it comes' };
const curve = linkHorizontal<{ source: [number, number]; target: [number, number] }, [number, number]>();

interface Thread {
  strand: Strand;
  from: [number, number];
  to: [number, number];
}

export function Loom({ page, strands }: { page: PageView; strands: readonly Strand[] }) {
  const { choose } = useSite();
  const chosen = useChosenStrand()?.id;
  const home = useRef<HTMLDivElement>(null);
  const [threads, setThreads] = useState<Thread[]>([]);

  useLayoutEffect(() => {
    const box = home.current;
    if (!box) return undefined;
    const measure = () => setThreads(measureThreads(box, page, strands));
    measure();
    const watcher = new ResizeObserver(measure);
    watcher.observe(box);
    return () => watcher.disconnect();
  }, [page, strands]);

  const answering = new Set(page.includes.flatMap((include) => include.answers));
  return (
    <Box ref={home} sx={{ position: 'relative', display: 'grid', gridTemplateColumns: 'minmax(280px, 380px) minmax(80px, 1fr) minmax(280px, 340px)', alignItems: 'start' }}>
      <Box component="svg" aria-hidden sx={{ position: 'absolute', inset: 0, width: '100%', height: '100%', pointerEvents: 'none' }}>
        {threads.map(({ strand, from, to }) => {
          const whole = answering.has(strand.id) && strand.joints[3]?.state !== 'broken';
          const path = curve({ source: from, target: to }) ?? '';
          const width = strand.id === chosen ? 2.6 : 1.6;
          // Where nothing answers, the thread has a gap.
          return whole ? (
            <path key={strand.id} d={path} fill="none" stroke={ink('lichen')} strokeWidth={width} opacity={0.85} />
          ) : (
            <path key={strand.id} d={path} fill="none" stroke={ink('rust')} strokeWidth={width} pathLength={100} strokeDasharray="1.2 1.6 1.2 1.6 1.2 1.6 1.2 1.6 1.2 1.6 1.2 1.6 1.2 1.6 1.2 40 1.2 1.6 1.2 1.6 1.2 1.6 1.2 1.6 1.2 1.6 1.2 1.6" />
          );
        })}
      </Box>
      <Box component="ol" aria-label="What the page loads, in order" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {page.includes.map((include, n) => (
          <Box component="li" key={`${include.shows} ${include.line}`} sx={{ mb: 1 }}>
            {include.when !== page.includes[n - 1]?.when && <Box sx={{ fontSize: '0.78rem', fontWeight: 600, color: ink('stone'), mt: n > 0 ? 2 : 0, mb: 0.75 }}>{WHEN[include.when]}</Box>}
            <Box data-include={include.line} sx={{ bgcolor: ink('paper'), border: `1px solid ${include.state === 'whole' ? ink('hair') : toneInk(include.state)}`, borderRadius: 1, px: 1.5, py: 1 }}>
              <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
                <Mono>{include.shows}</Mono>
                {include.state === 'broken' && <Tag tone="broken">broken</Tag>}
              </Box>
              <Box sx={{ fontSize: '0.78rem', color: include.state === 'whole' ? ink('stone') : toneInk(include.state) }}>{`${include.says} · line ${include.line}`}</Box>
            </Box>
          </Box>
        ))}
        {page.includes.length === 0 && <Box component="li" sx={{ color: ink('stone') }}>This page loads no script and no stylesheet.</Box>}
      </Box>
      <span />
      <Box component="ol" aria-label="Strands" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {strands.map((strand) => (
          <StrandCard key={strand.id} strand={strand} chosen={strand.id === chosen} onChoose={() => choose(strand.id)} />
        ))}
      </Box>
    </Box>
  );
}

function StrandCard({ strand, chosen, onChoose }: { strand: Strand; chosen: boolean; onChoose: () => void }) {
  const broken = strand.joints.find((joint) => joint.state === 'broken');
  return (
    <Box component="li" data-strand={strand.id} sx={{ mb: 0.75 }}>
      <Box
        component="button"
        type="button"
        aria-pressed={chosen}
        onClick={onChoose}
        sx={{ all: 'unset', boxSizing: 'border-box', width: '100%', cursor: 'pointer', display: 'flex', gap: 1.25, alignItems: 'center', bgcolor: chosen ? ink('heatherWash') : ink('paper'), border: `1px solid ${broken ? ink('rust') : ink('hair')}`, borderRadius: 1, px: 0.75, py: 0.5, '&:focus-visible': { outline: `2px solid ${ink('heather')}` } }}
      >
        <Picture path={strand.thumbnail} width={48} height={36} />
        <Box sx={{ minWidth: 0, fontSize: '0.8125rem' }}>
          <Box>{strand.name}</Box>
          <Box sx={{ fontSize: '0.75rem', color: broken ? ink('rust') : ink('stone') }}>{broken ? broken.says : strand.joints[3]?.shows}</Box>
        </Box>
      </Box>
    </Box>
  );
}

/** From the script that answers (or should) to each strand's card; CSS px in the loom's box. */
function measureThreads(box: HTMLElement, page: PageView, strands: readonly Strand[]): Thread[] {
  const script = page.includes.find((include) => include.answers.length > 0) ?? (page.kit === null ? undefined : page.includes.find((include) => include.kind === 'script'));
  const source = script && box.querySelector(`[data-include="${script.line}"]`);
  if (!source) return [];
  const origin = box.getBoundingClientRect();
  const start = source.getBoundingClientRect();
  const from: [number, number] = [start.right - origin.left, (start.top + start.bottom) / 2 - origin.top];
  return strands.flatMap((strand) => {
    const card = box.querySelector(`[data-strand="${CSS.escape(strand.id)}"]`)?.getBoundingClientRect();
    return card ? [{ strand, from, to: [card.left - origin.left, (card.top + card.bottom) / 2 - origin.top] as [number, number] }] : [];
  });
}
