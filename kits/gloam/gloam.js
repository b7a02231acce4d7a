/*
 * Gloam: an element of its own around a gallery. All links to pictures in it are one group.
 *   <gloam-pictures counter="off"> … </gloam-pictures>
 */
(function () {
  class GloamPictures extends HTMLElement {
    connectedCallback() {
      if (this.heard) return;
      this.heard = true;
      this.at = 0;
      this.addEventListener('click', (event) => {
        const link = event.target.closest('a[href]');
        if (!link || event.ctrlKey || event.metaKey || event.shiftKey) return;
        event.preventDefault();
        this.links = [...this.querySelectorAll('a[href]')];
        this.box ??= this.build();
        this.show(this.links.indexOf(link));
        this.box.showModal();
      });
    }

    build() {
      const box = document.createElement('dialog');
      box.className = 'gloam';
      box.setAttribute('aria-label', 'Picture');
      for (const name of ['picture', 'count', 'words']) {
        const part = document.createElement(name === 'picture' ? 'img' : 'p');
        part.className = `gloam-${name}`;
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
        button.className = `gloam-${name}`;
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
      const part = (name) => this.box.querySelector(`.gloam-${name}`);
      const small = link.querySelector('img');
      const figure = link.closest('figure');
      const words = figure ? figure.querySelector('figcaption') : null;
      part('picture').src = link.href;
      part('picture').alt = small ? small.alt : '';
      part('words').textContent = words ? words.textContent.trim() : part('picture').alt;
      const counts = this.getAttribute('counter') !== 'off' && this.links.length > 1;
      part('count').textContent = counts ? `${n + 1} of ${this.links.length}` : '';
      part('previous').hidden = n === 0;
      part('next').hidden = n === this.links.length - 1;
    }
  }
  customElements.define('gloam-pictures', GloamPictures);
})();
