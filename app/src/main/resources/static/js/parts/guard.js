/** Asks before a page with unsaved entries is left; grows price cells with their lines. */
export function guard(document) {
  let changed = false;
  document.querySelectorAll('form[data-guard]').forEach((form) => {
    form.addEventListener('input', () => { changed = true; });
    form.addEventListener('submit', () => { changed = false; });
  });
  window.addEventListener('beforeunload', (event) => {
    if (changed) event.preventDefault();
  });
  const grow = (area) => { area.rows = Math.max(1, area.value.split('\n').length); };
  document.querySelectorAll('textarea[data-grow]').forEach((area) => {
    grow(area);
    area.addEventListener('input', () => grow(area));
  });
}
