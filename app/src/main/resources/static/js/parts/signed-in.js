/**
 * Whether somebody is signed in who may send a form there, asked of the server; the page's token
 * follows a new sign-in.
 */
export async function session(document, to) {
  const answer = await fetch(to ? `/session?to=${encodeURIComponent(to)}` : '/session', { headers: { Accept: 'application/json' }, cache: 'no-store' });
  if (!answer.ok) throw new Error(`session: ${answer.status}`);
  const state = await answer.json();
  if (!state.signedIn) return state;
  document.body.setAttribute('hx-headers', JSON.stringify({ [state.header]: state.token }));
  document.querySelectorAll('input[name="_csrf"]').forEach((field) => { field.value = state.token; });
  return state;
}

/** Says that a role was changed since the page was opened. */
export function sayNotAllowed(document, what) {
  const trouble = document.getElementById('trouble');
  trouble.textContent = `Your role does not allow this any more. ${what} Ask an organiser, then do it again.`;
  trouble.hidden = false;
  trouble.scrollIntoView({ block: 'nearest' });
}

/** Says that somebody is signed out, with the way to go on that loses nothing. */
export function saySignedOut(document, what) {
  const trouble = document.getElementById('trouble');
  const way = document.createElement('a');
  way.href = '/sign-in';
  way.target = '_blank';
  way.textContent = 'Sign in in another tab';
  trouble.replaceChildren(`You are signed out. ${what} `, way, ', then do it again.');
  trouble.hidden = false;
  trouble.scrollIntoView({ block: 'nearest' });
}
