/**
 * Registers the service worker and loads the page again; so a first visit, a hard reload and a removed worker all
 * recover.
 */
void (async () => {
  const say = (text: string) => {
    document.body.textContent = text;
  };
  if (!('serviceWorker' in navigator)) return say('This browser does not allow the preview’s service worker here.');
  const key = 'boot-tries';
  const tries = Number(sessionStorage.getItem(key) ?? '0');
  if (tries > 3) {
    sessionStorage.removeItem(key);
    return say('The preview could not start. Close this page and open it again from the application.');
  }
  sessionStorage.setItem(key, String(tries + 1));
  await navigator.serviceWorker.register('/worker.js', { scope: '/' });
  await navigator.serviceWorker.ready;
  location.reload();
})();
