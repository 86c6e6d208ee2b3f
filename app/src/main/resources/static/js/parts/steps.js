/** On a narrow screen the steps stand in one row that moves sideways: the one that is read is in it. */
export function steps(document) {
  show(document);
  document.addEventListener('htmx:afterSettle', () => show(document));
}

function show(document) {
  const row = document.querySelector('#steps');
  const here = row && row.querySelector('.here');
  if (here && row.scrollWidth > row.clientWidth) {
    row.scrollLeft = here.offsetLeft - row.offsetLeft - (row.clientWidth - here.clientWidth) / 2;
  }
}
