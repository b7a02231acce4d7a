/** The accessibility of all pages, looked at one after the other out of sight when somebody asks for it. */
import { useCallback, useRef, useState } from 'react';
import type { AuditedRule } from '~protocol/probe.ts';
import { auditedIn } from '../../ui/preview/measure';
import { usePreview } from '../../ui/preview/PreviewProvider';
import { useSite } from '../../ui/site/openSite';

/** Of the window that pages are looked at in; CSS px (common practice, no source). */
export const AUDIT_WIDTH = 1280;

export interface PageAudit {
  page: string;
  /** Null where nobody could look. */
  rules: readonly AuditedRule[] | null;
}

interface AllAudited {
  /** As far as they have been looked at, for the site as it is; null where nobody has asked. */
  pages: readonly PageAudit[] | null;
  /** The page that is being looked at, and its number among so many; null where none is. */
  at: { page: string; number: number; of: number } | null;
  start: () => void;
  stop: () => void;
}

export function useAllAudited(): AllAudited {
  const { view, version } = useSite().site;
  const { address } = usePreview();
  const [done, setDone] = useState<{ version: number; pages: readonly PageAudit[] } | null>(null);
  const [at, setAt] = useState<AllAudited['at']>(null);
  const run = useRef(0);
  const stop = useCallback(() => {
    run.current++;
    setAt(null);
  }, []);
  const look = async () => {
    const own = ++run.current;
    const pages: PageAudit[] = [];
    for (const [n, { path }] of view.pages.entries()) {
      setAt({ page: path, number: n + 1, of: view.pages.length });
      const rules = await auditedIn(address(path), AUDIT_WIDTH);
      if (own !== run.current) return;
      pages.push({ page: path, rules });
      setDone({ version, pages: [...pages] });
    }
    setAt(null);
  };
  const pages = done?.version === version ? done.pages : null;
  return { pages, at, start: () => void look(), stop };
}
