import { settled } from './settled.js';

/** Marks figures on which a remark is open, and turns the one form of a box of remarks to an answer, and back. */
export function remarks(document) {
  mark(document);
  settled(document, () => mark(document));
  document.addEventListener('click', (event) => {
    const button = event.target.closest?.('[data-answer]');
    const form = button?.closest('.remarks')?.querySelector('form[data-remark]');
    if (!form) return;
    const id = button.dataset.answer;
    form.elements.answers.value = id;
    form.querySelector('.answering').hidden = !id;
    form.querySelector('.answering span').textContent = id ? `Answering ${button.dataset.words}` : '';
    form.querySelector('.aboutrow').hidden = Boolean(id);
    form.closest('details').open = true;
    form.elements.text.focus();
  });
}

/* Where it stands, a figure is marked; the list below has the words. */
function mark(document) {
  const list = document.getElementById('remarklist');
  if (!list) return;
  const open = [...list.querySelectorAll(':scope > .remark [data-why]')].map(asked);
  if (!open.length && !document.querySelector('#results .remarked')) return;
  document.querySelectorAll('#results [data-why]').forEach((figure) => {
    const about = open.filter((subject) => subject === asked(figure)).length;
    figure.classList.toggle('remarked', about > 0);
    if (about > 0) figure.setAttribute('aria-description', about === 1 ? 'one remark open' : `${about} remarks open`);
    else figure.removeAttribute('aria-description');
  });
}

/* What an address asks about, whatever the month and the order of its parts. */
function asked(figure) {
  const query = new URLSearchParams(figure.dataset.why.split('?')[1] ?? '');
  return ['figure', 'contender', 'criterion', 'capability', 'measure', 'plan', 'of'].map((part) => query.get(part) ?? '').join('|');
}
