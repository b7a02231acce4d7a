/*
 * Opening slideshow: pictures as wide as the window that fade into one another at the top of a page.
 *
 *   <div data-opening data-opening-height="75"> <img src="large/kite.jpg" alt="…"> … </div>
 *   startOpening('.welcome', { height: 100, under: 'header' });
 *
 * Without this script the first picture stands still. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';

  const MARKER = 'data-opening';
  const DEFAULTS = {
    height: 75,
    interval: 6,
    play: true,
    arrows: true,
    under: '',
    label: 'Pictures',
  };
  const WORDS = {
    play: 'Play',
    pause: 'Pause',
    previous: 'Previous picture',
    next: 'Next picture',
  };
  const PICTURE = /\.(avif|gif|jpe?g|png|svg|webp)$/i;
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
    const slides = [...holder.children];
    if (set.has(holder) || slides.length === 0) return;
    set.add(holder);
    const options = optionsOf(holder, given);
    let place = 0;
    let timer = 0;
    let playing =
      options.play && slides.length > 1 && !matchMedia('(prefers-reduced-motion: reduce)').matches;

    holder.classList.add('opening');
    if (!holder.hasAttribute('role')) holder.setAttribute('role', 'group');
    holder.setAttribute('aria-label', options.label);
    holder.style.setProperty('--opening-height', `${options.height}vh`);
    slides.forEach((slide, n) => slide.classList.toggle('opening-now', n === 0));

    // The page's header lies over the pictures: they begin as much higher as it is tall.
    const header = options.under ? document.querySelector(options.under) : null;
    if (header) {
      header.classList.add('opening-header');
      const lift = () => holder.style.setProperty('--opening-lift', `${-header.offsetHeight}px`);
      lift();
      new ResizeObserver(lift).observe(header);
    }
    new ResizeObserver(() =>
      holder.style.setProperty('--opening-width', `${document.documentElement.clientWidth}px`),
    ).observe(document.documentElement);

    function show(next) {
      place = next;
      slides.forEach((slide, n) => {
        slide.classList.toggle('opening-now', n === place);
        slide.inert = n !== place;
      });
      const near = slides[(place + 1) % slides.length];
      [near, ...near.querySelectorAll('img')].forEach((one) => {
        if (one.loading) one.loading = 'eager';
      });
      [slides[place], near].forEach(showFull);
      wait();
    }

    function wait() {
      clearTimeout(timer);
      if (playing && !document.hidden)
        timer = setTimeout(() => show((place + 1) % slides.length), options.interval * 1000);
    }

    if (slides.length > 1) {
      const bar = document.createElement('div');
      bar.className = 'opening-bar';
      const button = (name, action) => {
        const element = document.createElement('button');
        element.type = 'button';
        element.className = `opening-${name}`;
        element.setAttribute('aria-label', WORDS[name]);
        element.addEventListener('click', action);
        bar.append(element);
        return element;
      };
      const toggle = button('play', () => {
        playing = !playing;
        label();
        wait();
      });
      if (options.arrows)
        [
          ['previous', -1],
          ['next', 1],
        ].forEach(([name, by]) =>
          button(name, () => show((place + by + slides.length) % slides.length)),
        );
      const label = () => {
        toggle.dataset.state = playing ? 'playing' : 'paused';
        toggle.setAttribute('aria-label', playing ? WORDS.pause : WORDS.play);
      };
      label();
      holder.append(bar);
      document.addEventListener('visibilitychange', wait);
    }
    show(0);
  }

  function run() {
    begun = true;
    calls.forEach(([selector, given]) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given)),
    );
    document.querySelectorAll(`[${MARKER}]`).forEach((holder) => start(holder));
  }

  window.startOpening = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    if (begun) document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    else calls.push([selector, given]);
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
