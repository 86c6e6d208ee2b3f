import { settled } from './settled.js';

/** On a narrow screen the contenders become a choice of two, set side by side; or one, to be marked. */
const NARROW = matchMedia('(max-width: 760px)');

export function columns(document) {
  const box = document.querySelector('.twoofthem');
  if (!box) return;
  const left = document.getElementById('left');
  const right = document.getElementById('right');
  const next = document.getElementById('nextcontender');
  // where one is marked after the other the first choice of the right column is none
  const none = box.dataset.one ? 1 : 0;
  if (!none && right.options.length > 1) right.selectedIndex = 1;
  const apply = () => {
    const narrow = NARROW.matches && left.options.length > 2 && document.querySelector('.bench[data-columns]') !== null;
    box.hidden = !narrow;
    const shown = new Set([left.selectedIndex, right.selectedIndex - none].filter((i) => i >= 0));
    document.querySelectorAll('.bench[data-columns] tr').forEach((row) => {
      [...row.children].slice(1).forEach((cell, i) => { cell.hidden = narrow && !shown.has(Number(cell.dataset.c ?? i)); });
      // a heading across all columns must not hold those open that are hidden
      row.querySelectorAll('th[colspan]:not([data-c])').forEach((heading) => {
        heading.dataset.across ??= heading.colSpan;
        heading.colSpan = narrow ? shown.size + 1 : heading.dataset.across;
      });
    });
  };
  next?.addEventListener('click', () => {
    left.selectedIndex = (left.selectedIndex + 1) % left.options.length;
    right.selectedIndex = 0;
    apply();
    document.querySelector('.bench[data-columns] td:not([hidden]) select')?.focus();
  });
  [left, right].forEach((choice) => choice.addEventListener('change', apply));
  NARROW.addEventListener('change', apply);
  settled(document, apply);
  apply();
}
