/*
 * Gleam: one object for each gallery, told what holds the links and which of them are meant.
 *   <script>new Gleam('.gleam-here', { items: 'a' }).init();</script>
 * Without init() nothing happens; what is not there when it is called is not found.
 */
window.Gleam = class {
  constructor(holder, options) {
    this.holder = typeof holder === 'string' ? document.querySelector(holder) : holder;
    this.set = Object.assign({ items: 'a', counter: true }, options);
    this.at = 0;
  }

  init() {
    this.links = [...this.holder.querySelectorAll(this.set.items)];
    this.links.forEach((link, n) =>
      link.addEventListener('click', (event) => {
        if (event.ctrlKey || event.metaKey || event.shiftKey) return;
        event.preventDefault();
        this.box ??= this.build();
        this.show(n);
        this.box.showModal();
      }),
    );
    return this;
  }

  build() {
    const box = document.createElement('dialog');
    box.className = 'gleam';
    box.setAttribute('aria-label', 'Picture');
    for (const name of ['picture', 'count', 'words']) {
      const part = document.createElement(name === 'picture' ? 'img' : 'p');
      part.className = `gleam-${name}`;
      box.append(part);
    }
    const does = {
      previous: () => this.show(this.at - 1),
      next: () => this.show(this.at + 1),
      close: () => box.close(),
    };
    for (const name of Object.keys(does)) {
      const button = document.createElement('button');
      button.type = 'button';
      button.className = `gleam-${name}`;
      button.textContent = name.charAt(0).toUpperCase() + name.slice(1);
      button.addEventListener('click', does[name]);
      box.append(button);
    }
    box.addEventListener('keydown', ({ key }) => {
      if (key === 'ArrowLeft') this.show(this.at - 1);
      if (key === 'ArrowRight') this.show(this.at + 1);
    });
    document.body.append(box);
    return box;
  }

  show(n) {
    const link = this.links[n];
    if (!link) return;
    this.at = n;
    const part = (name) => this.box.querySelector(`.gleam-${name}`);
    const small = link.querySelector('img');
    const figure = link.closest('figure');
    const words = figure ? figure.querySelector('figcaption') : null;
    part('picture').src = link.href;
    part('picture').alt = small ? small.alt : '';
    part('words').textContent = words ? words.textContent.trim() : part('picture').alt;
    const counts = this.set.counter && this.links.length > 1;
    part('count').textContent = counts ? `${n + 1} of ${this.links.length}` : '';
    part('previous').hidden = n === 0;
    part('next').hidden = n === this.links.length - 1;
  }
};
