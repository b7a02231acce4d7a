import { createContext, useContext } from 'react';

/**
 * The request's nonce while the server renders. The browser hides nonces from scripts, so the client has none to
 * give.
 */
export const NonceContext = createContext<string | undefined>(undefined);
export const useNonce = (): string | undefined => useContext(NonceContext);
