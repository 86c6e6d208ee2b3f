import { sayNotAllowed, saySignedOut, session } from './signed-in.js';

/** Asks before a page with unsaved entries is left; loses nothing when the session has ended. */
export function guard(document) {
  let changed = false;
  document.querySelectorAll('form[data-guard]').forEach((form) => {
    form.addEventListener('input', () => { changed = true; });
  });
  window.addEventListener('beforeunload', (event) => {
    if (changed) event.preventDefault();
  });
  document.addEventListener('submit', (event) => send(event, () => { changed = false; }));
  const grow = (area) => { area.rows = Math.max(1, area.value.split('\n').length); };
  document.querySelectorAll('textarea[data-grow]').forEach((area) => {
    grow(area);
    area.addEventListener('input', () => grow(area));
  });
}

/** The path a form goes to, by the button that sends it. */
function to(form, submitter) {
  const address = submitter?.getAttribute('formaction') ?? form.getAttribute('action') ?? '';
  return new URL(address, location.href).pathname;
}

/** A form is sent once it is known that somebody is signed in to take it. */
async function send(event, sending) {
  const form = event.target;
  if (form.getAttribute('method')?.toLowerCase() !== 'post' || !form.querySelector('input[name="_csrf"]') || form.closest('[data-open]')) return;
  if (form.dataset.checked) {
    delete form.dataset.checked;
    sending();
    return;
  }
  event.preventDefault();
  const { submitter } = event;
  try {
    const { signedIn, allowed } = await session(document, to(form, submitter));
    if (signedIn && !allowed) {
      sayNotAllowed(document, 'Nothing was saved; what you typed is still here.');
    } else if (signedIn) {
      form.dataset.checked = 'yes';
      form.requestSubmit(submitter);
    } else {
      saySignedOut(document, 'Nothing was saved; what you typed is still here.');
    }
  } catch {
    const trouble = document.getElementById('trouble');
    trouble.textContent = 'The server did not answer. What you typed is still here; try again in a moment.';
    trouble.hidden = false;
  }
}
