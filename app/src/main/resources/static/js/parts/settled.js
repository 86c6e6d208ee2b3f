/** Tells once of each exchange that it has settled; htmx tells of each part that came with it. */
export function settled(document, then) {
  let due = false;
  document.addEventListener('htmx:afterSettle', () => {
    if (due) return;
    due = true;
    queueMicrotask(() => {
      due = false;
      then();
    });
  });
}
