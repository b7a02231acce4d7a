/** Asks for the accessibility of the page in this window, and leaves nothing behind in it. */
import type { Audit } from './audit.ts';
import type { AuditedRule } from './audited.ts';

const known = (): Audit | null => (window as Window & { heathmoorAudit?: Audit }).heathmoorAudit ?? null;

/** ms that the script may take to come. */
const PATIENCE = 20_000;

/** Null where the page lets no script in. */
export async function auditPage(): Promise<AuditedRule[] | null> {
  if (document.readyState !== 'complete')
    await new Promise((resolve) => window.addEventListener('load', resolve, { once: true }));
  if (!known()) await load();
  return (await known()?.()) ?? null;
}

async function load(): Promise<void> {
  const script = document.createElement('script');
  script.src = '/audit.js';
  await new Promise<void>((resolve) => {
    setTimeout(resolve, PATIENCE);
    script.addEventListener('load', () => resolve());
    script.addEventListener('error', () => resolve());
    document.head.append(script);
  });
  script.remove();
}
