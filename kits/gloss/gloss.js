/*
 * Gloss: a function that each link calls when it is clicked. Links of one name are one group.
 *   <a href="large/kite.jpg" onclick="return gloss(this)" data-gloss="kites">
 * It gives back false, so that the browser does not follow the link; without “return” the browser does.
 */
window.gloss = (function () {
  var box = null,
    links = [],
    at = 0;

  function part(name) {
    return box.querySelector('.gloss-' + name);
  }

  function show(n) {
    var link = links[n];
    if (!link) return;
    at = n;
    var small = link.querySelector('img');
    part('picture').src = link.href;
    part('picture').alt = small ? small.alt : '';
    part('words').textContent = link.title || part('picture').alt;
    part('count').textContent = links.length > 1 ? n + 1 + ' of ' + links.length : '';
    part('previous').hidden = n === 0;
    part('next').hidden = n === links.length - 1;
  }

  function build() {
    box = document.createElement('dialog');
    box.className = 'gloss';
    box.setAttribute('aria-label', 'Picture');
    box.innerHTML =
      '<img class="gloss-picture" alt=""><p class="gloss-count"></p><p class="gloss-words"></p>' +
      '<button type="button" class="gloss-previous">Previous</button>' +
      '<button type="button" class="gloss-next">Next</button>' +
      '<button type="button" class="gloss-close">Close</button>';
    box.addEventListener('click', function (event) {
      if (event.target.className === 'gloss-previous') show(at - 1);
      if (event.target.className === 'gloss-next') show(at + 1);
      if (event.target.className === 'gloss-close') box.close();
    });
    box.addEventListener('keydown', function (event) {
      if (event.key === 'ArrowLeft') show(at - 1);
      if (event.key === 'ArrowRight') show(at + 1);
    });
    document.body.appendChild(box);
  }

  return function (link) {
    var group = link.getAttribute('data-gloss');
    links = [].filter.call(document.querySelectorAll('a[onclick]'), function (one) {
      return one === link || (group && one.getAttribute('data-gloss') === group);
    });
    if (!box) build();
    show(links.indexOf(link));
    box.showModal();
    return false;
  };
})();
