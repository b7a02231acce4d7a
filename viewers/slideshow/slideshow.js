/*
 * Slideshow: shows the items of an element one at a time, in their place.
 *
 * Mark the element that holds them with data-slides:
 *   <ul data-slides data-slides-effect="fade"><li><a href="large/kite.jpg"><img src="small/kite.jpg" alt="A kite"></a></li> … </ul>
 * or start it with options:
 *   startSlides('.kites', { effect: 'fade', picker: 'thumbnails' });
 *
 * An item may hold anything: a picture, a link to anywhere, words, a video. Without this script the items stand in a row
 * that can be scrolled sideways. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';

  const MARKER = 'data-slides';
  const DEFAULTS = {
    arrows: true,
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
  const WORDS = {
    previous: 'Previous picture',
    next: 'Next picture',
    play: 'Play',
    pause: 'Pause',
    full: 'Full screen',
    of: ' of ',
    pick: 'Show picture ',
  };
  const SWIPE = 48; // CSS px that a finger must travel
  const TIME = 450; // ms of a transition
  const PICTURE = /\.(avif|gif|jpe?g|png|svg|webp)$/i;

  /** How a picture comes and how one goes; `way` is 1 forward and -1 back. */
  const EFFECTS = {
    cut: null,
    fade: () => [{ opacity: 0 }, { opacity: 0 }],
    side: (way, far) => [
      { transform: `translateX(${way * far}px)` },
      { transform: `translateX(${-way * far}px)` },
    ],
    up: (way) => [
      { transform: `translateY(${way * 100}%)` },
      { transform: `translateY(${-way * 100}%)` },
    ],
    grow: () => [{ transform: 'scale(0.6)', opacity: 0 }, { opacity: 0 }],
    shrink: () => [{ transform: 'scale(1.5)', opacity: 0 }, { opacity: 0 }],
  };

  const calls = [];
  const set = new WeakSet();
  let begun = false;

  /** What the markup says, as what its default is: a switch, a number, or words. */
  function asWritten(written, usual) {
    if (typeof usual === 'boolean') return written !== 'off';
    return typeof usual === 'number' ? Number(written) : written;
  }

  function optionsOf(holder, given) {
    const options = { ...DEFAULTS, ...given };
    for (const name in DEFAULTS) {
      const written = holder.getAttribute(`${MARKER}-${name}`);
      if (written !== null) options[name] = asWritten(written, DEFAULTS[name]);
    }
    return options;
  }

  function make(tag, name, inside) {
    const element = document.createElement(tag);
    element.className = `slides-${name}`;
    if (inside) inside.append(element);
    return element;
  }

  function button(name, label, inside, action) {
    const element = make('button', name, inside);
    element.type = 'button';
    element.setAttribute('aria-label', label);
    element.addEventListener('click', action);
    return element;
  }

  const captionOf = (slide) => {
    const written = slide.querySelector('figcaption');
    const titled = slide.querySelector('[title]') || slide;
    const image = slide.querySelector('img');
    return (written && written.textContent.trim()) || titled.title || (image && image.alt) || '';
  };

  /** A slide whose link leads to a picture shows that file; its small one stands enlarged until it is there. */
  function showFull(slide) {
    const image = slide.querySelector('img');
    const link = slide.closest('a') || slide.querySelector('a[href]');
    if (!image || !link || !PICTURE.test(link.pathname) || link.href === image.src) return;
    const full = new Image();
    full.src = link.href;
    full.decode().then(
      () => {
        // What a <picture> or a srcset offers would be chosen instead.
        const around = image.closest('picture');
        if (around) around.querySelectorAll('source').forEach((source) => source.remove());
        image.removeAttribute('srcset');
        image.src = link.href;
      },
      () => {},
    ); // not to be had: the small one stays
  }

  function start(holder, given) {
    const slides = [...holder.children].filter(
      (child) => !/^(SCRIPT|TEMPLATE)$/.test(child.tagName),
    );
    if (set.has(holder) || slides.length === 0) return;
    set.add(holder);
    const options = optionsOf(holder, given);
    const still = matchMedia('(prefers-reduced-motion: reduce)');
    let place = 0;
    let timer = 0;
    let playing = false;
    let held = 0; // reasons to wait: the pointer, the focus

    const frame = make('section', 'frame');
    frame.dataset.fit = options.fit;
    frame.dataset.picker = options.picker;
    frame.toggleAttribute('data-wide', options.wide);
    frame.setAttribute('aria-roledescription', 'carousel');
    frame.setAttribute('aria-label', options.label);
    const stage = make('div', 'stage');
    slides.forEach((slide, n) => {
      [slide, ...slide.querySelectorAll('img, a')].forEach((one) => {
        one.draggable = false;
      });
      // A list keeps its items; links, pictures and videos keep what they are.
      if (/^(A|IMG|VIDEO|PICTURE)$/.test(slide.tagName)) return;
      if (slide.tagName !== 'LI') slide.setAttribute('role', 'group');
      slide.setAttribute('aria-roledescription', 'slide');
      slide.setAttribute('aria-label', `${n + 1}${WORDS.of}${slides.length}`);
    });
    const strip = options.picker === 'strip'; // nothing but the row of small pictures
    const bar = make('div', 'bar', frame);
    const toggle =
      options.play && !strip ? button('play', WORDS.play, bar, () => play(!playing, true)) : null;
    const arrows =
      options.arrows && !strip
        ? [
            button('previous', WORDS.previous, bar, () => step(-1)),
            button('next', WORDS.next, bar, () => step(1)),
          ]
        : [];
    const counter = options.counter ? make('p', 'counter', bar) : null;
    if (options.full && document.fullscreenEnabled)
      button('full', WORDS.full, bar, () =>
        document.fullscreenElement ? document.exitFullscreen() : frame.requestFullscreen(),
      );
    holder.before(frame);
    holder.classList.add('slides-set');
    stage.append(holder);
    frame.append(stage);
    const caption = options.caption && !strip ? make('p', 'caption', frame) : null;
    const picker =
      strip || options.picker === 'none' || slides.length < 2 ? null : make('div', 'picker', frame);
    const picks = picker ? slides.map((slide, n) => pick(slide, n, picker)) : [];

    function pick(slide, n, inside) {
      const one = button('pick', WORDS.pick + (n + 1), inside, () => show(n));
      const image = options.picker === 'dots' ? null : slide.querySelector('img');
      if (image) {
        const small = make('img', 'thumbnail', one);
        Object.assign(small, {
          src: image.currentSrc || image.src,
          alt: '',
          loading: 'lazy',
          draggable: false,
        });
      }
      return one;
    }

    function show(next, way) {
      const from = slides[place];
      const to = slides[next];
      if (from !== to) move(from, to, way || Math.sign(next - place));
      place = next;
      if (counter) counter.textContent = `${place + 1}${WORDS.of}${slides.length}`;
      if (caption) caption.textContent = to.querySelector('figcaption') ? '' : captionOf(to);
      picks.forEach((one, n) => one.setAttribute('aria-current', String(n === place)));
      if (picks[place] && options.picker !== 'dots')
        picker.scrollTo({
          left: picks[place].offsetLeft - (picker.clientWidth - picks[place].offsetWidth) / 2,
          behavior: still.matches ? 'auto' : 'smooth',
        });
      arrows.forEach((arrow, n) =>
        arrow.setAttribute(
          'aria-disabled',
          String(!options.loop && place === (n ? slides.length - 1 : 0)),
        ),
      );
      // The two beside it come early, so that a step shows no empty frame.
      [slides[place], slides[place + 1], slides[place - 1]].filter(Boolean).forEach((near) => {
        near.querySelectorAll('img[loading="lazy"]').forEach((image) => {
          image.loading = 'eager';
        });
        if (!strip) showFull(near);
      });
      wait();
    }

    function move(from, to, way) {
      const rtl = getComputedStyle(frame).direction === 'rtl' ? -1 : 1;
      const effect = still.matches ? null : EFFECTS[options.effect];
      holder.getAnimations({ subtree: true }).forEach((animation) => animation.finish());
      to.hidden = false;
      if (!effect) {
        from.hidden = true;
        return;
      }
      const [enter, leave] = effect(
        way * (options.effect === 'side' ? rtl : 1),
        options.wide ? innerWidth : holder.clientWidth,
      );
      to.animate([enter, {}], { duration: TIME, easing: 'ease' });
      from.animate([{}, leave], { duration: TIME, easing: 'ease' }).finished.then(() => {
        from.hidden = slides[place] !== from;
      });
    }

    function step(by) {
      const next = place + by;
      if (options.loop) show((next + slides.length) % slides.length, by);
      else if (slides[next]) show(next, by);
    }

    /** While it plays, a screen reader is not told of each picture; stopped, it is. */
    function play(on, asked) {
      playing = on && !(still.matches && !asked);
      if (toggle) {
        toggle.dataset.state = playing ? 'playing' : 'paused';
        toggle.setAttribute('aria-label', playing ? WORDS.pause : WORDS.play);
      }
      stage.setAttribute('aria-live', playing ? 'off' : 'polite');
      wait();
    }

    function wait() {
      clearTimeout(timer);
      if (playing && !held && !document.hidden)
        timer = setTimeout(() => step(1), options.interval * 1000);
    }

    function hold(on, reason) {
      held = on ? held | reason : held & ~reason;
      wait();
    }

    frame.addEventListener('pointerenter', () => hold(true, 1));
    frame.addEventListener('pointerleave', () => hold(false, 1));
    frame.addEventListener('focusin', (event) => hold(event.target.matches(':focus-visible'), 2));
    frame.addEventListener('focusout', () => hold(false, 2));
    document.addEventListener('visibilitychange', wait);
    frame.addEventListener('keydown', (event) => {
      if (event.target.closest('input, textarea, select, video, audio')) return;
      const forward = getComputedStyle(frame).direction === 'rtl' ? 'ArrowLeft' : 'ArrowRight';
      if (event.key === 'ArrowLeft' || event.key === 'ArrowRight')
        step(event.key === forward ? 1 : -1);
      else return;
      event.preventDefault();
    });
    swipes(stage, (by) => step(getComputedStyle(frame).direction === 'rtl' ? -by : by));
    if (options.wide)
      new ResizeObserver(() =>
        frame.style.setProperty('--slides-window', `${document.documentElement.clientWidth}px`),
      ).observe(document.documentElement);

    if (!strip)
      slides.forEach((slide, n) => {
        slide.hidden = n > 0;
      });
    show(0);
    play(options.play && !strip);
  }

  /** A finger or a pressed pointer that travels sideways; the click at its end is no click on the link below. */
  function swipes(stage, turn) {
    let from = null;
    let swiped = false;
    stage.addEventListener('pointerdown', (event) => {
      from = event.isPrimary ? event.clientX : null;
      swiped = false;
    });
    stage.addEventListener('pointercancel', () => {
      from = null;
    });
    addEventListener('pointerup', (event) => {
      const way = from === null ? 0 : event.clientX - from;
      from = null;
      swiped = Math.abs(way) > SWIPE;
      if (swiped) turn(way < 0 ? 1 : -1);
    });
    stage.addEventListener(
      'click',
      (event) => {
        if (swiped) {
          event.preventDefault();
          event.stopPropagation();
        }
        swiped = false;
      },
      true,
    );
  }

  function run() {
    begun = true;
    // A call for a marked element gives it options; what stands in the markup wins.
    calls.forEach(([selector, given]) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given)),
    );
    document.querySelectorAll(`[${MARKER}]`).forEach((holder) => start(holder));
  }

  window.startSlides = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    if (begun) document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    else calls.push([selector, given]);
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
