/*
 * Opening slideshow: pictures as wide as the window that give way to one another at the top of a
 * page.
 *
 *   <div data-opening data-opening-height="75"> <img src="large/kite.jpg" alt="…"> … </div>
 *   startOpening('.welcome', { height: 100, under: 'header' });
 *
 * Without this script the first picture stands still. A classic script, so that it also runs from
 * disk.
 */
(() => {
  'use strict';
  if (window.startOpening) return; // included twice, it acts once

  const MARKER = 'data-opening';
  const NAME = 'opening';
  const OVER = 'data-gallery-over'; // on <html> while something lies over the page
  const PICTURE = /\.(avif|gif|jpe?g|png|svg|webp)$/i;
  const SWIPE = 48; // CSS px that a finger must travel

  const WORDS = wordsOf({
    previous: 'Previous picture',
    next: 'Next picture',
    play: 'Play',
    pause: 'Pause',
    count: '{n} of {all}',
    carousel: 'carousel',
    slide: 'slide',
  });

  // Shapes of 24 by 24, drawn as lines.
  const SHAPES = {
    previous: 'M15 4 7 12l8 8',
    next: 'm9 4 8 8-8 8',
    play: 'M8 5v14l11-7z',
    pause: 'M8 5v14M16 5v14',
  };

  const DEFAULTS = {
    height: 75,
    interval: 6,
    play: true,
    arrows: true,
    under: '',
    label: 'Pictures',
  };

  const calls = []; // [selector, options] of calls before the page was read
  const set = new WeakSet(); // elements that are opening slideshows already
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

  class Opening {
    constructor(holder, options) {
      Object.assign(this, { holder, options, at: 0, playing: false });
      this.slides = [...holder.children];
      this.build();
      this.name();
      takeTone(holder);
      holder.toggleAttribute('data-rtl', isRtl(holder));
      widen(holder, '--opening-left');
      if (options.under) this.lieUnder(document.querySelector(options.under));
      if (this.slides.length > 1) this.listen();
      this.show(0);
      this.play(options.play && this.slides.length > 1 && !wantsLess());
    }

    build() {
      const { holder, options } = this;
      holder.classList.add('opening');
      holder.style.setProperty('--opening-share', options.height);
      if (this.slides.length < 2) return;
      const bar = make('div', 'bar');
      this.toggle = button('play', bar, () => this.play(!this.playing));
      if (options.arrows) {
        button('previous', bar, () => this.step(-1));
        button('next', bar, () => this.step(1));
      }
      // The first thing to come to by keyboard is what stops it (ARIA APG, carousel).
      holder.prepend(bar);
      this.bar = bar;
    }

    /** Lists keep their items; links and pictures keep what they are. */
    name() {
      const { holder, slides, options } = this;
      const isList = /^[OU]L$/.test(holder.tagName);
      if (!isList && !holder.hasAttribute('role')) holder.setAttribute('role', 'group');
      if (isList) this.bar?.setAttribute('role', 'listitem');
      holder.setAttribute('aria-label', options.label);
      if (!isList) holder.setAttribute('aria-roledescription', WORDS.carousel);
      slides.forEach((slide, n) => {
        if (/^(A|IMG|VIDEO|PICTURE|LI)$/.test(slide.tagName)) return;
        slide.setAttribute('role', 'group');
        slide.setAttribute('aria-roledescription', WORDS.slide);
        const counted = filled(WORDS.count, { n: n + 1, all: slides.length });
        slide.setAttribute('aria-label', counted);
      });
    }

    /** The page's header lies over the pictures: they begin as much higher as it is tall. */
    lieUnder(header) {
      if (!header) return;
      header.classList.add('opening-header');
      const lift = () =>
        this.holder.style.setProperty('--opening-lift', `${-header.offsetHeight}px`);
      new ResizeObserver(lift).observe(header);
      lift();
    }

    listen() {
      const { holder } = this;
      const hear = (name, action) => holder.addEventListener(name, action);
      hear('pointerenter', ({ pointerType }) => this.hold('pointer', pointerType !== 'touch'));
      hear('pointerleave', () => this.hold('pointer', false));
      hear('focusin', ({ target }) =>
        this.hold('focus', target !== this.toggle && target.matches(':focus-visible')),
      );
      hear('focusout', () => this.hold('focus', false));
      hear('keydown', (event) => this.key(event));
      document.addEventListener('visibilitychange', () => this.wait());
      document.addEventListener('gallerychange', () => this.wait());
      swipes(holder, { drag: (x) => this.drag(x), drop: (x) => this.drop(x) });
    }

    show(to) {
      const { slides } = this;
      const focused = slides[this.at].contains(document.activeElement) && to !== this.at;
      this.at = to;
      slides.forEach((slide, n) => {
        slide.classList.toggle('opening-now', n === to);
        slide.inert = n !== to;
      });
      if (focused) this.toggle.focus();
      const near = [slides[to], slides[(to + 1) % slides.length]];
      for (const one of new Set(near)) {
        [one, ...one.querySelectorAll('img')].forEach((each) => {
          if (each.loading) each.loading = 'eager';
        });
        showFull(one, innerWidth);
      }
      this.wait();
    }

    step(by) {
      const all = this.slides.length;
      this.show((this.at + by + all) % all);
    }

    /** The picture follows the finger a little, and gives way when it is let go. */
    drag(x) {
      this.slides[this.at].style.transform = wantsLess() ? '' : `translateX(${x}px)`;
    }

    drop(x) {
      const slide = this.slides[this.at];
      const { transform } = slide.style;
      slide.style.transform = '';
      if (Math.abs(x) > SWIPE) this.step(x < 0 !== isRtl(this.holder) ? 1 : -1);
      if (transform) slide.animate([{ transform }, {}], { duration: 200, easing: 'ease-out' });
    }

    key(event) {
      if (!isOurs(event) || !/^Arrow(Left|Right)$/.test(event.key)) return;
      event.preventDefault();
      const forward = isRtl(this.holder) ? 'ArrowLeft' : 'ArrowRight';
      this.step(event.key === forward ? 1 : -1);
    }

    /** While it plays, a screen reader is not told of each picture; stopped, it is. */
    play(isOn) {
      this.playing = isOn;
      if (!this.toggle) return;
      label(this.toggle, isOn ? WORDS.pause : WORDS.play);
      draw(this.toggle, isOn ? 'pause' : 'play');
      this.holder.setAttribute('aria-live', isOn ? 'off' : 'polite');
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
    new Opening(holder, optionsOf(holder, given));
  }

  /** A call for a marked element gives it options; what stands in the markup wins. */
  function run() {
    begun = true;
    const each = (selector, given) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    calls.forEach(([selector, given]) => each(selector, given));
    each(`[${MARKER}]`);
  }

  window.startOpening = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    calls.push([selector, given]);
    if (begun) run();
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
