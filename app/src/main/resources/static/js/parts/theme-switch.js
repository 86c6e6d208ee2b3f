/** The button that changes between light and dark, and remembers it. */
export function theme(document) {
  const root = document.documentElement;
  const button = document.getElementById('theme');
  const name = () => { button.textContent = root.dataset.bsTheme === 'dark' ? 'Light' : 'Dark'; };
  button.addEventListener('click', () => {
    root.dataset.bsTheme = root.dataset.bsTheme === 'dark' ? 'light' : 'dark';
    try { localStorage.setItem('theme', root.dataset.bsTheme); } catch { /* not remembered then */ }
    name();
  });
  name();
}
