/**
 * Holds the files of one open site on the preview origin and hands them to the service worker.
 * The site's token is a capability: it stands in every preview address and is proved in every answer,
 * so that a page of another site can neither ask for these files nor answer in this bridge's place.
 */
import { ToBridge, type FromBridge } from '../protocol/bridge.ts';
import type { Unsigned } from '../protocol/unsigned.ts';
import { FileQuestion, type FileAnswer } from '../protocol/worker.ts';

interface Trial extends Pick<FileAnswer, 'token' | 'manner'> {
  key: string;
  files: ReadonlyMap<string, Blob | null>;
}

void (() => {
  const files = new Map<string, Blob>();
  let token = '';
  let key = '';
  let outside = false;
  /** The files of the site that are otherwise in what is tried. */
  let trial: Trial | null = null;

  async function digest(text: string): Promise<string> {
    const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text)));
    return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  }

  const tell = (message: Unsigned<FromBridge>) =>
    window.parent.postMessage({ from: 'bridge', ...message } satisfies FromBridge, APPLICATION_ORIGIN);

  window.addEventListener('message', (event: MessageEvent) => {
    if (event.origin !== APPLICATION_ORIGIN || event.source !== window.parent) return;
    const { data: message } = ToBridge.safeParse(event.data);
    if (!message) return;
    if (message.type === 'trial') {
      const tried = message;
      void digest(`ask ${tried.token}`).then((hash) => {
        trial = { ...tried, key: hash, files: new Map(tried.files) };
        tell({ type: 'trial', token: tried.token });
      });
      return;
    }
    if (message.type === 'outside') {
      outside = message.allowed;
      return;
    }
    if (message.type === 'open') {
      files.clear();
      token = message.token;
      outside = message.outside;
      void digest(`ask ${token}`).then((hash) => (key = hash));
    }
    for (const [path, blob] of message.files) {
      if (blob) files.set(path, blob);
      else files.delete(path);
    }
    if (token !== '') void digest(`ask ${token}`).then(() => tell({ type: 'taken' }));
  });

  /** What is answered to a question for a file; null where it is of another site. */
  function answerTo({ key: asked, path }: FileQuestion): FileAnswer | null {
    const tried = trial !== null && asked === trial.key ? trial : null;
    if (!tried && (asked !== key || key === '')) return null;
    const blob = (tried?.files.has(path) ? tried.files.get(path) : files.get(path)) ?? null;
    const folder = blob === null && [...files.keys()].some((name) => name.startsWith(`${path}/`));
    const passing = tried !== null;
    return { token: tried?.token ?? token, blob, folder, outside, passing, manner: tried?.manner ?? null };
  }

  navigator.serviceWorker.addEventListener('message', (event: MessageEvent) => {
    const [port] = event.ports;
    const { data: question } = FileQuestion.safeParse(event.data);
    const answer = question ? answerTo(question) : null;
    if (port && answer) port.postMessage(answer);
  });
  navigator.serviceWorker.startMessages();

  // A worker that is there already need not wait for the look whether there is a newer one.
  navigator.serviceWorker
    .register('/worker.js', { scope: '/' })
    .catch((error: unknown) => tell({ type: 'failed', reason: String(error) }));
  void navigator.serviceWorker.ready.then(() => tell({ type: 'ready' }));
})();
