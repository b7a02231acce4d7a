/*
 * Lightbox: shows what a link leads to over the page: a picture, a video, a part of the page,
 * or words.
 *
 * Mark a link with data-enlarge; links with the same data-enlarge-group can be stepped through:
 *   <a href="large/kite.jpg" data-enlarge data-enlarge-group="meadow">
 *     <img src="small/kite.jpg" alt="A kite"></a>
 * Other links, as one group with options of their own, by a call:
 *   startLightbox('.pictures a', { counter: false });
 * An option is also an attribute of a link, or of anything around it: data-enlarge-counter="off".
 *
 * Without this script every link still opens what it leads to. A classic script, so that it also
 * runs from disk.
 */
(() => {
  'use strict';
  if (window.startLightbox) return; // included twice, it acts once

  const MARKER = 'data-enlarge';
  const NAME = 'enlarge';
  const VIDEO = /\.(mp4|m4v|webm|ogv)$/i;
  const OVER = 'data-gallery-over'; // on <html> while something lies over the page
  const OUT = 'data-gallery-out'; // on what a filter, a feed or tabs hold back
  const TAP = 300; // ms between the taps of a double tap
  const SWIPE = 48; // CSS px that a finger must travel
  const PAN = 80; // CSS px for each arrow key
  const ZOOM = 1.5; // for each press of + or −

  const WORDS = wordsOf({
    dialog: 'Enlarged picture',
    close: 'Close',
    previous: 'Previous picture',
    next: 'Next picture',
    play: 'Play',
    pause: 'Pause',
    zoom: 'Actual pixels',
    fold: 'Hide the caption',
    info: 'About this picture',
    full: 'Full screen',
    tab: 'Open in a tab of its own',
    download: 'Save the file',
    more: 'More about it',
    caption: 'Caption',
    loading: 'Loading…',
    failed: 'This picture could not be loaded.',
    count: '{n} of {all}',
  });

  // Of its custom properties, the ends of their names.
  const LOOKS = [
    'ground',
    'ink',
    'backdrop',
    'padding',
    'corner',
    'shadow',
    'caption-size',
    'caption-width',
    'caption-ground',
    'control',
    'strip',
    'time',
    'focus',
  ];

  // Shapes of 24 by 24, drawn as lines.
  const SHAPES = {
    previous: 'M15 4 7 12l8 8',
    next: 'm9 4 8 8-8 8',
    play: 'M8 5v14l11-7z',
    pause: 'M8 5v14M16 5v14',
    zoom: 'M4 9V4h5m6 0h5v5m0 6v5h-5m-6 0H4v-5m4-3h8m-4-4v8',
    fold: 'M4 6h16M4 11h10m-6 5 4 4 4-4',
    info: 'M12 11v8m0-14v1',
    full: 'M14 4h6v6m0-6-7 7M10 20H4v-6m0 6 7-7',
    tab: 'M11 5H5v14h14v-6m-5-9h6v6m0-6-9 9',
    download: 'M12 4v11m-5-5 5 5 5-5M5 20h14',
    close: 'M5 5l14 14M19 5 5 19',
  };

  // What holds where neither the markup nor a call says otherwise.
  const DEFAULTS = {
    counter: true,
    arrows: true,
    caption: true,
    'caption-from': 'figure',
    fold: false,
    loop: false,
    ahead: true,
    play: false,
    autoplay: false,
    interval: 5,
    strip: false,
    zoom: true,
    full: false,
    tab: false,
    download: false,
    info: '',
    link: '',
    'link-says': WORDS.more,
    place: '',
    open: '',
    back: true,
    address: false,
  };

  const calls = []; // { selector, options } of each start call
  const small = new Map(); // boxes at a place of the window, by their link
  let modal = null; // the box over the page, made when it is first needed

  /** Links by a selector become one group with these options; options alone hold everywhere. */
  window.startLightbox = (selector, options) => {
    if (typeof selector !== 'string') return Object.assign(DEFAULTS, dashed(selector));
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    calls.push({ selector, options: dashed(options) });
  };

  /** Options of a call by the names that they have in the markup. */
  function dashed(options = {}) {
    const known = Object.entries(options).map(([name, value]) => [
      name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`),
      value,
    ]);
    return Object.fromEntries(known.filter(([name]) => name in DEFAULTS));
  }

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

  /** "{n} of {all}" with its values. */
  function filled(words, values) {
    return words.replace(/\{(\w+)\}/g, (all, name) => values[name] ?? all);
  }

  /** What the markup says, as what its default is: a switch, a number, or words. */
  function asWritten(written, usual) {
    if (typeof usual === 'boolean') return written !== 'off';
    return typeof usual === 'number' ? Number(written) : written;
  }

  const callOf = (link) => calls.findLast(({ selector }) => link.matches(selector));

  function option(link, name) {
    const attribute = `${MARKER}-${name}`;
    const said = link.closest(`[${attribute}]`);
    if (said) return asWritten(said.getAttribute(attribute), DEFAULTS[name]);
    return callOf(link)?.options[name] ?? DEFAULTS[name];
  }

  const selector = () => `:is(${[`a[${MARKER}]`, ...calls.map((call) => call.selector)]})[href]`;
  const marked = () => [...document.querySelectorAll(selector())];
  const isOut = (link) => link.closest(`[${OUT}]`);

  /** The links that arrows go through: of one name, else of one call; what is held back is not. */
  function groupOf(link) {
    const nameOf = (one) => one.getAttribute(`${MARKER}-group`);
    const name = nameOf(link);
    const call = callOf(link);
    const isMember = (one) => (name ? nameOf(one) === name : !nameOf(one) && callOf(one) === call);
    if (!name && !call) return [link];
    return marked().filter((one) => one === link || (isMember(one) && !isOut(one)));
  }

  /** The element that an address names after its `#`; one that cannot be read names nothing. */
  function namedBy(hash) {
    try {
      return hash.length > 1 ? document.getElementById(decodeURIComponent(hash.slice(1))) : null;
    } catch {
      return null;
    }
  }

  const fileOf = (link) => link.pathname.split('/').pop();
  const hashOf = (link) => `#${link.id || fileOf(link)}`;
  const isHere = (link) => link.href.split('#')[0] === location.href.split('#')[0];

  /** The marked link that the end of an address means: by its id, or by its file's name. */
  function linkBy(hash) {
    const named = namedBy(hash);
    const links = marked();
    if (links.includes(named)) return named;
    return links.find((link) => hash === hashOf(link) && option(link, 'address')) || null;
  }

  /** Copies of nodes that may stand on the page a second time. */
  function copied(nodes) {
    const copies = [...nodes].map((node) => node.cloneNode(true));
    for (const copy of copies)
      if (copy.querySelectorAll)
        [copy, ...copy.querySelectorAll('[id]')].forEach((one) => one.removeAttribute('id'));
    return copies;
  }

  /** The caption as nodes: words of its own, else where it is looked for first, else elsewhere. */
  function captionOf(link) {
    const own = link.getAttribute(`${MARKER}-caption`);
    if (own === 'off' || !option(link, 'caption')) return [];
    if (own) return [own];
    const written = link.closest('figure')?.querySelector('figcaption');
    const found = {
      figure: written?.textContent.trim() ? copied(written.childNodes) : '',
      title: link.title,
      alt: link.querySelector('img')?.alt || '',
    };
    const first = found[option(link, 'caption-from')];
    const said = first || found.figure || found.title || found.alt;
    return typeof said === 'string' ? [said].filter(Boolean) : said;
  }

  function make(tag, name, inside, text) {
    const element = document.createElement(tag);
    element.className = `${NAME}-${name}`;
    if (text) element.textContent = text;
    if (inside) inside.append(element);
    return element;
  }

  /** A shape as lines in the colour of the words around it. */
  function draw(element, name) {
    const svg = 'svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24" aria-hidden="true"';
    element.innerHTML = `<${svg}><path d="${SHAPES[name]}"/></svg>`; // words of this script only
  }

  function label(element, words) {
    element.ariaLabel = element.title = words;
  }

  function button(name, inside, action) {
    const element = make('button', name, inside);
    element.type = 'button';
    label(element, WORDS[name]);
    draw(element, name);
    element.addEventListener('click', action);
    return element;
  }

  const wantsLess = () => matchMedia('(prefers-reduced-motion: reduce)').matches;
  const isRtl = (element) => getComputedStyle(element).direction === 'rtl';

  /** A key with Ctrl, Alt or Meta is the browser's; one in a field or a video is theirs. */
  function isOurs(event) {
    const busy = event.target.closest('video, audio, input, textarea, select');
    return !busy && !event.ctrlKey && !event.altKey && !event.metaKey && !event.defaultPrevented;
  }

  /** Tells other viewers of the page that something has changed; what it is, attributes say. */
  function tell(element) {
    element.dispatchEvent(new CustomEvent('gallerychange', { bubbles: true }));
  }

  /** Gives an element the page's own ground and ink: it is as light or as dark as the page. */
  function takeTone(element) {
    const grounds = [document.body, document.documentElement]
      .map((one) => getComputedStyle(one).backgroundColor)
      .filter((color) => !/, 0\)$|\/ 0\)$/.test(color));
    element.style.setProperty('--gallery-ground', grounds[0] || 'Canvas');
    element.style.setProperty('--gallery-ink', getComputedStyle(document.body).color);
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

  /** The addresses that a picture offers in its srcset and in the sources around it. */
  function candidatesOf(image) {
    const sources = image.closest('picture')?.querySelectorAll('source') || [];
    return [image, ...sources].flatMap((one) =>
      (one.getAttribute('srcset') || '')
        .split(/,\s+/)
        .filter(Boolean)
        .map((each) => new URL(each.trim().split(/\s+/)[0], document.baseURI).href),
    );
  }

  /** The file of a link as a picture; where its thumbnail offers it among others, with these. */
  function pictureOf(link, width) {
    const small = link.querySelector('img');
    const picture = make('img', 'picture');
    picture.alt = small?.alt || '';
    const sources = [...(small?.closest('picture')?.querySelectorAll('source') || [])];
    if (!small || !candidatesOf(small).includes(link.href)) return picture;
    const sizes = `${Math.ceil(width)}px`;
    if (small.srcset) Object.assign(picture, { sizes, srcset: small.srcset });
    const copies = sources.map((one) => Object.assign(one.cloneNode(), { sizes }));
    if (copies.length) make('picture', 'sources').append(...copies, picture);
    return picture;
  }

  /*
   * Fingers and the pressed pointer on an element. One drags along an axis that its first way
   * decides, two pinch, two taps are a double tap.
   */
  class Fingers {
    constructor(element, on) {
      this.element = element;
      this.on = on;
      this.down = new Map(); // where each is now, by its id
      this.dragged = false; // the click at the end of a drag is none
      const hear = (name, action) => element.addEventListener(name, action.bind(this));
      hear('pointerdown', this.press);
      hear('pointermove', this.move);
      hear('pointerup', this.lift);
      hear('pointercancel', this.lift);
      hear('dragstart', (event) => event.preventDefault()); // a picture is not carried off
    }

    press(event) {
      if (event.button !== 0 || event.target.closest('a, button, dl, video, .enlarge-part')) return;
      this.down.set(event.pointerId, event);
      this.from = event;
      this.axis = null;
      const [one, other] = this.down.values();
      if (other) this.pinched = { gap: gapOf(one, other), ...middleOf(one, other) };
      else this.dragged = false;
    }

    move(event) {
      if (!this.down.has(event.pointerId)) return;
      const before = this.axis ? this.down.get(event.pointerId) : this.from;
      this.down.set(event.pointerId, event);
      if (this.down.size > 1) return this.pinch();
      const x = event.clientX - this.from.clientX;
      const y = event.clientY - this.from.clientY;
      if (!this.axis && Math.hypot(x, y) > 8) {
        this.axis = Math.abs(x) > Math.abs(y) ? 'x' : 'y';
        this.dragged = true;
        this.element.setPointerCapture(event.pointerId);
      }
      const moved = { x: event.clientX - before.clientX, y: event.clientY - before.clientY };
      if (this.axis) this.on.drag({ axis: this.axis, x, y, moved });
    }

    pinch() {
      const [one, other] = this.down.values();
      const now = { gap: gapOf(one, other), ...middleOf(one, other) };
      this.dragged = true;
      this.on.pinch(now.gap / this.pinched.gap, now);
      this.pinched = now;
    }

    lift(event) {
      if (!this.down.delete(event.pointerId)) return;
      if (this.down.size > 0) return this.stay();
      const x = event.clientX - this.from.clientX;
      const y = event.clientY - this.from.clientY;
      const canceled = event.type === 'pointercancel';
      if (this.axis) this.on.drop({ axis: this.axis, x, y, canceled });
      else if (!this.dragged && !canceled) this.tap(event);
      // The click comes in the same breath, or not at all where what was pressed is gone.
      setTimeout(() => (this.dragged = false));
    }

    /** The finger that stays goes on from where it is. */
    stay() {
      [this.from] = this.down.values();
      this.axis = null;
    }

    tap(event) {
      const first = this.tapped;
      const isNear = first && gapOf(event, first) < 40;
      const isSecond = isNear && event.timeStamp - first.timeStamp < TAP;
      this.tapped = isSecond ? null : event;
      if (isSecond) this.on.double(event);
    }
  }

  const gapOf = (a, b) => Math.hypot(a.clientX - b.clientX, a.clientY - b.clientY) || 1;
  const middleOf = (a, b) => ({
    clientX: (a.clientX + b.clientX) / 2,
    clientY: (a.clientY + b.clientY) / 2,
  });

  /* A picture enlarged in its stage: how much, and how far from the middle; CSS px. */
  class Closer {
    constructor(stage, frame) {
      Object.assign(this, { stage, frame, scale: 1, x: 0, y: 0 });
    }

    /** How far the picture that is shown can be enlarged until its own pixels are reached. */
    get most() {
      const picture = this.frame.querySelector('img.enlarge-picture');
      const width = picture?.offsetWidth;
      return width ? Math.max(1, picture.naturalWidth / width) : 1;
    }

    /** Enlarges about a point of the window, which stays where it is. */
    to(scale, { clientX, clientY } = {}) {
      const box = this.stage.getBoundingClientRect();
      const x = clientX === undefined ? 0 : clientX - box.left - box.width / 2;
      const y = clientY === undefined ? 0 : clientY - box.top - box.height / 2;
      const next = Math.min(Math.max(1, scale), this.most);
      this.x = x - ((x - this.x) * next) / this.scale;
      this.y = y - ((y - this.y) * next) / this.scale;
      this.scale = next;
      this.by(0, 0);
    }

    /** Moves what is seen, never past the picture's edge. */
    by(x, y) {
      const picture = this.frame.querySelector('.enlarge-picture');
      const within = (at, size, room) => {
        const most = Math.max(0, (size * this.scale - room) / 2);
        return Math.min(most, Math.max(-most, at));
      };
      const { offsetWidth = 0, offsetHeight = 0 } = picture || {};
      this.x = within(this.x + x, offsetWidth, this.stage.clientWidth);
      this.y = within(this.y + y, offsetHeight, this.stage.clientHeight);
      this.paint();
    }

    end() {
      Object.assign(this, { scale: 1, x: 0, y: 0 });
      this.paint();
    }

    paint() {
      const isClose = this.scale > 1.001;
      this.stage.toggleAttribute('data-close', isClose);
      const { x, y, scale } = this;
      this.frame.style.transform = isClose ? `translate(${x}px, ${y}px) scale(${scale})` : '';
    }
  }

  /* A box with what it shows: one over the whole page, or small ones at places of the window. */
  class Box {
    constructor(isSmall) {
      this.isSmall = isSmall;
      this.links = [];
      this.at = 0;
      this.build();
      this.controls();
      this.listen();
      document.body.append(this.dialog);
    }

    get link() {
      return this.links[this.at];
    }

    build() {
      this.dialog = make('dialog', 'box');
      this.dialog.className = this.isSmall ? 'enlarge enlarge-small' : 'enlarge';
      // A dialog itself cannot take the full screen (Fullscreen API, §4), so its inside does.
      this.inside = make('div', 'inside', this.dialog);
      this.stage = make('div', 'stage', this.inside);
      this.frame = make('div', 'frame', this.stage);
      this.note = make('p', 'note', this.stage);
      this.about = make('dl', 'about', this.stage);
      this.strip = make('div', 'strip', this.inside);
      this.foot = make('div', 'foot', this.inside);
      this.caption = make('div', 'caption', this.foot);
      this.caption.role = 'group';
      this.caption.ariaLabel = WORDS.caption;
      this.said = make('p', 'said', this.inside);
      this.note.role = this.said.role = 'status';
      this.closer = new Closer(this.stage, this.frame);
    }

    controls() {
      const bar = make('div', 'bar', this.foot);
      this.counter = make('p', 'counter', bar);
      const set = (name, action) => (this[name] = button(name, bar, action));
      const address = (name) => {
        this[name] = make('a', name, bar);
        label(this[name], WORDS[name]);
        draw(this[name], name);
      };
      set('previous', () => this.step(-1));
      set('next', () => this.step(1));
      set('play', () => this.playOn(!this.playing));
      set('zoom', () => this.zoomAt());
      set('fold', () => this.foldAway());
      set('info', () => this.showAbout(this.about.hidden));
      address('download');
      address('tab');
      Object.assign(this.tab, { target: '_blank', rel: 'noopener' });
      set('full', () => this.fullScreen());
      set('close', () => this.dialog.close());
      this.close.autofocus = true;
    }

    listen() {
      const { dialog, stage } = this;
      dialog.addEventListener('keydown', (event) => this.key(event));
      dialog.addEventListener('click', (event) => this.clicked(event));
      dialog.addEventListener('close', () => this.closed());
      dialog.addEventListener('wheel', (event) => this.wheel(event), { passive: false });
      document.addEventListener('visibilitychange', () => this.wait());
      this.fingers = new Fingers(stage, {
        drag: (way) => this.drag(way),
        drop: (way) => this.drop(way),
        pinch: (by, at) => this.isPicture && this.closer.to(this.closer.scale * by, at),
        double: (at) => this.zoomAt(at),
      });
    }

    /** Filled before it is opened: also while the link is still pressed. */
    prepare(link) {
      this.opener = link;
      this.links = this.isSmall ? [link] : groupOf(link);
      this.dress(link);
      this.show(Math.max(0, this.links.indexOf(link)));
      this.ready = link;
    }

    /** What was pressed is not opened: nothing more is fetched for it. */
    forget() {
      for (const name of ['srcset', 'src']) this.content?.removeAttribute(name);
      this.clear();
    }

    open(link, place) {
      if (this.ready !== link) this.prepare(link);
      if (this.isSmall) {
        this.dialog.dataset.place = place;
        return this.dialog.show();
      }
      // All is written before the browser lays it out, or it would lay it out twice.
      this.fillStrip();
      if (option(link, 'autoplay') && !wantsLess()) this.playOn(true);
      this.dialog.showModal();
      this.reach();
      this.arrive(link);
      this.mark();
      this.wait();
      this.soon();
      document.documentElement.setAttribute(OVER, '');
      backStep.enter(link);
      tell(document.documentElement);
    }

    dress(link) {
      takeTone(this.dialog);
      this.dialog.toggleAttribute('data-rtl', isRtl(this.dialog));
      takeLook(link, this.dialog);
    }

    /** Gone through once while nobody waits: what a browser does first takes it longest. */
    warm(link) {
      const small = link.querySelector('img');
      if (!small?.naturalWidth) return;
      const trial = link.cloneNode();
      trial.href = small.currentSrc; // a file that is there
      trial.title = WORDS.dialog;
      this.dialog.style.display = 'block';
      this.links = groupOf(link).map(() => trial);
      this.dress(link);
      this.show(0);
      this.arrive(link);
      this.clear();
      this.state('shown', '');
      this.dialog.style.display = '';
    }

    /** The picture comes out of its thumbnail. */
    arrive(link) {
      const from = link.querySelector('img')?.getBoundingClientRect();
      if (!from?.width || wantsLess()) return;
      const room = this.stage.getBoundingClientRect();
      const width = Math.min(room.width, (room.height * from.width) / from.height);
      const x = from.left + from.width / 2 - room.left - room.width / 2;
      const y = from.top + from.height / 2 - room.top - room.height / 2;
      const start = `translate(${x}px, ${y}px) scale(${from.width / width})`;
      const duration = parseFloat(getComputedStyle(this.frame).transitionDuration) * 1000;
      this.frame.animate([{ transform: start }, {}], { duration, easing: 'ease-out' });
    }

    show(to) {
      this.clear();
      this.at = to;
      const { link } = this;
      const all = this.links.length;
      this.fill(link);
      this.write(link);
      const counted = filled(WORDS.count, { n: to + 1, all });
      this.counter.textContent = option(link, 'counter') && all > 1 ? counted : '';
      const name = this.caption.textContent || link.querySelector('img')?.alt || WORDS.dialog;
      this.dialog.ariaLabel = all > 1 ? `${name}, ${counted}` : name;
      this.offer(link);
      this.mark();
      this.wait();
    }

    /** A step that a visitor takes: told to who cannot see it, and a place in the address. */
    step(by) {
      const all = this.links.length;
      const on = this.at + by;
      const to = option(this.link, 'loop') ? (on + all) % all : on;
      if (to < 0 || to >= all || to === this.at) return false;
      this.show(to);
      if (!this.playing) this.said.textContent = this.dialog.ariaLabel;
      backStep.move(this.link);
      return true;
    }

    clear() {
      this.closer.end();
      if (this.lent) {
        this.lent.part.hidden = this.lent.hidden;
        this.lent.mark.replaceWith(this.lent.part);
      }
      this.lent = this.content = this.ready = null;
      this.frame.replaceChildren();
      this.frame.style.opacity = '';
    }

    state(name, note) {
      this.stage.dataset.state = name;
      this.stage.ariaBusy = name === 'loading';
      this.note.textContent = note;
    }

    /** A picture, a video by its ending, a part of this page, or the words of data-enlarge-text. */
    fill(link) {
      const said = link.getAttribute(`${MARKER}-text`);
      const part = said === null && isHere(link) ? namedBy(link.hash) : null;
      this.isPicture = said === null && !part && !VIDEO.test(link.pathname);
      if (this.isPicture) return this.fillPicture(link);
      if (!said && !part) return this.fillVideo(link);
      const content = make('div', 'part', this.frame, said);
      content.tabIndex = 0;
      if (part) this.lend(part, content);
      this.state('shown', '');
    }

    /** A part of the page is shown itself, not a copy, and goes back to where it stood. */
    lend(part, content) {
      this.lent = { part, hidden: part.hidden, mark: document.createComment('') };
      part.replaceWith(this.lent.mark);
      content.append(part);
      part.hidden = false;
    }

    fillVideo(link) {
      const video = make('video', 'picture', this.frame);
      video.controls = true;
      this.expect(video, 'loadeddata', link);
      video.src = link.href;
    }

    /** The thumbnail stands enlarged until the file is there. */
    fillPicture(link) {
      const thumbnail = link.querySelector('img');
      const address = thumbnail?.currentSrc || thumbnail?.src;
      if (address) {
        const placeholder = make('img', 'placeholder', this.frame);
        Object.assign(placeholder, { src: address, alt: '' });
      }
      const ratio = thumbnail?.naturalHeight ? thumbnail.naturalWidth / thumbnail.naturalHeight : 9;
      const width = Math.min(innerWidth, innerHeight * ratio);
      const picture = pictureOf(link, width);
      this.expect(picture, 'load', link);
      picture.fetchPriority = 'high';
      picture.src = link.href;
      this.frame.append(picture.parentNode || picture);
    }

    /** What comes too late, after a step, touches nothing. */
    expect(content, event, link) {
      this.content = content;
      this.state('loading', WORDS.loading);
      content.addEventListener(event, () => {
        if (this.content !== content) return;
        this.frame.querySelector('.enlarge-placeholder')?.remove();
        this.state('shown', '');
        this.wait();
        this.soon();
      });
      content.addEventListener('error', () => {
        if (this.content !== content) return;
        this.state('failed', `${WORDS.failed} ${decodeURI(fileOf(link))}`);
      });
    }

    /** How far it can be enlarged, and the pictures beside it: sooner they would hold it up. */
    soon() {
      clearTimeout(this.ahead);
      this.ahead = setTimeout(() => {
        if (this.dialog.open && this.stage.dataset.state === 'shown') this.lookAhead(this.link);
      }, 50);
    }

    lookAhead(link) {
      this.zoom.hidden = !option(link, 'zoom') || this.closer.most < 1.05;
      if (!option(link, 'ahead')) return;
      for (const near of [this.links[this.at + 1], this.links[this.at - 1]])
        if (near && !VIDEO.test(near.pathname) && !isHere(near))
          pictureOf(near, innerWidth).src = near.href;
    }

    /** Caption, second line and a link on. */
    write(link) {
      const line = make('div', 'line');
      line.append(...captionOf(link));
      const more = link.getAttribute(`${MARKER}-description`);
      this.caption.replaceChildren(...(line.childNodes.length ? [line] : []));
      if (more) make('p', 'description', this.caption, more);
      const address = link.getAttribute(`${MARKER}-link`);
      if (address) make('a', 'link', this.caption, option(link, 'link-says')).href = address;
      this.caption.scrollTop = 0;
      this.showAbout(false);
      this.about.replaceChildren();
      for (const [name, value] of pairsOf(option(link, 'info'))) {
        make('dt', 'name', this.about, name);
        make('dd', 'value', this.about, value);
      }
    }

    /** Which buttons there are; at an end an arrow stays in its place and rests. */
    offer(link) {
      const all = this.links.length;
      const ends = !option(link, 'loop');
      const arrows = option(link, 'arrows') && all > 1;
      this.previous.hidden = !arrows;
      this.next.hidden = !arrows;
      this.previous.ariaDisabled = ends && this.at === 0;
      this.next.ariaDisabled = ends && this.at === all - 1;
      this.play.hidden = all < 2 || !(option(link, 'play') || option(link, 'autoplay'));
      this.zoom.hidden = true;
      this.fold.hidden = !option(link, 'fold') || !this.caption.textContent;
      this.info.hidden = !this.about.children.length;
      this.tab.href = this.download.href = link.href;
      this.tab.hidden = !option(link, 'tab');
      this.download.hidden = !option(link, 'download');
      this.download.download = fileOf(link);
      this.full.hidden = !option(link, 'full') || !document.fullscreenEnabled;
      if (this.dialog.open) this.reach();
    }

    /** A long caption can be scrolled by keys, and a button that goes does not take the focus. */
    reach() {
      const scrolls = this.caption.scrollHeight > this.caption.clientHeight + 1;
      this.caption.tabIndex = scrolls ? 0 : -1;
      const { activeElement } = document;
      if (this.dialog.contains(activeElement) && activeElement.checkVisibility()) return;
      if (!this.isSmall) this.close.focus();
    }

    foldAway() {
      this.fold.ariaPressed = this.inside.toggleAttribute('data-folded');
    }

    showAbout(isShown) {
      this.about.hidden = !isShown;
      this.info.ariaExpanded = isShown;
    }

    fullScreen() {
      if (document.fullscreenElement) document.exitFullscreen();
      else this.inside.requestFullscreen();
    }

    /** Small pictures of all, a little later: there may be hundreds. */
    fillStrip() {
      this.strip.replaceChildren();
      this.strip.hidden = !option(this.link, 'strip') || this.links.length < 2;
      if (this.strip.hidden) return;
      this.links.forEach((link, n) => {
        const small = link.querySelector('img');
        const pick = make('button', 'pick', this.strip);
        const all = this.links.length;
        pick.type = 'button';
        pick.ariaLabel = `${filled(WORDS.count, { n: n + 1, all })}: ${small?.alt}`;
        pick.addEventListener('click', () => this.step(n - this.at));
        if (!small) return;
        const image = make('img', 'thumbnail', pick);
        Object.assign(image, { loading: 'lazy', alt: '', src: small.currentSrc || small.src });
      });
    }

    mark() {
      [...this.strip.children].forEach((pick, n) => {
        pick.ariaCurrent = n === this.at;
        if (n !== this.at) return;
        const left = pick.offsetLeft + pick.offsetWidth / 2 - this.strip.clientWidth / 2;
        this.strip.scrollTo({ left, behavior: wantsLess() ? 'auto' : 'smooth' });
      });
    }

    playOn(isOn) {
      this.playing = isOn;
      label(this.play, isOn ? WORDS.pause : WORDS.play);
      draw(this.play, isOn ? 'pause' : 'play');
      this.wait();
      return isOn;
    }

    /** The seconds begin once the picture is there. */
    wait() {
      clearTimeout(this.timer);
      const ready = this.stage.dataset.state !== 'loading' && this.closer.scale === 1;
      if (!this.playing || !this.dialog.open || document.hidden || !ready) return;
      const next = () => this.step(1) || this.playOn(false);
      this.timer = setTimeout(next, option(this.link, 'interval') * 1000);
    }

    zoomAt(at) {
      if (!this.isPicture || !option(this.link, 'zoom')) return;
      const isClose = this.closer.scale > 1;
      if (isClose) this.closer.end();
      else this.closer.to(this.closer.most, at);
      this.zoomed();
    }

    zoomed() {
      this.zoom.ariaPressed = this.closer.scale > 1;
      this.wait();
    }

    /** A trackpad's pinch comes as a wheel with Ctrl; over the picture it enlarges the picture. */
    wheel(event) {
      const over = event.target.closest('.enlarge-frame');
      if (event.ctrlKey && over && this.isPicture) {
        event.preventDefault();
        this.closer.to(this.closer.scale * Math.exp(-event.deltaY / 100), event);
        return this.zoomed();
      }
      if (event.ctrlKey || event.target.closest('.enlarge-part, .enlarge-caption, dl')) return;
      event.preventDefault(); // the page below stays where it is
    }

    drag({ axis, x, y, moved }) {
      if (this.closer.scale > 1) return this.closer.by(moved.x, moved.y);
      if (axis === 'x' && this.links.length > 1) this.frame.style.transform = `translateX(${x}px)`;
      if (axis === 'x' || this.isSmall) return;
      this.frame.style.transform = `translateY(${Math.max(0, y)}px)`;
      this.frame.style.opacity = String(1 - Math.max(0, y) / innerHeight);
    }

    drop({ axis, x, y, canceled }) {
      if (this.closer.scale > 1) return;
      const { transform } = this.frame.style;
      this.closer.end();
      this.frame.style.opacity = '';
      const forward = x < 0 !== isRtl(this.stage);
      const isSwipe = axis === 'x' && Math.abs(x) > SWIPE && !canceled;
      if (isSwipe && this.step(forward ? 1 : -1)) return this.slideIn(x < 0 ? 1 : -1);
      if (axis === 'y' && y > SWIPE * 2 && !canceled && !this.isSmall) return this.dialog.close();
      const back = { duration: 180, easing: 'ease-out' };
      if (!wantsLess()) this.frame.animate([{ transform: transform || 'none' }, {}], back);
    }

    slideIn(way) {
      if (wantsLess()) return;
      const start = { transform: `translateX(${way * this.stage.clientWidth}px)` };
      this.frame.animate([start, {}], { duration: 180, easing: 'ease-out' });
    }

    key(event) {
      if (event.key === 'Escape' && this.isSmall) return this.dialog.close();
      if (!isOurs(event)) return;
      const forward = isRtl(this.dialog) ? 'ArrowLeft' : 'ArrowRight';
      const step = event.key === forward ? 1 : -1;
      const { closer } = this;
      const pans = closer.scale > 1;
      const actions = {
        ArrowLeft: () => (pans ? closer.by(PAN, 0) : this.step(step)),
        ArrowRight: () => (pans ? closer.by(-PAN, 0) : this.step(step)),
        ArrowUp: pans && (() => closer.by(0, PAN)),
        ArrowDown: pans && (() => closer.by(0, -PAN)),
        Home: () => this.step(-this.at),
        End: () => this.step(this.links.length - 1 - this.at),
        '+': () => this.scaleBy(ZOOM),
        '=': () => this.scaleBy(ZOOM),
        '-': () => this.scaleBy(1 / ZOOM),
        0: () => this.scaleBy(0),
      };
      const inText = event.target.closest('.enlarge-part, .enlarge-caption');
      if (!actions[event.key] || (inText && /Up|Down|Home|End/.test(event.key))) return;
      event.preventDefault();
      actions[event.key]();
    }

    scaleBy(times) {
      if (!this.isPicture || !option(this.link, 'zoom')) return;
      this.closer.to(this.closer.scale * times);
      this.zoomed();
    }

    /** A click beside all that is shown closes; what was pressed may have gone meanwhile. */
    clicked(event) {
      const parts = /-(picture|placeholder|part|about|strip|foot)$/;
      const isOn = event.composedPath().some((one) => parts.test(one.className));
      if (!isOn && !this.isSmall && !this.fingers.dragged) this.dialog.close();
    }

    closed() {
      if (this.dialog.open) return; // told later; it may be open again
      const last = this.link;
      clearTimeout(this.timer);
      if (document.fullscreenElement === this.inside) document.exitFullscreen();
      this.clear();
      if (this.playing) this.playOn(false);
      this.said.textContent = '';
      if (this.isSmall) this.dialog.remove();
      else document.documentElement.removeAttribute(OVER);
      const back = [this.opener, last, ...marked()].find((one) => one.checkVisibility());
      back?.focus();
      if (this.isSmall) return;
      backStep.leave();
      tell(document.documentElement);
    }
  }

  /*
   * Opening is a step that the Back button takes back. A page in a frame leaves the history alone:
   * it is that of the page around it too.
   */
  const backStep = {
    isEntered: false,
    isLeaving: false,

    enter(link) {
      if (window.parent !== window || !option(link, 'back')) return;
      if (this.isEntered) return this.move(link); // it was opened again before it had closed
      this.isEntered = true;
      if (!this.isLeaving) this.write(link, 'pushState');
    },

    move(link) {
      if (this.isEntered && !this.isLeaving) this.write(link, 'replaceState');
    },

    write(link, how) {
      const address = option(link, 'address') ? hashOf(link) : location.href;
      history[how]({ ...history.state, enlarged: true }, '', address);
    },

    leave() {
      const isOn = this.isEntered && history.state?.enlarged;
      this.isEntered = false;
      if (!isOn) return;
      this.isLeaving = true;
      history.back();
    },

    /** Back, by the visitor or after closing. */
    popped() {
      if (this.isLeaving) {
        this.isLeaving = false;
        if (this.isEntered) this.write(modal.link, 'pushState'); // opened again meanwhile
        return;
      }
      if (!this.isEntered || history.state?.enlarged) return;
      this.isEntered = false;
      modal.dialog.close();
    },
  };

  function open(link) {
    const place = option(link, 'place');
    if (!place) {
      modal = modal || new Box(false);
      if (!modal.dialog.open) modal.open(link);
      return;
    }
    // One box a link; each stands where its link says, beside those that are open.
    const present = small.get(link);
    if (present?.dialog.open) return present.close.focus();
    const box = new Box(true);
    small.set(link, box);
    box.open(link, place);
  }

  /** The marked link that a click means; one that asks for a new tab keeps its meaning. */
  function meantBy(event) {
    const withKey = event.ctrlKey || event.metaKey || event.shiftKey || event.altKey;
    const link = event.target.closest?.('a[href]');
    if (!link || withKey || event.button || event.defaultPrevented) return null;
    if (link.closest('.enlarge')) return null;
    // A link elsewhere on the page to one that is marked opens it, as often as it is clicked.
    return link.matches(selector()) ? link : isHere(link) && linkBy(link.hash);
  }

  /** A click elsewhere, or a finger that scrolls: the press before was none. */
  function letGo() {
    if (modal && !modal.dialog.open) modal.forget();
  }

  document.addEventListener('click', (event) => {
    const link = typeof HTMLDialogElement === 'function' && meantBy(event);
    if (!link) return letGo();
    event.preventDefault();
    open(link);
  });

  // From the press to the click there is time: the file is on its way by then.
  document.addEventListener('pointerdown', (event) => {
    const link = modal && !modal.dialog.open && meantBy(event);
    if (link && !isHere(link) && !option(link, 'place')) modal.prepare(link);
  });
  document.addEventListener('pointercancel', letGo);

  /** An address that ends with the name of a marked link opens it, from this page or another. */
  function fromAddress() {
    const named = linkBy(location.hash);
    if (named && !modal?.dialog.open) open(named);
    return named;
  }

  addEventListener('hashchange', fromAddress);
  addEventListener('popstate', () => backStep.popped());
  addEventListener('load', () => {
    const links = marked();
    const first = links.find((link) => link.getAttribute(`${MARKER}-open`) === 'load');
    if (!fromAddress() && first) open(first);
    // Made beforehand, the box does not hold up the first picture.
    setTimeout(() => {
      if (modal || !links[0]) return;
      modal = new Box(false);
      modal.warm(links[0]);
    });
  });
})();
