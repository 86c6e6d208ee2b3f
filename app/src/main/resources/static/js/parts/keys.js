/** The few keys of our own; none of them is taken away from typing. */
export function keys(document) {
  document.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
    const act = ACTS[event.key];
    if (act && act(document)) event.preventDefault();
  });
}

const ACTS = {
  '?': (document) => show(document),
  m: (document) => focus(document.getElementById('bead')),
  h: (document) => focus(document.getElementById('people')),
  t: (document) => tables(document),
  f: (document) => focus(document.getElementById('find')),
};

function typing(target) {
  return target instanceof Element && target.matches('input:not([type=range], [type=radio], [type=checkbox]), textarea, select, [contenteditable]');
}

function show(document) {
  bootstrap.Modal.getOrCreateInstance(document.getElementById('keys')).show();
  return true;
}

function focus(element) {
  element?.focus();
  return Boolean(element);
}

function tables(document) {
  const all = [...document.querySelectorAll('[data-table]')];
  const open = all.some((table) => !table.open);
  all.forEach((table) => { table.open = open; });
  return all.length > 0;
}
