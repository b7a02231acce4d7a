/*
 * Lightbox: shows a linked picture over the page.
 *
 * Mark a link with data-enlarge; links with the same data-enlarge-group can be stepped through.
 *   <a href="large/kite.jpg" data-enlarge data-enlarge-group="meadow"><img src="small/kite.jpg" alt="A kite"></a>
 * Marked links are found by themselves. For others, or for options:
 *   startLightbox('.pictures a', { counter: false });
 *
 * Without this script every link still opens its picture. A classic script, so that it also runs from disk.
 */
(function () {
  'use strict';

  var MARKER = 'data-enlarge';
  var SWIPE = 48; // CSS px that a finger must travel
  var WORDS = { close: 'Close', previous: 'Previous picture', next: 'Next picture', loading: 'Loading…', failed: 'This picture could not be loaded.', label: 'Enlarged picture', of: ' of ' };

  var options = { counter: true, caption: true, loop: false };
  var selectors = ['a[' + MARKER + ']'];
  var parts = null; // the dialog's elements, made when first needed
  var links = []; // the group that is open
  var place = 0;
  var opener = null;
  var swiped = false; // a drag ends with a click, which must not close what it has just turned

  /** Options by call; for one link, the attribute data-enlarge-counter="off" (or -caption, -loop) wins. */
  function startLightbox(selector, given) {
    if (typeof selector === 'string') {
      document.querySelector(selector); // a selector with a mistake in it is reported here, at the call
      selectors.push(selector);
    } else given = selector;
    for (var name in given || {}) if (Object.prototype.hasOwnProperty.call(options, name)) options[name] = Boolean(given[name]);
  }

  function option(link, name) {
    var written = link.getAttribute(MARKER + '-' + name);
    return written === null ? options[name] : written !== 'off';
  }

  function groupOf(link) {
    var name = link.getAttribute(MARKER + '-group');
    if (!name) return [link];
    return Array.prototype.filter.call(document.querySelectorAll(selectors.join(',')), function (other) {
      return other.getAttribute(MARKER + '-group') === name;
    });
  }

  /** An attribute of its own, else the figure's caption, the link's title, the picture's alt text. */
  function captionOf(link) {
    var own = link.getAttribute(MARKER + '-caption');
    if (own !== null) return own;
    var figure = link.closest('figure');
    var written = figure && figure.querySelector('figcaption');
    var image = link.querySelector('img');
    return (written && written.textContent.trim()) || link.title || (image && image.alt) || '';
  }

  function make(tag, name, text) {
    var element = document.createElement(tag);
    element.className = 'enlarge-' + name;
    if (text) element.textContent = text;
    return element;
  }

  function button(name, sign, label, action) {
    var element = make('button', name, sign);
    element.type = 'button';
    element.setAttribute('aria-label', label);
    element.addEventListener('click', action);
    return element;
  }

  function build() {
    var dialog = document.createElement('dialog');
    dialog.className = 'enlarge';
    dialog.setAttribute('aria-label', WORDS.label);
    parts = {
      dialog: dialog,
      counter: make('p', 'counter'),
      close: button('close', '×', WORDS.close, function () { dialog.close(); }),
      previous: button('previous', '‹', WORDS.previous, function () { step(-1); }),
      next: button('next', '›', WORDS.next, function () { step(1); }),
      stage: make('figure', 'stage'),
      picture: make('img', 'picture'),
      note: make('p', 'note'),
      caption: make('div', 'caption')
    };
    parts.counter.setAttribute('aria-live', 'polite');
    parts.note.setAttribute('role', 'status');
    parts.stage.append(parts.picture, parts.note);
    dialog.append(parts.counter, parts.close, parts.previous, parts.stage, parts.next, parts.caption);
    parts.picture.addEventListener('load', function () { state('shown', ''); });
    parts.picture.addEventListener('error', function () { state('failed', WORDS.failed); });
    dialog.addEventListener('close', onClosed);
    dialog.addEventListener('keydown', onKey);
    dialog.addEventListener('click', function (event) {
      if (!swiped && !event.target.closest('button, .enlarge-picture, .enlarge-caption')) dialog.close();
      swiped = false;
    });
    watchSwipes(parts.stage);
    document.body.append(dialog);
  }

  function state(name, note) {
    parts.stage.dataset.state = name;
    parts.note.textContent = note;
  }

  function onKey(event) {
    var forward = getComputedStyle(parts.dialog).direction === 'rtl' ? 'ArrowLeft' : 'ArrowRight';
    if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') step(event.key === forward ? 1 : -1);
    else if (event.key === 'Home') show(0);
    else if (event.key === 'End') show(links.length - 1);
    else if (event.key === 'Tab') turnFocus(event);
    else return;
    event.preventDefault();
  }

  /** Tab goes round inside the dialog and never out to the browser's own bars. */
  function turnFocus(event) {
    var stops = Array.prototype.filter.call(parts.dialog.querySelectorAll('button'), function (one) { return !one.hidden; });
    var at = stops.indexOf(document.activeElement);
    stops[(at + (event.shiftKey ? -1 : 1) + stops.length) % stops.length].focus();
  }

  function watchSwipes(stage) {
    var from = null;
    stage.style.touchAction = 'pan-y pinch-zoom';
    stage.addEventListener('pointerdown', function (event) { from = event.isPrimary ? event.clientX : null; swiped = false; });
    stage.addEventListener('pointercancel', function () { from = null; });
    stage.addEventListener('pointerup', function (event) {
      var way = from === null ? 0 : event.clientX - from;
      from = null;
      swiped = Math.abs(way) > SWIPE;
      if (swiped) step(way < 0 === (getComputedStyle(stage).direction !== 'rtl') ? 1 : -1);
    });
    parts.picture.draggable = false;
  }

  function step(by) {
    var next = place + by;
    if (option(links[place], 'loop')) next = (next + links.length) % links.length;
    if (next >= 0 && next < links.length) show(next);
  }

  function show(next) {
    place = next;
    var link = links[place];
    var image = link.querySelector('img');
    var loop = option(link, 'loop') && links.length > 1;
    state('loading', WORDS.loading);
    parts.picture.alt = image ? image.alt : '';
    parts.picture.src = link.href;
    parts.counter.textContent = option(link, 'counter') && links.length > 1 ? place + 1 + WORDS.of + links.length : '';
    parts.caption.textContent = option(link, 'caption') ? captionOf(link) : '';
    setHidden(parts.previous, !loop && place === 0);
    setHidden(parts.next, !loop && place === links.length - 1);
    [place - 1, place + 1].forEach(function (near) {
      if (links[near]) new Image().src = links[near].href;
    });
  }

  /** A button that goes while it has the focus hands it on. */
  function setHidden(element, hidden) {
    var focused = document.activeElement === element;
    element.hidden = hidden;
    if (hidden && focused) (element === parts.next && !parts.previous.hidden ? parts.previous : element === parts.previous && !parts.next.hidden ? parts.next : parts.close).focus();
  }

  function open(link) {
    if (!parts) build();
    links = groupOf(link);
    opener = link;
    parts.dialog.showModal();
    parts.close.focus();
    show(Math.max(0, links.indexOf(link)));
  }

  function onClosed() {
    parts.picture.removeAttribute('src');
    if (opener) opener.focus();
  }

  document.addEventListener('click', function (event) {
    // A click that asks for a new tab or window keeps its meaning.
    if (event.defaultPrevented || event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return;
    var link = event.target.closest && event.target.closest(selectors.join(','));
    if (!link || !link.href || typeof HTMLDialogElement === 'undefined') return;
    event.preventDefault();
    open(link);
  });

  window.startLightbox = startLightbox;
})();
