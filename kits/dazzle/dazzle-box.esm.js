/* What Dazzle shows a picture in; loaded by dazzle.esm.js. */
const PARTS = ['picture', 'count', 'words'];

export function boxOf({ counter }) {
  const box = document.createElement('dialog');
  box.className = 'dazzle';
  box.setAttribute('aria-label', 'Picture');
  const part = (name) => box.querySelector(`.dazzle-${name}`);
  let links = [];
  let at = 0;

  const show = (n) => {
    const link = links[n];
    if (!link) return;
    at = n;
    const small = link.querySelector('img');
    part('picture').src = link.href;
    part('picture').alt = small ? small.alt : '';
    part('words').textContent = link.title || part('picture').alt;
    part('count').textContent = counter && links.length > 1 ? `${n + 1} of ${links.length}` : '';
    part('previous').hidden = n === 0;
    part('next').hidden = n === links.length - 1;
  };
  const does = { previous: () => show(at - 1), next: () => show(at + 1), close: () => box.close() };

  for (const name of PARTS) {
    const element = document.createElement(name === 'picture' ? 'img' : 'p');
    element.className = `dazzle-${name}`;
    box.append(element);
  }
  for (const name of Object.keys(does)) {
    const button = document.createElement('button');
    button.type = 'button';
    button.className = `dazzle-${name}`;
    button.textContent = name.charAt(0).toUpperCase() + name.slice(1);
    button.addEventListener('click', does[name]);
    box.append(button);
  }
  box.addEventListener('keydown', ({ key }) => {
    if (key === 'ArrowLeft') show(at - 1);
    if (key === 'ArrowRight') show(at + 1);
  });
  box.addEventListener('close', () => box.remove());
  return {
    open(some, n) {
      links = some;
      document.body.append(box);
      show(n);
      box.showModal();
    },
  };
}
