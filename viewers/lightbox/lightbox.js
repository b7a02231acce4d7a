/*
 * Lightbox: shows what a link leads to over the page: a picture, a video, a part of the page, or words.
 *
 * Mark a link with data-enlarge; links with the same data-enlarge-group can be stepped through.
 *   <a href="large/kite.jpg" data-enlarge data-enlarge-group="meadow"><img src="small/kite.jpg" alt="A kite"></a>
 * Marked links are found by themselves. For others, or for options:
 *   startLightbox('.pictures a', { counter: false });
 *
 * Without this script every link still opens what it leads to. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';

  const MARKER = 'data-enlarge';
  const SWIPE = 48; // CSS px that a finger must travel
  const WORDS = {
    close: 'Close',
    previous: 'Previous picture',
    next: 'Next picture',
    full: 'Full screen',
    tab: 'Open by itself',
    info: 'About this picture',
    loading: 'Loading…',
    failed: 'This picture could not be loaded.',
    label: 'Enlarged picture',
    of: ' of ',
  };
  const VIDEO = /\.(mp4|m4v|webm|ogv)$/i;

  // Each is also an attribute of one link: data-enlarge-counter="off".
  const options = {
    counter: true,
    arrows: true,
    caption: true,
    words: 'figure',
    loop: false,
    ahead: true,
    full: false,
    tab: false,
    info: '',
    place: '',
    open: '',
  };
  const selectors = [`a[${MARKER}]`];
  let modal = null; // the box over the page, made when first needed
  const placed = new Map(); // small boxes at a place of the window, by their link

  /** Options by call; for one link its own attribute wins. */
  window.startLightbox = (selector, given) => {
    if (typeof selector === 'string') {
      document.querySelector(selector); // a selector with a mistake in it is reported here, at the call
      selectors.push(selector);
    } else given = selector;
    for (const name in given)
      if (name in options)
        options[name] = typeof options[name] === 'boolean' ? Boolean(given[name]) : given[name];
  };

  function option(link, name) {
    const written = link.getAttribute(`${MARKER}-${name}`);
    if (written === null) return options[name];
    return typeof options[name] === 'boolean' ? written !== 'off' : written;
  }

  /** The element that an address names behind its `#`; a name that is no proper one names nothing. */
  function namedBy(hash) {
    try {
      return hash.length > 1 ? document.getElementById(decodeURIComponent(hash.slice(1))) : null;
    } catch {
      return null;
    }
  }

  const marked = () => [...document.querySelectorAll(selectors.join(','))];

  function groupOf(link) {
    const name = link.getAttribute(`${MARKER}-group`);
    return name
      ? marked().filter((other) => other.getAttribute(`${MARKER}-group`) === name)
      : [link];
  }

  /** An attribute of its own, else what data-enlarge-words asks for first, else figure caption, title, alt text. */
  function captionOf(link) {
    const own = link.getAttribute(`${MARKER}-caption`);
    if (own !== null) return own === 'off' ? '' : own;
    const figure = link.closest('figure');
    const written = figure && figure.querySelector('figcaption');
    const image = link.querySelector('img');
    const found = {
      figure: written ? written.textContent.trim() : '',
      title: link.title,
      alt: image ? image.alt : '',
    };
    return found[option(link, 'words')] || found.figure || found.title || found.alt;
  }

  function make(tag, name, inside, text) {
    const element = document.createElement(tag);
    element.className = `enlarge-${name}`;
    if (text) element.textContent = text;
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

  /** One box: over the whole page, or small at a place of the window beside others. */
  function makeBox(small) {
    const dialog = document.createElement('dialog');
    dialog.className = small ? 'enlarge enlarge-small' : 'enlarge';
    dialog.setAttribute('aria-label', WORDS.label);
    // A dialog itself cannot take the full screen (Fullscreen API, §4), so its inside does.
    const inside = make('div', 'inside', dialog);
    const bar = make('div', 'bar', inside);
    const counter = make('p', 'counter', bar);
    const info = button('info', WORDS.info, bar, () => {
      parts.about.hidden = !parts.about.hidden;
      info.setAttribute('aria-expanded', String(!parts.about.hidden));
    });
    const tab = make('a', 'tab', bar);
    Object.assign(tab, { target: '_blank', rel: 'noopener' });
    tab.setAttribute('aria-label', WORDS.tab);
    const full = button('full', WORDS.full, bar, () =>
      document.fullscreenElement ? document.exitFullscreen() : inside.requestFullscreen(),
    );
    const close = button('close', WORDS.close, bar, () => dialog.close());
    close.autofocus = true;
    const previous = button('previous', WORDS.previous, inside, () => step(-1));
    const stage = make('figure', 'stage', inside);
    const next = button('next', WORDS.next, inside, () => step(1));
    const text = make('div', 'caption', inside);
    const parts = { about: make('dl', 'about', stage), note: make('p', 'note', stage) };
    let links = [];
    let place = 0;
    let opener = null;
    let content = null;
    let lent = null; // a part of the page that is shown now, and how it stood there
    let swiped = false; // a drag ends with a click, which must not close what it has just turned

    counter.setAttribute('aria-live', 'polite');
    parts.note.setAttribute('role', 'status');

    function state(name, note) {
      stage.dataset.state = name;
      parts.note.textContent = note;
    }

    function step(by) {
      let to = place + by;
      if (option(links[place], 'loop')) to = (to + links.length) % links.length;
      if (to >= 0 && to < links.length && to !== place) show(to);
    }

    function clear() {
      if (lent) {
        lent.part.hidden = lent.hidden;
        lent.mark.replaceWith(lent.part);
      }
      lent = null;
      if (content) content.remove();
      content = null;
    }

    /** A picture, a video by its ending, a part of the page by its address, or the words of data-enlarge-text. */
    function fill(link) {
      const said = link.getAttribute(`${MARKER}-text`);
      const target =
        said === null && link.href.split('#')[0] === location.href.split('#')[0]
          ? namedBy(link.hash)
          : null;
      if (said !== null || target) {
        content = make('div', 'part', stage, said);
        if (target) {
          lent = { part: target, hidden: target.hidden, mark: document.createComment('') };
          target.replaceWith(lent.mark);
          content.append(target);
          target.hidden = false;
        }
        content.tabIndex = 0;
        return state('shown', '');
      }
      const video = VIDEO.test(new URL(link.href).pathname);
      content = make(video ? 'video' : 'img', 'picture');
      state('loading', WORDS.loading);
      content.addEventListener(video ? 'loadeddata' : 'load', () => {
        state('shown', '');
        lookAhead(link);
      });
      content.addEventListener('error', () => state('failed', WORDS.failed));
      if (video) content.controls = true;
      else {
        const image = link.querySelector('img');
        content.alt = image ? image.alt : '';
        content.draggable = false;
      }
      content.src = link.href;
      stage.append(content);
    }

    function show(to) {
      place = to;
      const link = links[place];
      const loop = option(link, 'loop') && links.length > 1;
      const arrows = option(link, 'arrows') && links.length > 1;
      clear();
      fill(link);
      counter.textContent =
        option(link, 'counter') && links.length > 1 ? place + 1 + WORDS.of + links.length : '';
      text.textContent = option(link, 'caption') ? captionOf(link) : '';
      const more = link.getAttribute(`${MARKER}-description`);
      if (more) make('p', 'description', text, more);
      about(option(link, 'info'));
      tab.href = link.href;
      tab.hidden = !option(link, 'tab');
      full.hidden = !option(link, 'full') || !document.fullscreenEnabled;
      setHidden(previous, !arrows || (!loop && place === 0));
      setHidden(next, !arrows || (!loop && place === links.length - 1));
    }

    /** The pictures beside it, once it is there itself: before that they would only hold it up. */
    function lookAhead(link) {
      if (option(link, 'ahead'))
        [place - 1, place + 1].forEach((near) => {
          if (links[near] && !VIDEO.test(links[near].href)) new Image().src = links[near].href;
        });
    }

    /** "Camera: Box; Taken: 3 May" as a list of names and values. */
    function about(said) {
      parts.about.hidden = true;
      info.hidden = !said;
      info.setAttribute('aria-expanded', 'false');
      parts.about.replaceChildren();
      for (const piece of said ? said.split(';') : []) {
        const at = piece.indexOf(':');
        make('dt', 'name', parts.about, piece.slice(0, Math.max(0, at)).trim());
        make('dd', 'value', parts.about, piece.slice(at + 1).trim());
      }
    }

    /** A button that goes while it has the focus hands it on. */
    function setHidden(element, hidden) {
      const focused = document.activeElement === element;
      element.hidden = hidden;
      if (hidden && focused)
        ([next, previous].find((one) => one !== element && !one.hidden) || close).focus();
    }

    /** Tab goes round inside the dialog and never out to the browser's own bars. */
    function turnFocus(event) {
      const stops = [
        ...dialog.querySelectorAll('button, a[href], video, [tabindex], input, select, textarea'),
      ].filter((one) => one.checkVisibility() && one.tabIndex >= 0);
      const at = stops.indexOf(document.activeElement);
      stops[(at + (event.shiftKey ? -1 : 1) + stops.length) % stops.length].focus();
    }

    dialog.addEventListener('keydown', (event) => {
      if (event.target.matches('video, input, textarea, select') && event.key !== 'Tab') return;
      const forward = getComputedStyle(dialog).direction === 'rtl' ? 'ArrowLeft' : 'ArrowRight';
      if (event.key === 'ArrowLeft' || event.key === 'ArrowRight')
        step(event.key === forward ? 1 : -1);
      else if (event.key === 'Home') show(0);
      else if (event.key === 'End') show(links.length - 1);
      else if (event.key === 'Tab' && !small) turnFocus(event);
      else if (event.key === 'Escape' && small) dialog.close();
      else return;
      event.preventDefault();
    });
    dialog.addEventListener('click', (event) => {
      if (
        !small &&
        !swiped &&
        !event.target.closest('button, a, dl, .enlarge-picture, .enlarge-part, .enlarge-caption')
      )
        dialog.close();
      swiped = false;
    });
    dialog.addEventListener('close', () => {
      // Told a moment later; it may have been opened again since.
      if (dialog.open) return;
      clear();
      if (small) dialog.remove();
      if (opener) opener.focus();
    });
    let from = null;
    dialog.addEventListener('pointerdown', () => {
      swiped = false;
    });
    stage.addEventListener('pointerdown', (event) => {
      from = event.isPrimary ? event.clientX : null;
    });
    stage.addEventListener('pointercancel', () => {
      from = null;
    });
    stage.addEventListener('pointerup', (event) => {
      const way = from === null ? 0 : event.clientX - from;
      from = null;
      swiped = Math.abs(way) > SWIPE;
      // The click comes in the same breath, or not at all where what was pressed is gone.
      if (swiped)
        setTimeout(() => {
          swiped = false;
        });
      if (swiped) step(way < 0 === (getComputedStyle(stage).direction !== 'rtl') ? 1 : -1);
    });
    document.body.append(dialog);

    function open(link, at) {
      opener = link;
      links = small ? [link] : groupOf(link);
      // The file is asked for first; what it is shown in can be laid out meanwhile.
      show(Math.max(0, links.indexOf(link)));
      if (small) {
        dialog.dataset.place = at;
        dialog.show();
      } else dialog.showModal();
    }

    return { dialog, close, open };
  }

  function open(link) {
    const place = option(link, 'place');
    if (!place) {
      modal = modal || makeBox(false);
      return modal.open(link);
    }
    // One box a link; each stands where its link says, beside those that are open.
    const present = placed.get(link);
    if (present && present.dialog.open) return present.close.focus();
    const box = makeBox(true);
    placed.set(link, box);
    box.open(link, place);
  }

  document.addEventListener('click', (event) => {
    // A click that asks for a new tab or window keeps its meaning.
    if (
      event.defaultPrevented ||
      event.button !== 0 ||
      event.ctrlKey ||
      event.metaKey ||
      event.shiftKey ||
      event.altKey
    )
      return;
    const link = event.target.closest && event.target.closest(selectors.join(','));
    if (!link || !link.href || typeof HTMLDialogElement === 'undefined') return;
    event.preventDefault();
    open(link);
  });

  /** An address that ends with the name of a marked link opens it, from this page or from another. */
  function fromAddress() {
    const named = namedBy(location.hash);
    if (!named || !marked().includes(named)) return false;
    open(named);
    return true;
  }

  addEventListener('hashchange', fromAddress);
  addEventListener('load', () => {
    if (fromAddress()) return;
    const first = marked().find((link) => link.getAttribute(`${MARKER}-open`) === 'load');
    if (first) open(first);
  });
})();
