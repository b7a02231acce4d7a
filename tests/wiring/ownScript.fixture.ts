/**
 * A small viewer as an author would write it: a helper, a script with a start call, and a page that shows how it is
 * used.
 */
export const OWN_SCRIPT: Readonly<Record<string, string>> = {
  'roam-parts.js': `/* elements for roam.js */
var roamParts = {
  add: function (parent, tag, cls) {
    var e = document.createElement(tag);
    e.className = cls;
    parent.appendChild(e);
    return e;
  }
};
`,
  'roam.js': `/* roam: shows my pictures. needs roam-parts.js */
var roamAdd = roamParts.add;
function roam(what) {
  var links = document.querySelectorAll(what);
  for (var i = 0; i < links.length; i++) links[i].addEventListener('click', roamClick);
}
function roamClick(event) {
  event.preventDefault();
  var links = [];
  var all = document.querySelectorAll('a[data-roam]');
  for (var i = 0; i < all.length; i++) if (all[i].getAttribute('data-roam-set') === this.getAttribute('data-roam-set')) links.push(all[i]);
  roamShow(links, links.indexOf(this));
}
function roamShow(links, n) {
  var old = document.getElementById('roam');
  if (old) old.remove();
  if (n < 0) return;
  var box = roamAdd(document.body, 'div', 'roam');
  box.id = 'roam';
  box.tabIndex = -1;
  var image = roamAdd(box, 'img', 'roam-image');
  image.src = links[n].href;
  roamAdd(box, 'p', 'roam-words').textContent = links[n].getAttribute('data-roam-words') || links[n].title;
  roamAdd(box, 'p', 'roam-count').textContent = (n + 1) + ' / ' + links.length;
  box.onkeydown = function (event) {
    if (event.key === 'ArrowRight' && n < links.length - 1) roamShow(links, n + 1);
    if (event.key === 'ArrowLeft' && n > 0) roamShow(links, n - 1);
    if (event.key === 'Escape') roamShow(links, -1);
  };
  box.focus();
}
`,
  'roam.css': `.roam { position: fixed; inset: 0; z-index: 9; background: #222; color: #fff; text-align: center; }
.roam-image { max-width: 90%; max-height: 80%; }
`,
  'how-to.html': `<!DOCTYPE html>
<html lang="en"><head><title>How to use roam</title><link rel="stylesheet" href="roam.css"></head>
<body>
<a href="one.jpg" data-roam data-roam-set="a"><img src="one-small.jpg" alt=""></a>
<script src="roam-parts.js"></script>
<script src="roam.js"></script>
<script>
roam('a[data-roam]');
</script>
</body></html>
`,
};
