/*
 * Flare: opens links that say rel="flare", or rel="flare[kites]" with the name of their group in brackets. It listens
 * by itself; links that come later are answered too.
 */
(function () {
  var box = null;
  var links = [];
  var at = 0;

  function find(name) {
    return box.querySelector('.flare-' + name);
  }

  function build() {
    box = document.createElement('dialog');
    box.className = 'flare';
    box.setAttribute('aria-label', 'Picture');
    box.innerHTML =
      '<img class="flare-picture" alt=""><p class="flare-count"></p><p class="flare-words"></p>' +
      '<button type="button" class="flare-previous">Previous</button>' +
      '<button type="button" class="flare-next">Next</button>' +
      '<button type="button" class="flare-close">Close</button>';
    document.body.appendChild(box);
    find('previous').onclick = function () {
      show(at - 1);
    };
    find('next').onclick = function () {
      show(at + 1);
    };
    find('close').onclick = function () {
      box.close();
    };
    box.onkeydown = function (event) {
      if (event.key === 'ArrowLeft') show(at - 1);
      if (event.key === 'ArrowRight') show(at + 1);
    };
  }

  function show(n) {
    if (n < 0 || n >= links.length) return;
    at = n;
    var small = links[n].getElementsByTagName('img')[0];
    find('picture').src = links[n].href;
    find('picture').alt = small ? small.alt : '';
    find('words').textContent = links[n].title;
    find('count').textContent = links.length > 1 ? n + 1 + ' of ' + links.length : '';
    find('previous').hidden = n === 0;
    find('next').hidden = n === links.length - 1;
  }

  document.addEventListener('click', function (event) {
    var link = event.target.closest('a[rel^="flare"]');
    if (!link || event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    var rel = link.getAttribute('rel');
    links = [link];
    if (rel.indexOf('[') > 0)
      links = [].filter.call(document.getElementsByTagName('a'), function (one) {
        return one.getAttribute('rel') === rel;
      });
    if (!box) build();
    show(links.indexOf(link));
    box.showModal();
  });
})();
