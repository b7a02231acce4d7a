/*
 * Glow: a plug-in that opens the links of a collection. All links of one call are one group.
 *   <script>$(function () { $('.glow').glow({ loop: true }); });</script>
 * What is to be so for every call may be said before: $.fn.glow.defaults.loop = true;
 * jQuery comes before it, and once: loaded a second time it knows no plug-in.
 */
(function ($) {
  $.fn.glow = function (options) {
    var set = $.extend({}, $.fn.glow.defaults, options);
    var links = $(this);
    var box = null;
    var at = 0;

    function build() {
      box = $('<dialog class="glow" aria-label="Picture">').appendTo('body');
      $('<img class="glow-picture" alt="">').appendTo(box);
      $('<p class="glow-count">').appendTo(box);
      $('<p class="glow-words">').appendTo(box);
      button('previous', 'Previous', -1);
      button('next', 'Next', 1);
      button('close', 'Close', 0);
      box.on('keydown', function (event) {
        if (event.key === 'ArrowLeft') show(at - 1);
        if (event.key === 'ArrowRight') show(at + 1);
      });
    }

    function button(name, label, by) {
      $('<button type="button">')
        .addClass('glow-' + name)
        .text(label)
        .on('click', function () {
          if (by === 0) box[0].close();
          else show(at + by);
        })
        .appendTo(box);
    }

    function show(n) {
      var count = links.length;
      if (set.loop) n = (n + count) % count;
      if (n < 0 || n >= count) return;
      at = n;
      var link = links.eq(n);
      box
        .find('.glow-picture')
        .attr('src', link.attr('href'))
        .attr('alt', link.find('img').attr('alt') || '');
      box.find('.glow-words').text(link.attr('title') || '');
      box.find('.glow-count').text(set.counter && count > 1 ? n + 1 + ' of ' + count : '');
      box.find('.glow-previous').prop('hidden', !set.loop && n === 0);
      box.find('.glow-next').prop('hidden', !set.loop && n === count - 1);
    }

    return this.on('click', function (event) {
      if (event.ctrlKey || event.metaKey || event.shiftKey) return;
      event.preventDefault();
      if (!box) build();
      show(links.index(this));
      box[0].showModal();
    });
  };

  $.fn.glow.defaults = { counter: true, loop: false };
})(jQuery);
