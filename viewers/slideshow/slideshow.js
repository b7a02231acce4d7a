/*
 * Slideshow: shows the items of an element one at a time, in their place.
 *
 * Mark the element that holds them with data-slides:
 *   <ul data-slides data-slides-effect="fade">
 *     <li><a href="large/kite.jpg"><img src="small/kite.jpg" alt="A kite"></a></li> … </ul>
 * or start it with options:
 *   startSlides('.kites', { effect: 'fade', picker: 'thumbnails' });
 *
 * An item may hold anything: a picture, a link to anywhere, words, a video. Where its link leads to
 * a picture, that file is shown. Without this script the items stand in a row that can be scrolled
 * sideways. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';
  if (window.startSlides) return; // included twice, it acts once

  const MARKER = 'data-slides';
  const NAME = 'slides';
  const AWAY = 'data-slides-away'; // on every slide but the one that is shown
  const OVER = 'data-gallery-over'; // on <html> while something lies over the page
  const OUT = 'data-gallery-out'; // on what a filter, a feed or tabs hold back
  const PICTURE = /\.(avif|gif|jpe?g|png|svg|webp)$/i;
  const SWIPE = 48; // CSS px that a finger must travel
  const TIME = 400; // ms of a transition

  const WORDS = wordsOf({
    previous: 'Previous picture',
    next: 'Next picture',
    play: 'Play',
    pause: 'Pause',
    full: 'Full screen',
    count: '{n} of {all}',
    carousel: 'carousel',
    slide: 'slide',
  });

  // Of its custom properties, the ends of their names.
  const LOOKS = [
    'height',
    'column',
    'ground',
    'ink',
    'corner',
    'thumbnail',
    'caption-size',
    'caption-width',
    'control',
    'plate',
    'plate-ink',
    'focus',
  ];

  // Shapes of 24 by 24, drawn as lines.
  const SHAPES = {
    previous: 'M15 4 7 12l8 8',
    next: 'm9 4 8 8-8 8',
    play: 'M8 5v14l11-7z',
    pause: 'M8 5v14M16 5v14',
    full: 'M14 4h6v6m0-6-7 7M10 20H4v-6m0 6 7-7',
  };

  const DEFAULTS = {
    arrows: true,
    controls: 'below',
    picker: 'dots',
    counter: false,
    caption: true,
    play: false,
    interval: 5,
    effect: 'side',
    fit: 'crop',
    wide: false,
    full: false,
    loop: true,
    label: 'Pictures',
  };

  /** How a picture comes and how one goes; `way` is 1 forward and -1 back, `far` in CSS px. */
  const EFFECTS = {
    cut: null,
    fade: () => [{ opacity: 0 }, { opacity: 0 }],
    side: (way, far) => [shifted(way * far), shifted(-way * far)],
    up: (way) => [
      { transform: `translateY(${way * 100}%)` },
      { transform: `translateY(${-way * 100}%)` },
    ],
    grow: () => [{ transform: 'scale(0.6)', opacity: 0 }, { opacity: 0 }],
    shrink: () => [{ transform: 'scale(1.5)', opacity: 0 }, { opacity: 0 }],
  };
  const shifted = (x) => ({ transform: `translateX(${x}px)` });

  const calls = []; // [selector, options] of calls before the page was read
  const set = new WeakSet(); // elements that are slideshows already
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

  /** "{n} of {all}" with its values. */
  function filled(words, values) {
    return words.replace(/\{(\w+)\}/g, (all, name) => values[name] ?? all);
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

  /** Copies of nodes that may stand on the page a second time. */
  function copied(nodes) {
    const copies = [...nodes].map((node) => node.cloneNode(true));
    for (const copy of copies)
      if (copy.querySelectorAll)
        [copy, ...copy.querySelectorAll('[id]')].forEach((one) => one.removeAttribute('id'));
    return copies;
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

  /** Over the window's whole width, wherever the element's own place is; CSS px. */
  function widen(element, name) {
    const lay = () => {
      element.style.removeProperty(name);
      const half = (innerWidth - document.documentElement.clientWidth) / 2; // of a scrollbar
      const off = element.getBoundingClientRect().left + half;
      if (Math.abs(off) > 1) element.style.setProperty(name, `${-off}px`);
    };
    new ResizeObserver(lay).observe(document.documentElement);
    lay();
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

  /** The picture of a slide with the file that its link leads to; null without such a link. */
  function linkedPicture(slide) {
    const image = slide.matches('img') ? slide : slide.querySelector('img');
    const link = slide.closest('a') || slide.querySelector('a[href]');
    return image && link && PICTURE.test(link.pathname) ? { image, address: link.href } : null;
  }

  /** What a picture or a video is called for who cannot see it. */
  function saidOf(slide) {
    const shown = slide.matches('img, video') ? slide : slide.querySelector('img, video');
    return shown?.alt || shown?.getAttribute('aria-label') || '';
  }

  /** A slide whose link leads to a picture shows that file; until it is there, its small one. */
  function showFull(slide, width) {
    const linked = linkedPicture(slide);
    if (!linked || linked.image.src === linked.address) return;
    const { image, address } = linked;
    const sources = image.closest('picture')?.querySelectorAll('source') || [];
    if (candidatesOf(image).includes(address)) {
      // The browser chooses among the files that are offered, for the room that there is.
      [image, ...sources].forEach((one) => (one.sizes = `${Math.ceil(width)}px`));
      return;
    }
    const full = new Image();
    full.src = address;
    const put = () => {
      sources.forEach((source) => source.remove());
      image.removeAttribute('srcset');
      image.src = address;
    };
    full.decode().then(put, () => {}); // not to be had: the small one stays
  }

  /** A finger or the pressed pointer sideways; the click at its end is none on a link below. */
  function swipes(stage, on) {
    let from = null;
    let isDrag = false;
    const end = (event) => {
      if (event.pointerId !== from?.pointerId) return;
      const x = event.clientX - from.clientX;
      from = null;
      if (isDrag) on.drop(event.type === 'pointercancel' ? 0 : x);
      setTimeout(() => (isDrag = false));
    };
    stage.addEventListener('pointerdown', (event) => {
      const isBusy = event.target.closest('input, textarea, select, video, audio, button');
      from = event.isPrimary && event.button === 0 && !isBusy ? event : null;
      isDrag = false;
    });
    stage.addEventListener('pointermove', (event) => {
      if (event.pointerId !== from?.pointerId) return;
      const x = event.clientX - from.clientX;
      if (!isDrag && Math.abs(x) > 8 && Math.abs(x) > Math.abs(event.clientY - from.clientY)) {
        isDrag = true;
        stage.setPointerCapture(event.pointerId);
      }
      if (isDrag) on.drag(x);
    });
    stage.addEventListener('pointerup', end);
    stage.addEventListener('pointercancel', end);
    stage.addEventListener('dragstart', (event) => event.preventDefault());
    const stop = (event) => {
      if (!isDrag) return;
      event.preventDefault();
      event.stopPropagation();
    };
    stage.addEventListener('click', stop, true);
  }

  class Slides {
    constructor(holder, options) {
      Object.assign(this, { holder, options, at: 0, playing: false });
      this.isStrip = options.picker === 'strip'; // nothing but the row of small pictures
      this.all = [...holder.children].filter(({ tagName }) => !/^(SCRIPT|TEMPLATE)$/.test(tagName));
      this.slides = this.all;
      this.frame = this.build();
      takeTone(this.frame);
      this.frame.toggleAttribute('data-rtl', isRtl(this.frame));
      takeLook(holder, this.frame);
      if (options.wide) widen(this.frame, '--slides-left');
      this.listen();
      if (this.isStrip) return;
      this.choose();
      this.play(options.play && !wantsLess());
    }

    build() {
      const { options, holder, isStrip } = this;
      const frame = make('section', 'frame');
      Object.assign(frame.dataset, { fit: options.fit, picker: options.picker });
      frame.dataset.controls = options.controls;
      frame.toggleAttribute('data-wide', options.wide);
      frame.setAttribute('aria-roledescription', WORDS.carousel);
      frame.setAttribute('aria-label', options.label);
      this.arrows = [];
      if (!isStrip) this.buildBar(frame);
      holder.before(frame);
      holder.classList.add('slides-set');
      this.stage = make('div', 'stage', frame);
      this.stage.tabIndex = -1;
      this.stage.append(holder);
      if (options.caption && !isStrip) this.caption = make('div', 'caption', frame);
      const picks = options.picker !== 'none' && !isStrip && this.all.length > 1;
      this.picks = picks ? this.buildPicker(make('div', 'picker', frame)) : [];
      if (!isStrip) this.all.forEach((slide) => this.name(slide));
      return frame;
    }

    /** The first thing to come to by keyboard is what stops it (ARIA APG, carousel). */
    buildBar(frame) {
      const { options } = this;
      const bar = make('div', 'bar', frame);
      if (options.play) this.toggle = button('play', bar, () => this.play(!this.playing, true));
      if (options.counter) this.counter = make('p', 'counter', bar);
      if (options.arrows && this.all.length > 1)
        this.arrows = [-1, 1].map((by) =>
          button(by < 0 ? 'previous' : 'next', bar, () => this.step(by)),
        );
      if (options.full && document.fullscreenEnabled)
        button('full', bar, () => {
          if (document.fullscreenElement) document.exitFullscreen();
          else frame.requestFullscreen();
        });
    }

    /** A list keeps its items; links, pictures and videos keep what they are. */
    name(slide) {
      if (/^(A|IMG|VIDEO|PICTURE)$/.test(slide.tagName)) return;
      if (slide.tagName !== 'LI') slide.setAttribute('role', 'group');
      slide.setAttribute('aria-roledescription', WORDS.slide);
    }

    buildPicker(picker) {
      this.picker = picker;
      return this.all.map((slide) => {
        const pick = make('button', 'pick', picker);
        pick.type = 'button';
        pick.addEventListener('click', () => this.show(this.slides.indexOf(slide)));
        const image = slide.matches('img') ? slide : slide.querySelector('img');
        if (image && this.options.picker === 'thumbnails') {
          const small = make('img', 'thumbnail', pick);
          const src = image.currentSrc || image.src;
          Object.assign(small, { loading: 'lazy', alt: '', draggable: false, src });
        }
        return pick;
      });
    }

    listen() {
      const { frame, stage } = this;
      const hear = (name, action) => frame.addEventListener(name, action);
      hear('pointerenter', ({ pointerType }) => this.hold('pointer', pointerType !== 'touch'));
      hear('pointerleave', () => this.hold('pointer', false));
      hear('focusin', (event) => this.hold('focus', this.isWaitedOn(event.target)));
      hear('focusout', () => this.hold('focus', false));
      hear('keydown', (event) => this.key(event));
      document.addEventListener('visibilitychange', () => this.wait());
      document.addEventListener('gallerychange', () => this.choose());
      if (this.isStrip) return;
      swipes(stage, { drag: (x) => this.drag(x), drop: (x) => this.drop(x) });
    }

    /** Who reads a slide, or comes by keyboard, is not hurried on; who has pressed Play is. */
    isWaitedOn(element) {
      return element !== this.toggle && element.matches(':focus-visible');
    }

    /** The slides that are not held back by a filter. */
    choose() {
      if (this.isStrip) return;
      const now = this.slides[this.at];
      this.slides = this.all.filter((slide) => !slide.closest(`[${OUT}]`));
      this.picks.forEach((pick, n) => (pick.hidden = !this.slides.includes(this.all[n])));
      const all = this.slides.length;
      this.slides.forEach((slide, n) => {
        const counted = filled(WORDS.count, { n: n + 1, all });
        if (slide.hasAttribute('aria-roledescription')) slide.setAttribute('aria-label', counted);
        const words = saidOf(slide);
        const pick = this.picks[this.all.indexOf(slide)];
        if (pick) label(pick, words ? `${counted}: ${words}` : counted);
      });
      this.all.forEach((slide) => slide.toggleAttribute(AWAY, slide !== now));
      if (all > 0) this.show(Math.max(0, this.slides.indexOf(now)));
    }

    /** Shows a slide; `way` where it is not told by their order, `from` where a finger left it. */
    show(to, way = Math.sign(to - this.at), from = null) {
      const leaving = this.all.find((slide) => !slide.hasAttribute(AWAY));
      const coming = this.slides[to];
      const focused = leaving?.contains(document.activeElement) && leaving !== coming;
      this.at = to;
      if (leaving !== coming) this.move(leaving, coming, way, from);
      if (focused) (coming.querySelector('a, button, video') || this.stage).focus();
      const all = this.slides.length;
      if (this.counter) this.counter.textContent = filled(WORDS.count, { n: to + 1, all });
      if (this.caption) this.write(coming);
      this.arrows.forEach((arrow, n) => {
        const isEnd = !this.options.loop && to === (n === 0 ? 0 : all - 1);
        arrow.setAttribute('aria-disabled', String(isEnd));
      });
      this.mark(coming);
      this.load(to);
      this.wait();
    }

    /** The figure's caption, else a title, else the alt text. */
    write(slide) {
      const written = slide.querySelector('figcaption');
      const titled = slide.matches('[title]') ? slide : slide.querySelector('[title]');
      const words = titled?.title || saidOf(slide);
      const nodes = written?.textContent.trim() ? copied(written.childNodes) : [words];
      this.caption.replaceChildren();
      make('div', 'line', this.caption).append(...nodes);
      this.caption.scrollTop = 0;
      const scrolls = this.caption.scrollHeight > this.caption.clientHeight + 1;
      if (scrolls) this.caption.tabIndex = 0;
      else this.caption.removeAttribute('tabindex');
    }

    mark(slide) {
      const now = this.picks[this.all.indexOf(slide)];
      this.picks.forEach((pick) => pick.setAttribute('aria-current', String(pick === now)));
      if (!now) return;
      const left = now.offsetLeft + now.offsetWidth / 2 - this.picker.clientWidth / 2;
      this.picker.scrollTo({ left, behavior: wantsLess() ? 'auto' : 'smooth' });
    }

    /** The slide and the two beside it, so that a step shows no empty frame. */
    load(at) {
      for (const near of [this.slides[at], this.slides[at + 1], this.slides[at - 1]]) {
        if (!near) continue;
        near.querySelectorAll('img[loading="lazy"]').forEach((image) => (image.loading = 'eager'));
        showFull(near, this.stage.clientWidth);
      }
    }

    move(leaving, coming, way, from) {
      const { options, holder } = this;
      holder.getAnimations({ subtree: true }).forEach((animation) => animation.finish());
      coming.removeAttribute(AWAY);
      const effect = wantsLess() ? null : EFFECTS[from === null ? options.effect : 'side'];
      if (!leaving || !effect) return leaving?.toggleAttribute(AWAY, true);
      const isSide = options.effect === 'side' || from !== null;
      const turn = isSide && isRtl(holder) ? -way : way;
      const far = options.wide ? innerWidth : holder.clientWidth;
      const [enter, leave] = effect(turn, far);
      const start = from === null ? [enter, {}] : [shifted(turn * far + from), shifted(from)];
      const timing = { duration: TIME, easing: 'ease' };
      coming.animate([start[0], {}], timing);
      const gone = () => leaving.toggleAttribute(AWAY, this.slides[this.at] !== leaving);
      leaving.animate([start[1], leave], timing).finished.then(gone, gone);
    }

    /** Where a step leads to; undefined at an end. */
    beside(by) {
      const all = this.slides.length;
      const to = this.options.loop ? (this.at + by + all) % all : this.at + by;
      return to === this.at || !this.slides[to] ? undefined : to;
    }

    step(by, from = null) {
      const to = this.beside(by);
      if (to !== undefined) this.show(to, by, from);
    }

    /** The slide follows the finger, with the one beside it. */
    drag(x) {
      const by = x < 0 !== isRtl(this.holder) ? 1 : -1;
      const now = this.slides[this.at];
      const near = this.slides[this.beside(by)];
      const far = (this.options.wide ? innerWidth : this.holder.clientWidth) * -Math.sign(x);
      this.letGo();
      now.style.transform = shifted(near ? x : x / 3).transform;
      if (!near || wantsLess()) return;
      near.removeAttribute(AWAY);
      near.style.transform = shifted(far + x).transform;
      this.near = near;
    }

    drop(x) {
      const by = x < 0 !== isRtl(this.holder) ? 1 : -1;
      const now = this.slides[this.at];
      const { transform } = now.style;
      this.letGo();
      if (Math.abs(x) > SWIPE && this.beside(by) !== undefined) return this.step(by, x);
      const back = { duration: TIME / 2, easing: 'ease-out' };
      if (!wantsLess()) now.animate([{ transform }, {}], back);
    }

    letGo() {
      this.slides[this.at].style.transform = '';
      if (!this.near) return;
      this.near.style.transform = '';
      this.near.setAttribute(AWAY, '');
      this.near = null;
    }

    key(event) {
      if (!isOurs(event) || this.isStrip) return;
      const forward = isRtl(this.frame) ? 'ArrowLeft' : 'ArrowRight';
      if (!/^Arrow(Left|Right)$/.test(event.key)) return;
      event.preventDefault();
      this.step(event.key === forward ? 1 : -1);
    }

    /** While it plays, a screen reader is not told of each picture; stopped, it is. */
    play(isOn) {
      this.playing = isOn;
      if (this.toggle) {
        label(this.toggle, isOn ? WORDS.pause : WORDS.play);
        draw(this.toggle, isOn ? 'pause' : 'play');
      }
      this.stage.setAttribute('aria-live', isOn ? 'off' : 'polite');
      this.wait();
    }

    /** Reasons to wait, by name. */
    hold(reason, isOn) {
      this.held = { ...this.held, [reason]: isOn };
      this.wait();
    }

    wait() {
      clearTimeout(this.timer);
      const isHeld = Object.values(this.held || {}).some(Boolean);
      const isCovered = document.documentElement.hasAttribute(OVER);
      if (!this.playing || isHeld || isCovered || document.hidden) return;
      this.timer = setTimeout(() => this.step(1), this.options.interval * 1000);
    }
  }

  function start(holder, given) {
    if (set.has(holder) || holder.children.length === 0) return;
    set.add(holder);
    new Slides(holder, optionsOf(holder, given));
  }

  /** A call for a marked element gives it options; what stands in the markup wins. */
  function run() {
    begun = true;
    const each = (selector, given) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    calls.forEach(([selector, given]) => each(selector, given));
    each(`[${MARKER}]`);
  }

  window.startSlides = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    calls.push([selector, given]);
    if (begun) run();
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
