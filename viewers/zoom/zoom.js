/*
 * Zoom: a middle-sized picture with small ones below; the place under the pointer, the finger or the keys is shown from
 * the full-size file, beside the picture or over it.
 *
 *   <div data-closer> <a href="large/kite.jpg" data-closer-middle="middle/kite.jpg"><img src="small/kite.jpg" alt="…"></a> … </div>
 *   startCloser('.kites', { lens: 'over', times: 3 });
 *
 * Without this script every link opens its full-size picture. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';

  const MARKER = 'data-closer';
  const DEFAULTS = { lens: 'beside', times: 0, label: 'Picture to look at closely' };
  const WORDS = { keys: 'Arrow keys move the place that is enlarged, Escape ends it.' };
  const STEP = 0.05; // of the picture's width and height, for each key
  const calls = [];
  const set = new WeakSet();
  let begun = false;

  function optionsOf(holder, given) {
    const options = { ...DEFAULTS, ...given };
    for (const name in DEFAULTS) {
      const written = holder.getAttribute(`${MARKER}-${name}`);
      if (written !== null)
        options[name] = typeof DEFAULTS[name] === 'number' ? Number(written) : written;
    }
    return options;
  }

  function make(tag, name, inside) {
    const element = document.createElement(tag);
    element.className = `closer-${name}`;
    inside.append(element);
    return element;
  }

  function start(holder, given) {
    const links = [...holder.querySelectorAll('a[href]')].filter((link) =>
      link.querySelector('img'),
    );
    if (set.has(holder) || links.length === 0) return;
    set.add(holder);
    const options = optionsOf(holder, given);
    const at = { x: 0.5, y: 0.5 };
    let full = null; // the full-size picture, asked for when somebody looks closely

    const frame = document.createElement('div');
    frame.className = 'closer';
    frame.dataset.lens = options.lens;
    holder.before(frame);
    const stage = make('div', 'stage', frame);
    stage.tabIndex = 0;
    stage.setAttribute('role', 'img');
    const image = make('img', 'middle', stage);
    image.alt = '';
    image.draggable = false;
    const lens = make('div', 'lens', frame);
    lens.hidden = true;
    holder.classList.add('closer-row');
    frame.append(holder);

    function show(link) {
      const small = link.querySelector('img');
      const middle = link.getAttribute(`${MARKER}-middle`) || link.href;
      links.forEach((one) => one.setAttribute('aria-current', String(one === link)));
      image.src = middle;
      stage.setAttribute('aria-label', `${small.alt || options.label}. ${WORDS.keys}`);
      full = null;
      stage.dataset.full = link.href;
      look(false);
    }

    function look(on) {
      lens.hidden = !on;
      if (!on) return;
      if (!full) {
        full = new Image();
        full.addEventListener('load', place);
        full.src = stage.dataset.full;
        lens.style.backgroundImage = `url("${full.src}")`;
      }
      place();
    }

    /** The lens shows the full-size picture so that the point looked at lies in its middle, and never runs out over an edge. */
    function place() {
      const { width, height } = image.getBoundingClientRect();
      const times =
        options.times || (full && full.naturalWidth ? Math.max(1, full.naturalWidth / width) : 2);
      const room = lens.getBoundingClientRect();
      const shift = (size, seen, point) =>
        Math.min(0, Math.max(seen - size * times, seen / 2 - point * size * times));
      lens.style.backgroundSize = `${width * times}px ${height * times}px`;
      lens.style.backgroundPosition = `${shift(width, room.width, at.x)}px ${shift(height, room.height, at.y)}px`;
      if (options.lens === 'over') {
        lens.style.left = `${image.offsetLeft + at.x * width}px`;
        lens.style.top = `${image.offsetTop + at.y * height}px`;
      }
    }

    function point(event) {
      const box = image.getBoundingClientRect();
      at.x = Math.min(1, Math.max(0, (event.clientX - box.left) / box.width));
      at.y = Math.min(1, Math.max(0, (event.clientY - box.top) / box.height));
      look(true);
    }

    stage.addEventListener('pointermove', point);
    stage.addEventListener('pointerdown', (event) => {
      if (event.pointerType === 'touch') stage.setPointerCapture(event.pointerId);
      point(event);
    });
    stage.addEventListener('pointerleave', () => look(false));
    stage.addEventListener('blur', () => look(false));
    stage.addEventListener('keydown', (event) => {
      const way = {
        ArrowLeft: [-1, 0],
        ArrowRight: [1, 0],
        ArrowUp: [0, -1],
        ArrowDown: [0, 1],
        Enter: [0, 0],
        ' ': [0, 0],
      }[event.key];
      if (event.key === 'Escape') look(false);
      if (!way) return;
      event.preventDefault();
      at.x = Math.min(1, Math.max(0, at.x + way[0] * STEP));
      at.y = Math.min(1, Math.max(0, at.y + way[1] * STEP));
      look(true);
    });
    holder.addEventListener('click', (event) => {
      const link = links.find((one) => one.contains(event.target));
      if (
        !link ||
        event.ctrlKey ||
        event.metaKey ||
        event.shiftKey ||
        event.altKey ||
        event.button !== 0
      )
        return;
      event.preventDefault();
      show(link);
    });
    show(links[0]);
  }

  function run() {
    begun = true;
    calls.forEach(([selector, given]) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given)),
    );
    document.querySelectorAll(`[${MARKER}]`).forEach((holder) => start(holder));
  }

  window.startCloser = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    if (begun) document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    else calls.push([selector, given]);
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
