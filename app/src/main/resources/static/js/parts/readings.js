/** Says beside a number how it was read, where it is not written as we write it. */
const PLAIN = /^\s*(-?\d+(\.\d{1,2})?)?\s*$/;

export function readings(document) {
  document.addEventListener('change', async (event) => {
    const field = event.target;
    if (!field.matches?.('form[data-readings] input[inputmode]')) return;
    let said = field.parentElement.querySelector('.reading');
    if (PLAIN.test(field.value)) {
      said?.remove();
      return;
    }
    if (!said) {
      said = document.createElement('small');
      said.className = 'reading';
      said.setAttribute('role', 'status');
      field.after(said);
    }
    const answer = await fetch('/reading?text=' + encodeURIComponent(field.value.slice(0, 60)));
    said.textContent = answer.ok ? await answer.text() : '';
  });
  document.querySelectorAll('[data-filter]').forEach(filter);
}

/** Many lines, of which those stay that hold what is typed. */
function filter(box) {
  const find = box.querySelector('[data-find]');
  find.closest('label').hidden = false;
  find.addEventListener('input', () => {
    const words = find.value.toLowerCase();
    box.querySelectorAll('tbody tr').forEach((row) => { row.hidden = !row.textContent.toLowerCase().includes(words); });
  });
}
