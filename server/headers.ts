/** Response headers that keep the application and the preview apart. */
import { SHARED_HEADERS } from '../protocol/headers.ts';

interface Others {
  preview: string;
  /** Null where there is none. */
  testHost: string | null;
}

/**
 * The application runs only its own files and what carries the request's nonce; it frames only the preview origin and
 * the test host, and speaks to that.
 */
export function applicationHeaders(
  nonce: string,
  { preview, testHost }: Others,
  development: boolean,
): Record<string, string> {
  const host = testHost === null ? '' : ` ${testHost}`;
  const policy = {
    'default-src': "'none'",
    'script-src': `'self' 'nonce-${nonce}' 'wasm-unsafe-eval'`,
    'style-src': `'self' 'nonce-${nonce}'`,
    // React writes style attributes into the first HTML; they can carry no script.
    'style-src-attr': "'unsafe-inline'",
    'img-src': "'self' blob: data:",
    'media-src': 'blob:',
    'font-src': "'self'",
    'connect-src': `'self'${host}`,
    'worker-src': "'self'",
    'frame-src': `${preview}${host}`,
    'base-uri': "'none'",
    'form-action': "'self'",
    'frame-ancestors': "'none'",
  };
  return {
    ...SHARED_HEADERS,
    // Vite's development client needs inline scripts and styles of its own, so the policy holds for builds.
    'Content-Security-Policy': development
      ? "frame-ancestors 'none'"
      : Object.entries(policy)
          .map(([name, value]) => `${name} ${value}`)
          .join('; '),
    // A page in the preview frame must not keep a hold on the application through windows that it opens.
    'Cross-Origin-Opener-Policy': 'same-origin',
    'Referrer-Policy': 'same-origin',
  };
}

/** What the preview server itself answers with; a previewed site's own files are answered by its service worker. */
export function previewHeaders(application: string): Record<string, string> {
  return {
    ...SHARED_HEADERS,
    'Cache-Control': 'no-store',
    'Content-Security-Policy': `default-src 'none'; script-src 'self'; connect-src 'self'; frame-ancestors ${application}`,
    'Referrer-Policy': 'no-referrer',
    'Service-Worker-Allowed': '/',
  };
}
