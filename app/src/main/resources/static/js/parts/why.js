/** Opens the panel when a working has arrived, and gives the focus back when it is closed. */
export function why(document) {
  const panel = document.getElementById('why');
  let asked = null;
  // one listener for hundreds of figures: a change of "what if" brings them all anew
  document.addEventListener('click', (event) => {
    const figure = event.target.closest?.('[data-why]');
    if (!figure) return;
    asked = figure;
    htmx.ajax('GET', figure.dataset.why, { source: figure, target: '#why-body', swap: 'innerHTML' });
  });
  document.addEventListener('htmx:afterSwap', (event) => {
    if (event.detail.target.id === 'why-body') bootstrap.Offcanvas.getOrCreateInstance(panel).show();
  });
  // Escape on the way in finds the panel not yet focused, and would be lost
  document.addEventListener('keydown', (event) => {
    if (event.key !== 'Escape' || !panel.classList.contains('showing')) return;
    panel.addEventListener('shown.bs.offcanvas', () => bootstrap.Offcanvas.getOrCreateInstance(panel).hide(), {
      once: true,
    });
  });
  panel.addEventListener('hidden.bs.offcanvas', () => {
    if (asked && document.contains(asked)) asked.focus();
  });
}
