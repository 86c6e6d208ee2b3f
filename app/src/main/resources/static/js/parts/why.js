/** Opens the panel when a working has arrived, and gives the focus back when it is closed. */
export function why(document) {
  const panel = document.getElementById('why');
  let asked = null;
  document.addEventListener('htmx:beforeRequest', (event) => {
    if (event.detail.target?.id === 'why-body') asked = event.detail.elt;
  });
  document.addEventListener('htmx:afterSwap', (event) => {
    if (event.detail.target.id === 'why-body') bootstrap.Offcanvas.getOrCreateInstance(panel).show();
  });
  panel.addEventListener('hidden.bs.offcanvas', () => {
    if (asked && document.contains(asked)) asked.focus();
  });
}
