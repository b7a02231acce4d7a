/**
 * Holds the files of one open site on the preview origin and hands them to the service worker.
 * The site's token is a capability: it stands in every preview address and is proved in every answer,
 * so that a page of another site can neither ask for these files nor answer in this bridge's place.
 */

void (() => {
  const files = new Map<string, Blob>();
  let token = '';
  let key = '';

  async function digest(text: string): Promise<string> {
    const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text)));
    return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  }

  const tell = (message: object) => window.parent.postMessage({ from: 'bridge', ...message }, APPLICATION_ORIGIN);

  window.addEventListener('message', (event: MessageEvent) => {
    if (event.origin !== APPLICATION_ORIGIN || event.source !== window.parent) return;
    const message = event.data as { type?: string; token?: string; files?: [string, Blob | null][] };
    if (message.type === 'open' && message.token) {
      files.clear();
      token = message.token;
      void digest(`ask ${token}`).then((hash) => (key = hash));
    }
    for (const [path, blob] of message.files ?? []) {
      if (blob) files.set(path, blob);
      else files.delete(path);
    }
    if (token !== '') void digest(`ask ${token}`).then(() => tell({ type: 'taken', count: files.size }));
  });

  navigator.serviceWorker.addEventListener('message', (event: MessageEvent) => {
    const [port] = event.ports;
    const ask = event.data as { type?: string; key?: string; path?: string };
    if (!port || ask.type !== 'file' || ask.key !== key || key === '') return;
    const path = ask.path ?? '';
    const blob = files.get(path);
    if (!blob) tell({ type: 'missing', path });
    port.postMessage({
      token,
      blob: blob ?? null,
      folder: blob ? false : [...files.keys()].some((name) => name.startsWith(`${path}/`)),
    });
  });
  navigator.serviceWorker.startMessages();

  // A worker that is there already need not wait for the look whether there is a newer one.
  navigator.serviceWorker
    .register('/worker.js', { scope: '/' })
    .catch((error: unknown) => tell({ type: 'failed', reason: String(error) }));
  void navigator.serviceWorker.ready.then(() => tell({ type: 'ready' }));
})();
