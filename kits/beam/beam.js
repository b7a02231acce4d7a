/*
 * Beam: an object with a method that is told which links are meant. Links of one name are one group.
 *   <script>Beam.bind('[data-beam]', { counter: false });</script>
 * What has to be so everywhere may be said before it: Beam.counter = false;
 */
var Beam = {
  counter: true,
  selector: null,
  links: [],
  at: 0,

  bind: function (selector, options) {
    this.selector = selector;
    if (options && options.counter !== undefined) this.counter = options.counter;
    document.addEventListener('click', function (event) {
      var link = event.target.closest(selector);
      if (!link || event.ctrlKey || event.metaKey || event.shiftKey) return;
      event.preventDefault();
      Beam.open(link);
    });
  },

  build: function () {
    var box = document.createElement('dialog');
    box.className = 'beam';
    box.setAttribute('aria-label', 'Picture');
    box.innerHTML =
      '<img class="beam-picture" alt=""><p class="beam-count"></p><p class="beam-words"></p>' +
      '<button type="button" class="beam-previous">Previous</button>' +
      '<button type="button" class="beam-next">Next</button>' +
      '<button type="button" class="beam-close">Close</button>';
    box.addEventListener('click', function (event) {
      if (event.target.className === 'beam-previous') Beam.show(Beam.at - 1);
      if (event.target.className === 'beam-next') Beam.show(Beam.at + 1);
      if (event.target.className === 'beam-close') box.close();
    });
    box.addEventListener('keydown', function (event) {
      if (event.key === 'ArrowLeft') Beam.show(Beam.at - 1);
      if (event.key === 'ArrowRight') Beam.show(Beam.at + 1);
    });
    document.body.append(box);
    return box;
  },

  open: function (link) {
    var group = link.getAttribute('data-beam');
    var all = [].slice.call(document.querySelectorAll(this.selector));
    this.links = all.filter(function (one) {
      return one === link || (group !== '' && one.getAttribute('data-beam') === group);
    });
    this.box = this.box || this.build();
    this.show(this.links.indexOf(link));
    this.box.showModal();
  },

  show: function (n) {
    var link = this.links[n];
    if (!link) return;
    this.at = n;
    var small = link.querySelector('img');
    var part = function (name) {
      return Beam.box.querySelector('.beam-' + name);
    };
    part('picture').src = link.href;
    part('picture').alt = small ? small.alt : '';
    part('words').textContent = link.title || part('picture').alt;
    var counts = this.counter && this.links.length > 1;
    part('count').textContent = counts ? n + 1 + ' of ' + this.links.length : '';
    part('previous').hidden = n === 0;
    part('next').hidden = n === this.links.length - 1;
  },
};
