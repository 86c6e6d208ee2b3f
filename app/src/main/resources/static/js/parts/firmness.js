/** Scenarios that are being worked out can be stopped; a weight is pulled from where it is. */
export function firmness(document) {
  document.addEventListener('click', (event) => {
    const stop = event.target.closest('[data-stop]');
    if (stop) {
      const row = stop.closest('tr');
      htmx.trigger(row, 'htmx:abort');
      row.remove();
    }
  });
  document.addEventListener('change', (event) => {
    if (event.target.matches('.pulling select')) {
      const now = event.target.selectedOptions[0].dataset.now;
      event.target.form.elements.weight.value = now;
    }
  }, true);
}
