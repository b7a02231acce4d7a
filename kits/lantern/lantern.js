/* Lantern, part 4 of 4: opens links that have data-lantern="name of their group". Needs parts 1 to 3. */
(function (base, fit, turn) {
  var box,
    image,
    text,
    back,
    on,
    links = [],
    at = 0;

  function build() {
    box = base.make('div', 'lantern', document.body);
    box.tabIndex = -1;
    box.setAttribute('role', 'dialog');
    box.setAttribute('aria-modal', 'true');
    box.setAttribute('aria-label', 'Picture');
    image = base.make('img', 'lantern-picture', box);
    text = base.make('p', 'lantern-text', box);
    back = control('lantern-back', 'Back', function () {
      show(at - 1);
    });
    on = control('lantern-on', 'On', function () {
      show(at + 1);
    });
    control('lantern-close', 'Close', close);
    fit(image, 120);
    turn(box, {
      back: function () {
        show(at - 1);
      },
      on: function () {
        show(at + 1);
      },
      close: close,
    });
  }

  function control(className, label, does) {
    var button = base.make('button', className, box);
    button.type = 'button';
    button.textContent = label;
    base.on(button, 'click', does);
    return button;
  }

  function show(n) {
    if (n < 0 || n >= links.length) return;
    at = n;
    var small = links[n].querySelector('img');
    image.src = links[n].href;
    image.alt = small ? small.alt : '';
    text.textContent =
      (links.length > 1 ? n + 1 + ' / ' + links.length + ' ' : '') + links[n].title;
    back.hidden = n === 0;
    on.hidden = n === links.length - 1;
    box.focus();
  }

  function close() {
    box.hidden = true;
    image.removeAttribute('src');
    links[at].focus();
  }

  base.on(document, 'click', function (event) {
    var link = event.target.closest('a[data-lantern]');
    if (!link || event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    if (!box) build();
    var group = link.getAttribute('data-lantern');
    links = group
      ? [].slice.call(document.querySelectorAll('a[data-lantern="' + group + '"]'))
      : [link];
    box.hidden = false;
    show(links.indexOf(link));
  });
})(lanternBase, lanternFit, lanternTurn);
