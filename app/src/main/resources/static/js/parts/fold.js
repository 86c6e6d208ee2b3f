/** Where there is no room what can be changed is folded into one line. */
const NARROW = matchMedia('(max-width: 760px)');

export function fold(document) {
  const apply = () => document.querySelectorAll('details.fold').forEach((d) => { d.open = !NARROW.matches; });
  NARROW.addEventListener('change', apply);
  apply();
}
