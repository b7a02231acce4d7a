/** Elements of a page measured in a window of a given width, out of sight. */
import type { Box } from '~core/style/index.ts';
import { FromProbe, type ToProbe } from '~protocol/probe.ts';
import { MessageBudget } from './messageBudget';
import { SANDBOX } from './useProbe';

/** A page that takes longer says nothing; ms. */
const PATIENCE = 6000;

const OUT_OF_SIGHT = 'position:fixed;left:-100000px;top:0;height:900px;border:0;visibility:hidden';

/** Null where the page does not answer in time. Elements that it does not have are left out. */
export function measured(url: string, width: number, elements: readonly number[][]): Promise<Box[] | null> {
  const frame = document.createElement('iframe');
  frame.setAttribute('sandbox', SANDBOX);
  frame.setAttribute('aria-hidden', 'true');
  frame.title = 'Copy of a page on which a setting is tried';
  frame.tabIndex = -1;
  frame.style.cssText = `${OUT_OF_SIGHT};width:${width}px`;
  frame.src = url;
  const { origin } = new URL(url);
  const ask: ToProbe = { type: 'measure', elements: elements.map((element) => [...element]) };
  return new Promise((resolve) => {
    const budget = new MessageBudget(performance.now());
    const done = (boxes: Box[] | null) => {
      clearTimeout(late);
      window.removeEventListener('message', hear);
      frame.remove();
      resolve(boxes);
    };
    const hear = (event: MessageEvent) => {
      if (event.origin !== origin || event.source !== frame.contentWindow || !budget.take(performance.now())) return;
      const report = FromProbe.safeParse(event.data);
      if (!report.success) return;
      if (report.data.type === 'hello') frame.contentWindow?.postMessage(ask, origin);
      else if (report.data.type === 'measured') done(report.data.boxes.flatMap((box) => (box ? [box] : [])));
    };
    const late = setTimeout(() => done(null), PATIENCE);
    window.addEventListener('message', hear);
    document.body.append(frame);
  });
}
