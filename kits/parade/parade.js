/*
 * Parade: wants the markup otherwise. What holds the items has a class, each item has one, each link says the full-size
 * file and its size, and an element stands ready to show them in.
 *   <div id="parade-place"></div>
 *   <ul class="parade"><li class="parade-item">
 *     <a href="large/kite.jpg" data-src="large/kite.jpg" data-size="900x600">…<span class="parade-words" hidden>A kite</span></a>
 */
(function () {
  function part(tag, name, box) {
    var element = document.createElement(tag);
    element.className = 'parade-' + name;
    box.appendChild(element);
    return element;
  }

  function build(place) {
    var box = document.createElement('dialog');
    var parts = { box: box, at: 0, links: [] };
    box.className = 'parade-box';
    box.setAttribute('aria-label', 'Picture');
    parts.picture = part('img', 'picture', box);
    parts.count = part('p', 'count', box);
    parts.says = part('p', 'says', box);
    ['previous', 'next', 'close'].forEach(function (name) {
      parts[name] = part('button', name, box);
      parts[name].type = 'button';
      parts[name].textContent = name.charAt(0).toUpperCase() + name.slice(1);
    });
    parts.previous.addEventListener('click', function () {
      show(parts, parts.at - 1);
    });
    parts.next.addEventListener('click', function () {
      show(parts, parts.at + 1);
    });
    parts.close.addEventListener('click', function () {
      box.close();
    });
    box.addEventListener('keydown', function (event) {
      if (event.key === 'ArrowLeft') show(parts, parts.at - 1);
      if (event.key === 'ArrowRight') show(parts, parts.at + 1);
    });
    place.appendChild(box);
    return parts;
  }

  function show(parts, n) {
    var link = parts.links[n];
    if (!link) return;
    parts.at = n;
    var small = link.querySelector('img');
    var words = link.querySelector('.parade-words');
    var size = (link.getAttribute('data-size') || '').split('x');
    parts.picture.src = link.getAttribute('data-src');
    // What the link before has said does not hold for this one.
    ['width', 'height'].forEach(function (name, which) {
      parts.picture.removeAttribute(name);
      if (size[which]) parts.picture.setAttribute(name, size[which]);
    });
    parts.picture.alt = small ? small.alt : '';
    parts.says.textContent = words ? words.textContent : parts.picture.alt;
    parts.count.textContent = parts.links.length > 1 ? n + 1 + ' of ' + parts.links.length : '';
    parts.previous.hidden = n === 0;
    parts.next.hidden = n === parts.links.length - 1;
  }

  function begin(holder) {
    var links = [].slice.call(holder.querySelectorAll('.parade-item a[data-src]'));
    links.forEach(function (link, n) {
      link.addEventListener('click', function (event) {
        if (event.ctrlKey || event.metaKey || event.shiftKey) return;
        event.preventDefault();
        var place = document.querySelector('#parade-place');
        place.parts = place.parts || build(place);
        place.parts.links = links;
        show(place.parts, n);
        place.parts.box.showModal();
      });
    });
  }

  document.addEventListener('DOMContentLoaded', function () {
    [].forEach.call(document.querySelectorAll('.parade'), begin);
  });
})();
