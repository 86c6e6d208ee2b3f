// Sets the theme before the first paint: the reader's choice, else what the system prefers.
(function () {
  var chosen = null;
  try { chosen = localStorage.getItem('theme'); } catch (e) { /* storage may be closed */ }
  var dark = chosen ? chosen === 'dark' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.setAttribute('data-bs-theme', dark ? 'dark' : 'light');
})();
