/** Turns the one form of a box of remarks to an answer, and back. */
export function remarks(document) {
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
