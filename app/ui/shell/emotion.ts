import createCache, { type EmotionCache } from '@emotion/cache';

/** One cache for each request on the server, one for the page in the browser; the key must be the same. */
export const createEmotionCache = (nonce?: string): EmotionCache =>
  createCache({ key: 'hm', ...(nonce ? { nonce } : {}) });

/** The page's nonce as the browser still tells it to scripts: the property, not the attribute. */
export const pageNonce = (): string | undefined =>
  document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce || undefined;
