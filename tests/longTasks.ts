/** What keeps a page's main thread, from a trace of the browser. */
import type { Page } from '@playwright/test';

/** What a task on the main thread may take; ms (W3C Long Tasks). */
export const LONG_TASK = 50;

export interface TaskTime {
  /**
   * By the clock, and what the thread itself computed: where others take the processor away, a task is long without
   * doing anything. ms.
   */
  wall: number;
  cpu: number;
}

interface Trace {
  traceEvents: {
    name: string;
    ph: string;
    pid: number;
    tid: number;
    dur?: number;
    tdur?: number;
    args?: { data?: { message?: string } };
  }[];
}

/**
 * What the page says of itself in the trace, so that its thread is known from those of workers and of pages of other
 * origins within it.
 */
const MARK = 'the page’s own thread';

/**
 * Does work while the browser traces; gives the tasks of the page's main thread above {@link LONG_TASK} by the clock.
 */
export async function tracing<T>(page: Page, work: () => Promise<T>): Promise<{ made: T; tasks: TaskTime[] }> {
  const browser = page.context().browser();
  if (!browser) throw new Error('The page has no browser to trace.');
  await browser.startTracing(page, { categories: ['toplevel', 'devtools.timeline'] });
  await page.evaluate((mark) => console.timeStamp(mark), MARK);
  const made = await work();
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as Trace;
  const own = traceEvents.find(({ name, args }) => name === 'TimeStamp' && args?.data?.message === MARK);
  const all = traceEvents.filter(
    ({ name, ph, pid, tid }) =>
      ph === 'X' && name === 'ThreadControllerImpl::RunTask' && pid === own?.pid && tid === own.tid,
  );
  if (all.length === 0) throw new Error('The trace holds no task of the page’s own thread.');
  return {
    made,
    tasks: all
      .map(({ dur = 0, tdur = 0 }) => ({ wall: dur / 1000, cpu: tdur / 1000 }))
      .filter(({ wall }) => wall > LONG_TASK),
  };
}
