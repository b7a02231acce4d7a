/** Where links lead, by choosing: relative paths are computed and never typed. */
import { setLink, valueOf } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import { nameOf, planEdits, type Planned, refuse, relativeReference, type Result } from '../site/index.ts';
import type { LinkTarget } from './intent.ts';

type Href = Result<{ href: string; says: string }>;

/** RFC 6068 §2 and RFC 3966 §3, as far as people write them by hand. */
const MAIL = /^[^\s@<>"?&]+@[^\s@<>"?&]+\.[^\s@<>"?&.]{2,}$/;
const PHONE = /^\+?[\d\s().-]{3,30}$/;

function hrefFor(site: SiteReading, page: string, target: LinkTarget): Href {
  switch (target.to) {
    case 'file':
      return toFile(site, page, target.path, target.anchor);
    case 'address':
      return toAddress(target.url.trim());
    case 'mail':
      return toMail(target.address.trim());
    case 'phone':
      return toPhone(target.number.trim());
  }
}

function toFile(site: SiteReading, page: string, path: string, id: string | undefined): Href {
  if (!site.files.has(path)) return refuse(`There is no ${path} any more.`);
  const base = site.bases.get(page) ?? page;
  if (id === undefined) return { ok: true, href: relativeReference(base, path), says: path };
  const other = site.pages.find((one) => one.path === path);
  if (!other?.document.elements.some((element) => valueOf(element, 'id') === id))
    return refuse(`${path} has no element with the id “${id}”.`);
  const anchor = `#${encodeURIComponent(id)}`;
  // With a `base`, a sign alone leads to the base and not to its own page.
  const href = path === page && base === page ? anchor : relativeReference(base, path) + anchor;
  return { ok: true, href, says: `${path}, ${id}` };
}

function toAddress(written: string): Href {
  if (!/^https?:\/\//i.test(written))
    return refuse(
      `“${written}” does not say how it is reached: begin it with https://. Without that a browser would look for a file of that name, or fail when the page is opened from disk.`,
    );
  const host = URL.canParse(written) ? new URL(written).hostname : '';
  return host === '' ? refuse(`“${written}” is no address of the web.`) : { ok: true, href: written, says: host };
}

const toMail = (address: string): Href =>
  MAIL.test(address)
    ? { ok: true, href: `mailto:${address}`, says: address }
    : refuse(`“${address}” is no mail address.`);

function toPhone(number: string): Href {
  const isNumber = PHONE.test(number) && /\d{3}/.test(number.replace(/\D/g, ''));
  return isNumber
    ? { ok: true, href: `tel:${number.replace(/[^\d+]/g, '')}`, says: number }
    : refuse(`“${number}” is no telephone number.`);
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
