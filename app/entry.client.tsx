import { CacheProvider } from '@emotion/react';
import { startTransition } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { HydratedRouter } from 'react-router/dom';
import { createEmotionCache, pageNonce } from './ui/shell/emotion';
import { NonceContext } from './ui/shell/nonce';

startTransition(() => {
  hydrateRoot(
    document,
    // Under a policy the browser shows every nonce attribute as empty, so that is what hydration must expect.
    <NonceContext.Provider value={pageNonce() === undefined ? undefined : ''}>
      <CacheProvider value={createEmotionCache(pageNonce())}>
        <HydratedRouter />
      </CacheProvider>
    </NonceContext.Provider>,
  );
});
