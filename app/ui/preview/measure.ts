/** A page looked at in a window of a given width, out of sight. */
import type { Box } from '~core/style/index.ts';
import { FromProbe, type ToProbe } from '~protocol/probe.ts';
import { MessageBudget } from './messageBudget';
import { SANDBOX } from './useProbe';

/** A page that takes longer says nothing; ms. */
const PATIENCE = 8000;

const OUT_OF_SIGHT = 'position:fixed;left:-100000px;top:0;height:900px;border:0;visibility:hidden';

/** Null where the page does not answer in time. Elements that it does not have are left out. */
export const measured = (url: string, width: number, elements: readonly number[][]): Promise<Box[] | null> =>
  answered(url, width, { type: 'measure', elements: elements.map((element) => [...element]) }, (report) =>
    report.type === 'measured' ? report.boxes.flatMap((box) => (box ? [box] : [])) : null,
  );

export type Weighed = Extract<FromProbe, { type: 'weighed' }>;

/** Where pictures stand before they have come; null where the page does not answer in time. */
export const placedIn = (url: string, width: number): Promise<Weighed['images'] | null> =>
  answered(url, width, { type: 'weigh', whole: false }, (report) => (report.type === 'weighed' ? report.images : null));

/** How wide pictures are once all are there; null where that takes too long. */
export const shownIn = (url: string, width: number): Promise<Weighed['images'] | null> =>
  answered(url, width, { type: 'weigh', whole: true }, (report) => (report.type === 'weighed' ? report.images : null));

type Audited = Extract<FromProbe, { type: 'audited' }>;

/** A page with thousands of elements is looked at for long; ms. */
const AUDIT_PATIENCE = 40_000;

/** Rules of accessibility that a page breaks; null where it lets nobody look, or does not answer in time. */
export async function auditedIn(url: string, width: number): Promise<Audited['rules']> {
  const take = (report: FromProbe) => (report.type === 'audited' ? report : null);
  const report = await answered(url, width, { type: 'audit' }, take, AUDIT_PATIENCE);
  return report?.rules ?? null;
}

/** Asks a page that is loaded for this alone; `take` gives null of every report that is not the answer. */
function answered<T>(
  url: string,
  width: number,
  ask: ToProbe,
  take: (report: FromProbe) => T | null,
  patience = PATIENCE,
): Promise<T | null> {
  const frame = document.createElement('iframe');
  frame.setAttribute('sandbox', SANDBOX);
  frame.setAttribute('aria-hidden', 'true');
  frame.title = 'Copy of a page on which something is measured';
  frame.tabIndex = -1;
  frame.style.cssText = `${OUT_OF_SIGHT};width:${width}px`;
  frame.src = url;
  const { origin } = new URL(url);
  return new Promise((resolve) => {
    const budget = new MessageBudget(performance.now());
    const done = (answer: T | null) => {
      clearTimeout(late);
      window.removeEventListener('message', hear);
      frame.remove();
      resolve(answer);
    };
    const hear = (event: MessageEvent) => {
      if (event.origin !== origin || event.source !== frame.contentWindow || !budget.take(performance.now())) return;
      const report = FromProbe.safeParse(event.data);
      if (!report.success) return;
      if (report.data.type === 'hello') frame.contentWindow?.postMessage(ask, origin);
      const answer = take(report.data);
      if (answer !== null) done(answer);
    };
    const late = setTimeout(() => done(null), patience);
    window.addEventListener('message', hear);
    document.body.append(frame);
  });
}
