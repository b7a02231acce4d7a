/* Lantern, part 3 of 4: keys. Needs part 1. */
window.lanternTurn = (function (base) {
  return function (element, does) {
    base.on(element, 'keydown', function (event) {
      var way = { ArrowLeft: 'back', ArrowRight: 'on', Escape: 'close' }[event.key];
      if (!way) return;
      event.preventDefault();
      does[way]();
    });
  };
})(lanternBase);
