/* Lantern, part 1 of 4: elements and listeners. Load it first. */
window.lanternBase = {
  make: function (tag, className, inside) {
    var element = document.createElement(tag);
    element.className = className;
    if (inside) inside.appendChild(element);
    return element;
  },
  on: function (target, names, does) {
    names.split(' ').forEach(function (name) {
      target.addEventListener(name, does);
    });
  },
};
