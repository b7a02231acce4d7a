/*
 * Peephole: opens the links that a selector finds, or one link, or a list. All links of one call are one group.
 *   <script>peephole('.peep', { counter: false });</script>
 * at the end of the page: links that come later are not found.
 */
window.peephole = function (selector, options) {
  var found = typeof selector === 'string' ? document.querySelectorAll(selector) : selector;
  var links = found.nodeType ? [found] : [].slice.call(found);
  var counter = !options || options.counter !== false;
  var box = null,
    parts = {},
    at = 0;

  function part(tag, name) {
    parts[name] = document.createElement(tag);
    parts[name].className = 'peephole-' + name;
    box.append(parts[name]);
    return parts[name];
  }

  function button(name, label, does) {
    part('button', name).type = 'button';
    parts[name].textContent = label;
    parts[name].addEventListener('click', does);
  }

  function build() {
    box = document.createElement('dialog');
    box.className = 'peephole';
    box.setAttribute('aria-label', 'Picture');
    part('img', 'picture');
    part('p', 'count');
    part('p', 'words');
    button('previous', 'Previous', function () {
      show(at - 1);
    });
    button('next', 'Next', function () {
      show(at + 1);
    });
    button('close', 'Close', function () {
      box.close();
    });
    box.addEventListener('keydown', function (event) {
      if (event.key === 'ArrowLeft') show(at - 1);
      if (event.key === 'ArrowRight') show(at + 1);
    });
    document.body.append(box);
  }

  function show(n) {
    if (n < 0 || n >= links.length) return;
    at = n;
    var small = links[n].querySelector('img');
    parts.picture.src = links[n].href;
    parts.picture.alt = small ? small.alt : '';
    parts.words.textContent = parts.picture.alt;
    parts.count.textContent = counter && links.length > 1 ? n + 1 + ' of ' + links.length : '';
    parts.previous.hidden = n === 0;
    parts.next.hidden = n === links.length - 1;
  }

  links.forEach(function (link, n) {
    link.addEventListener('click', function (event) {
      if (event.ctrlKey || event.metaKey || event.shiftKey) return;
      event.preventDefault();
      if (!box) build();
      show(n);
      box.showModal();
    });
  });
};
