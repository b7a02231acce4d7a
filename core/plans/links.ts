/** Where links lead, by choosing: relative paths are computed and never typed. */
import { setLink, valueOf } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import { nameOf, planEdits, type Planned, refuse, relativeReference, type Result } from '../site/index.ts';
import type { LinkTarget } from './intent.ts';

type Href = Result<{ href: string; says: string }>;

const bad = (reason: string): Href => ({ ok: false, reason });

/** RFC 6068 §2 and RFC 3966 §3, as far as people write them by hand. */
const MAIL = /^[^\s@<>"?&]+@[^\s@<>"?&]+\.[^\s@<>"?&.]{2,}$/;
const PHONE = /^\+?[\d\s().-]{3,30}$/;

function hrefFor(site: SiteReading, page: string, target: LinkTarget): Href {
  switch (target.to) {
    case 'file': {
      if (!site.files.has(target.path)) return bad(`There is no ${target.path} any more.`);
      if (target.anchor === undefined)
        return { ok: true, href: relativeReference(page, target.path), says: target.path };
      const other = site.pages.find(({ path }) => path === target.path);
      if (!other?.document.elements.some((element) => valueOf(element, 'id') === target.anchor))
        return bad(`${target.path} has no element with the id “${target.anchor}”.`);
      const anchor = `#${encodeURIComponent(target.anchor)}`;
      return {
        ok: true,
        href: target.path === page ? anchor : relativeReference(page, target.path) + anchor,
        says: `${target.path}, ${target.anchor}`,
      };
    }
    case 'address': {
      const written = target.url.trim();
      if (!/^https?:\/\//i.test(written))
        return bad(
          `“${written}” does not say how it is reached: begin it with https://. Without that a browser would look for a file of that name, or fail when the page is opened from disk.`,
        );
      const url = URL.canParse(written) ? new URL(written) : null;
      return url && url.hostname !== ''
        ? { ok: true, href: written, says: url.hostname }
        : bad(`“${written}” is no address of the web.`);
    }
    case 'mail':
      return MAIL.test(target.address.trim())
        ? { ok: true, href: `mailto:${target.address.trim()}`, says: target.address.trim() }
        : bad(`“${target.address}” is no mail address.`);
    case 'phone': {
      const number = target.number.trim();
      return PHONE.test(number) && /\d{3}/.test(number.replace(/\D/g, ''))
        ? { ok: true, href: `tel:${number.replace(/[^\d+]/g, '')}`, says: number }
        : bad(`“${number}” is no telephone number.`);
    }
  }
}

/** `at` are offsets of the page's source: inside of a link, or the words that become one. */
export function linkTo(
  site: SiteReading,
  { page: path, at, target }: { page: string; at: { start: number; end: number }; target: LinkTarget },
): Planned {
  const page = site.pages.find((one) => one.path === path);
  if (!page || at.end > page.text.length || at.end < at.start)
    return refuse(`${path} has changed meanwhile; choose the place again.`);
  const href = hrefFor(site, path, target);
  return href.ok ? planEdits(`Link to ${nameOf(href.says)}`, path, setLink(page.document, at, href.href)) : href;
}
