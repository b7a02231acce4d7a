/* Lantern, part 2 of 4: the largest size at which a picture fits into the window. Needs part 1. */
window.lanternFit = (function (base) {
  var on = base.on;
  return function (image, margin) {
    function fit() {
      var room = Math.min(
        (innerWidth - margin) / image.naturalWidth,
        (innerHeight - margin) / image.naturalHeight,
        1,
      );
      image.style.width = Math.floor(image.naturalWidth * room) + 'px';
      image.style.height = 'auto';
    }
    on(image, 'load', fit);
    on(window, 'resize', fit);
  };
})(lanternBase);
