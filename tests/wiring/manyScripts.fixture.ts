/**
 * Ten viewer scripts as many people write them, each in another manner, with what their manifests have to say. They are
 * read as they stand and made small.
 */

export interface SomeScript {
  name: string;
  script: string;
  /** Lines of its manual; empty where it has none. */
  manual: string;
  /** A library that it stands on comes first. */
  base?: true;
  says: {
    marker: object;
    group?: object;
    caption: readonly string[];
    captionAttribute?: string;
    start: object | null;
  };
}

export const MANY: readonly SomeScript[] = [
  {
    name: 'by delegation from the document, with closest',
    script: `(function () {
  'use strict';
  function all(room) { return Array.from(document.querySelectorAll('[data-shine="' + room + '"]')); }
  function open(link) {
    var links = all(link.getAttribute('data-shine'));
    var box = document.createElement('div');
    box.innerHTML = '<img src="' + link.href + '"><p></p>';
    box.lastChild.textContent = link.getAttribute('title') || '';
    document.body.append(box);
    return links;
  }
  document.addEventListener('click', function (event) {
    var link = event.target.closest('[data-shine]');
    if (!link) return;
    event.preventDefault();
    open(link);
  });
})();`,
    manual: '<a href="large.jpg" data-shine="holiday" title="Words"><img src="small.jpg"></a>',
    says: { marker: { attribute: 'data-shine' }, group: { in: 'marker' }, caption: ['title'], start: null },
  },
  {
    name: 'a plug-in with defaults and options, one group for each collection',
    base: true,
    script: `(function ($) {
  $.fn.halo = function (options) {
    var set = $.extend({ speed: 300, loop: true, label: 'Close' }, options);
    var links = this;
    return links.on('click', function (event) {
      event.preventDefault();
      var at = links.index(this);
      show(links, at, set, $(this).attr('title'), $(this).find('img').attr('alt'));
    });
  };
  function show(links, at, set, title, alt) { $('<div class="halo-box">').text(title || alt).appendTo('body'); }
})(jQuery);`,
    manual: "<script>jQuery(document).ready(function ($) { $('a.halo').halo({ speed: 500 }); });</script>",
    says: {
      marker: { class: 'halo' },
      group: { in: 'call' },
      caption: ['title', 'alt'],
      start: { way: 'collection', call: 'halo' },
    },
  },
  {
    name: 'a plug-in that reads its words with data()',
    base: true,
    script: `!function ($) {
  $.fn.mist = function () {
    return this.each(function () {
      var link = $(this);
      link.click(function () {
        var room = link.data('mist-group');
        var words = link.data('mist-caption');
        $('body').append($('<p>').text(words)).attr('id', room);
        return false;
      });
    });
  };
}(window.jQuery);`,
    manual:
      '<a class="mist" href="a.jpg" data-mist-group="one" data-mist-caption="Words"><img src="b.jpg"></a>\n<script>$(function () { $(".mist").mist(); });</script>',
    says: {
      marker: { class: 'mist' },
      group: { attribute: 'data-mist-group' },
      caption: ['attribute'],
      captionAttribute: 'data-mist-caption',
      start: { way: 'collection', call: 'mist' },
    },
  },
  {
    name: 'all links looked through for a word in rel',
    script: `function startEmber() {
  var links = document.getElementsByTagName('a');
  for (var i = 0; i < links.length; i++) {
    var rel = links[i].getAttribute('rel');
    if (rel && rel.indexOf('ember') === 0) links[i].onclick = function () { showEmber(this); return false; };
  }
}
function showEmber(link) {
  var words = link.getAttribute('title');
  var box = document.createElement('div');
  box.appendChild(document.createTextNode(words));
  document.body.appendChild(box);
}
window.onload = startEmber;`,
    manual: '<a href="a.jpg" rel="ember[kites]" title="Words"><img src="b.jpg"></a>',
    says: { marker: { attribute: 'rel', value: 'ember' }, group: { in: 'brackets' }, caption: ['title'], start: null },
  },
  {
    name: 'a wrapper for every way of loading, with a constructor',
    script: `(function (root, factory) {
  if (typeof define === 'function' && define.amd) define([], factory);
  else if (typeof module === 'object' && module.exports) module.exports = factory();
  else root.Cinder = factory();
})(typeof self !== 'undefined' ? self : this, function () {
  function Cinder(selector, options) {
    this.links = Array.prototype.slice.call(document.querySelectorAll(selector));
    this.options = options || {};
    this.bind();
  }
  Cinder.prototype.bind = function () {
    var self = this;
    this.links.forEach(function (link, n) {
      link.addEventListener('click', function (event) { event.preventDefault(); self.show(n); });
    });
  };
  Cinder.prototype.show = function (n) {
    var figure = this.links[n].closest('figure');
    var words = figure ? figure.querySelector('figcaption').textContent : '';
    document.body.insertAdjacentHTML('beforeend', '<div>' + (n + 1) + ' / ' + this.links.length + words + '</div>');
  };
  return Cinder;
});`,
    manual: "<script>var box = new Cinder('.cinder', { speed: 200 });</script>",
    says: {
      marker: { class: 'cinder' },
      group: { in: 'call' },
      caption: ['figure'],
      start: { way: 'constructor', call: 'Cinder' },
    },
  },
  {
    name: 'an object with init, told everything in one object',
    script: `var Lumen = {
  init: function (settings) {
    this.settings = settings;
    var links = document.querySelectorAll(settings.selector);
    for (var i = 0; i < links.length; i++) links[i].addEventListener('click', this.open.bind(this, links[i]));
  },
  open: function (link, event) {
    event.preventDefault();
    var text = link.querySelector('img').getAttribute('alt');
    document.body.insertAdjacentHTML('beforeend', '<div>' + text + '</div>');
  }
};`,
    manual:
      '<a class="lumen" href="a.jpg"><img src="b.jpg" alt="Words"></a>\n<script>Lumen.init({ selector: \'.lumen\' });</script>',
    says: {
      marker: { class: 'lumen' },
      group: { in: 'call' },
      caption: ['alt'],
      start: { way: 'method', of: 'Lumen', call: 'init', key: 'selector' },
    },
  },
  {
    name: 'a class with a container and what stands in it',
    script: `class Beacon {
  constructor(holder, { items = 'a', delay = 4000 } = {}) {
    this.holder = document.querySelector(holder);
    this.delay = delay;
    this.links = [...this.holder.querySelectorAll(items)];
    this.links.forEach((link, n) => link.addEventListener('click', (event) => { event.preventDefault(); this.show(n); }));
  }
  show(n) {
    const words = this.links[n].dataset.beaconTitle ?? '';
    document.body.insertAdjacentHTML('beforeend', \`<div>\${words} \${n + 1} of \${this.links.length}</div>\`);
  }
}
window.Beacon = Beacon;`,
    manual:
      '<div class="beacon"><a href="a.jpg" data-beacon-title="Words"><img src="b.jpg"></a></div>\n<script>new Beacon(\'.beacon\', { items: \'a\' });</script>',
    says: {
      marker: { on: 'gallery', class: 'beacon' },
      group: { in: 'call' },
      caption: ['attribute'],
      captionAttribute: 'data-beacon-title',
      start: { way: 'constructor', call: 'Beacon' },
    },
  },
  {
    name: 'by itself at DOMContentLoaded, from a class',
    script: `document.addEventListener('DOMContentLoaded', () => {
  for (const link of document.querySelectorAll('a.flicker')) {
    link.addEventListener('click', (event) => {
      event.preventDefault();
      const box = document.createElement('dialog');
      box.textContent = link.title;
      document.body.append(box);
      box.showModal();
    });
  }
});`,
    manual: '',
    says: { marker: { class: 'flicker' }, caption: ['title'], start: null },
  },
  {
    name: 'an attribute for what is opened, one for the group',
    script: `(() => {
  const links = document.querySelectorAll('a[data-wick="picture"]');
  links.forEach((link) => link.addEventListener('click', (event) => {
    event.preventDefault();
    const same = [...links].filter((one) => one.dataset.wickSet === link.dataset.wickSet);
    document.body.dataset.open = String(same.indexOf(link));
    document.body.append(link.dataset.wickWords ?? '');
  }));
})();`,
    manual: '<a href="a.jpg" data-wick="picture" data-wick-set="one" data-wick-words="Words"><img src="b.jpg"></a>',
    says: {
      marker: { attribute: 'data-wick', value: 'picture' },
      group: { attribute: 'data-wick-set' },
      caption: ['attribute'],
      captionAttribute: 'data-wick-words',
      start: null,
    },
  },
  {
    name: 'a global function with a selector, called in the manual',
    script: `function taper(selector, settings) {
  var links = document.querySelectorAll(selector);
  links.forEach(function (link) {
    link.addEventListener('click', function (event) {
      event.preventDefault();
      alert(link.getAttribute('data-taper-caption'));
    });
  });
}`,
    manual: "```js\ntaper('a[data-taper]', { speed: 300 });\n```",
    says: {
      marker: { attribute: 'data-taper' },
      group: { in: 'call' },
      caption: ['attribute'],
      captionAttribute: 'data-taper-caption',
      start: { call: 'taper' },
    },
  },
];
