/*
 * Zoom: a middle-sized picture with small ones below; the place under the pointer, the finger or
 * the keys is shown from the full-size file, beside the picture or over it.
 *
 *   <div data-closer> <a href="large/kite.jpg" data-closer-middle="middle/kite.jpg">
 *     <img src="small/kite.jpg" alt="…"></a> … </div>
 *   startCloser('.kites', { lens: 'over', times: 3 });
 *
 * A finger scrolls the page as ever; a tap looks closely, and then the finger moves the place.
 * Without this script every link opens its full-size picture. A classic script, so that it also
 * runs from disk.
 */
(() => {
  'use strict';
  if (window.startCloser) return; // included twice, it acts once

  const MARKER = 'data-closer';
  const NAME = 'closer';
  const STEP = 0.05; // of the picture's width and height, for each key
  const WORDS = wordsOf({
    label: 'Picture to look at closely',
    keys: 'Arrow keys move the place that is enlarged, Escape ends it.',
    failed: 'This picture could not be loaded.',
  });
  const DEFAULTS = { lens: 'beside', times: 0, label: WORDS.label };
  // Of its custom properties, the ends of their names.
  const LOOKS = ['height', 'row', 'lens', 'gap', 'line', 'focus'];

  const KEYS = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
    Enter: [0, 0],
    ' ': [0, 0],
  };

  const calls = []; // [selector, options] of calls before the page was read
  const set = new WeakSet(); // elements that have their stage already
  let begun = false;

  /** "Close: Schließen; Next: Weiter" as pairs; a piece without a colon has no name. */
  function pairsOf(said) {
    const pieces = said.split(';').filter((piece) => piece.trim());
    return pieces.map((piece) => {
      const at = piece.indexOf(':');
      return [piece.slice(0, Math.max(0, at)).trim(), piece.slice(at + 1).trim()];
    });
  }

  /** The words of this script, or those that its tag says: data-words="close: Fermer; …". */
  function wordsOf(usual) {
    const said = document.currentScript?.getAttribute('data-words') || '';
    return { ...usual, ...Object.fromEntries(pairsOf(said)) };
  }

  /** What the markup says, as what its default is: a switch, a number, or words. */
  function asWritten(written, usual) {
    if (typeof usual === 'boolean') return written !== 'off';
    return typeof usual === 'number' ? Number(written) : written;
  }

  /** Of an element: its attributes, else those around it, else the call's, else the defaults. */
  function optionsOf(holder, given) {
    const options = { ...DEFAULTS, ...given };
    for (const name in DEFAULTS) {
      const said = holder.closest(`[${MARKER}-${name}]`);
      if (said) options[name] = asWritten(said.getAttribute(`${MARKER}-${name}`), DEFAULTS[name]);
    }
    return options;
  }

  function make(tag, name, inside, text) {
    const element = document.createElement(tag);
    element.className = `${NAME}-${name}`;
    if (text) element.textContent = text;
    if (inside) inside.append(element);
    return element;
  }

  /** A key with Ctrl, Alt or Meta is the browser's; one in a field or a video is theirs. */
  function isOurs(event) {
    const busy = event.target.closest('video, audio, input, textarea, select');
    return !busy && !event.ctrlKey && !event.altKey && !event.metaKey && !event.defaultPrevented;
  }

  /** Looks that are set for an element alone, and not for the page, hold for what it gets. */
  function takeLook(from, to) {
    const own = getComputedStyle(from);
    const page = getComputedStyle(document.documentElement);
    for (const look of LOOKS) {
      const name = `--${NAME}-${look}`;
      const value = own.getPropertyValue(name);
      to.style.setProperty(name, value === page.getPropertyValue(name) ? null : value);
    }
  }

  /** A click that asks for a new tab or window keeps its meaning. */
  function isPlain(event) {
    const withKey = event.ctrlKey || event.metaKey || event.shiftKey || event.altKey;
    return event.button === 0 && !withKey && !event.defaultPrevented;
  }

  const kept = (share) => Math.min(1, Math.max(0, share));

  class Closer {
    constructor(holder, options, links) {
      Object.assign(this, { holder, options, links, x: 0.5, y: 0.5 });
      this.build();
      this.listen();
      this.show(links[0]);
    }

    build() {
      const { holder, options } = this;
      const frame = make('div', 'frame');
      frame.dataset.lens = options.lens;
      this.stage = make('div', 'stage', frame);
      this.stage.tabIndex = 0;
      this.stage.setAttribute('role', 'img');
      this.image = make('img', 'middle', this.stage);
      Object.assign(this.image, { alt: '', draggable: false });
      this.note = make('p', 'note', frame);
      this.note.setAttribute('role', 'status');
      this.lens = make('div', 'lens', frame);
      this.lens.hidden = true;
      takeLook(holder, frame);
      holder.before(frame);
      holder.classList.add('closer-row');
      frame.append(holder);
    }

    listen() {
      const { stage } = this;
      const hear = (name, action) => stage.addEventListener(name, action);
      hear('pointermove', (event) => {
        if (event.pointerType !== 'touch' || this.isLooking) this.point(event);
      });
      hear('click', (event) => this.tap(event));
      hear('pointerleave', ({ pointerType }) => pointerType !== 'touch' && this.look(false));
      hear('blur', () => this.look(false));
      hear('keydown', (event) => this.key(event));
      this.holder.addEventListener('click', (event) => {
        const link = this.links.find((one) => one.contains(event.target));
        if (!link || !isPlain(event)) return;
        event.preventDefault();
        this.show(link);
      });
    }

    show(link) {
      const small = link.querySelector('img');
      this.link = link;
      this.full = null; // asked for when somebody looks closely
      this.links.forEach((one) => one.setAttribute('aria-current', String(one === link)));
      this.note.textContent = '';
      this.load(link.getAttribute(`${MARKER}-middle`) || link.href, small);
      const name = small.alt || this.options.label;
      this.stage.setAttribute('aria-label', `${name}. ${WORDS.keys}`);
      this.look(false);
    }

    /** The small picture stands behind until the other is there; what comes too late is let go. */
    load(address, small) {
      const { image, stage, link } = this;
      const picture = new Image();
      image.removeAttribute('src');
      stage.style.backgroundImage = `url("${small.currentSrc || small.src}")`;
      stage.setAttribute('aria-busy', 'true');
      picture.src = address;
      const put = () => {
        if (this.link !== link) return;
        stage.style.backgroundImage = '';
        stage.removeAttribute('aria-busy');
        image.src = address;
      };
      const failed = () => {
        if (this.link !== link) return;
        stage.removeAttribute('aria-busy');
        this.note.textContent = WORDS.failed;
      };
      picture.decode().then(put, failed);
    }

    look(isOn) {
      this.isLooking = isOn;
      this.lens.hidden = !isOn;
      this.stage.toggleAttribute('data-looking', isOn);
      if (!isOn) return;
      if (!this.full) {
        this.full = new Image();
        this.full.addEventListener('load', () => this.place());
        this.full.src = this.link.href;
        this.lens.style.backgroundImage = `url("${this.full.src}")`;
      }
      this.place();
    }

    /** The point looked at lies in the middle of the lens, which never runs out over an edge. */
    place() {
      const { options, image, lens, full } = this;
      const { width, height } = image.getBoundingClientRect();
      if (!width) return; // not there yet
      const own = full.naturalWidth ? Math.max(1, full.naturalWidth / width) : 2;
      const times = options.times || own;
      const room = lens.getBoundingClientRect();
      const shift = (size, seen, point) =>
        Math.min(0, Math.max(seen - size * times, seen / 2 - point * size * times));
      const left = shift(width, room.width, this.x);
      const top = shift(height, room.height, this.y);
      lens.style.backgroundSize = `${width * times}px ${height * times}px`;
      lens.style.backgroundPosition = `${left}px ${top}px`;
      if (options.lens !== 'over') return;
      lens.style.left = `${image.offsetLeft + this.x * width}px`;
      lens.style.top = `${image.offsetTop + this.y * height}px`;
    }

    point({ clientX, clientY }) {
      const box = this.image.getBoundingClientRect();
      this.x = kept((clientX - box.left) / box.width);
      this.y = kept((clientY - box.top) / box.height);
      this.look(true);
    }

    /** A finger has no place until it touches: a tap looks, another one ends it. */
    tap(event) {
      if (event.pointerType === 'touch' && this.isLooking) this.look(false);
      else this.point(event);
    }

    key(event) {
      if (!isOurs(event)) return;
      if (event.key === 'Escape') this.look(false);
      const way = KEYS[event.key];
      if (!way) return;
      event.preventDefault();
      this.x = kept(this.x + way[0] * STEP);
      this.y = kept(this.y + way[1] * STEP);
      this.look(true);
    }
  }

  function start(holder, given) {
    const isMeant = (link) => link.querySelector('img');
    const links = [...holder.querySelectorAll('a[href]')].filter(isMeant);
    if (set.has(holder) || links.length === 0) return;
    set.add(holder);
    new Closer(holder, optionsOf(holder, given), links);
  }

  /** A call for a marked element gives it options; what stands in the markup wins. */
  function run() {
    begun = true;
    const each = (selector, given) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    calls.forEach(([selector, given]) => each(selector, given));
    each(`[${MARKER}]`);
  }

  window.startCloser = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    calls.push([selector, given]);
    if (begun) run();
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
