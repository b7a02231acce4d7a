/** Hears the probe of the page in a frame, and tells it things. */
import { useCallback, useEffect, useRef, type RefObject } from 'react';
import { FromProbe, type ToProbe } from '~protocol/probe.ts';
import { MessageBudget } from './messageBudget';

/**
 * What the page's own scripts may do; they never get at the application, which lives on another origin. No dialogs and
 * no downloads: the probe tells of them.
 */
export const SANDBOX = 'allow-scripts allow-same-origin allow-forms allow-popups';

/** Messages of the page are checked: it could forge them, so nothing but showing depends on them. */
export function useProbe(
  frame: RefObject<HTMLIFrameElement | null>,
  origin: string,
  hear: (report: FromProbe) => void,
): (message: ToProbe) => void {
  const latest = useRef(hear);
  useEffect(() => {
    latest.current = hear;
  });
  useEffect(() => {
    const budget = new MessageBudget(performance.now());
    const listen = (event: MessageEvent) => {
      // What a message holds is only built when it is looked at.
      if (event.origin !== origin || event.source !== frame.current?.contentWindow || !budget.take(performance.now()))
        return;
      const report = FromProbe.safeParse(event.data);
      if (report.success) latest.current(report.data);
    };
    window.addEventListener('message', listen);
    return () => window.removeEventListener('message', listen);
  }, [frame, origin]);
  return useCallback((message: ToProbe) => frame.current?.contentWindow?.postMessage(message, origin), [frame, origin]);
}
