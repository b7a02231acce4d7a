/*
 * Sidebay: shows linked pictures in an element of the page, told by data attributes of each link.
 *   data-bay-kind="picture"   what the link leads to
 *   data-bay-group="meadow"   links that can be stepped through
 *   data-bay-in="#bay"        selector of the element that shows them
 *   data-bay-title, data-bay-text
 */
(function () {
  function fill(bay, link) {
    var group = link.dataset.bayGroup;
    var links = [].filter.call(
      document.querySelectorAll('a[data-bay-kind="picture"]'),
      function (one) {
        return one === link || (group && one.dataset.bayGroup === group);
      },
    );
    var at = links.indexOf(link);
    var small = link.querySelector('img');
    bay.textContent = '';
    bay.className = 'sidebay';
    var image = add('img', 'picture');
    image.src = link.href;
    image.alt = small ? small.alt : '';
    if (links.length > 1) add('p', 'count').textContent = at + 1 + ' of ' + links.length;
    add('p', 'title').textContent = link.dataset.bayTitle || '';
    add('p', 'text').textContent = link.dataset.bayText || '';
    if (at > 0)
      button('back', 'Back', function () {
        fill(bay, links[at - 1]);
      });
    if (at < links.length - 1)
      button('next', 'Next', function () {
        fill(bay, links[at + 1]);
      });
    button('close', 'Close', function () {
      bay.textContent = '';
      bay.className = '';
      link.focus();
    }).focus();
    bay.onkeydown = function (event) {
      var name = { ArrowLeft: 'back', ArrowRight: 'next', Escape: 'close' }[event.key];
      var target = name && bay.querySelector('.sidebay-' + name);
      if (target) target.click();
    };

    function add(tag, name) {
      var element = document.createElement(tag);
      element.className = 'sidebay-' + name;
      bay.append(element);
      return element;
    }
    function button(name, label, does) {
      var element = add('button', name);
      element.type = 'button';
      element.textContent = label;
      element.onclick = does;
      return element;
    }
  }

  document.addEventListener('click', function (event) {
    var link = event.target.closest('a[data-bay-kind="picture"]');
    if (!link || event.ctrlKey || event.metaKey || event.shiftKey) return;
    var bay = document.querySelector(link.dataset.bayIn);
    event.preventDefault();
    fill(bay, link);
  });
})();
