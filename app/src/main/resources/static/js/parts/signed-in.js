/** Whether somebody is signed in, asked of the server; the page's token follows a new sign-in. */
export async function signedIn(document) {
  const answer = await fetch('/session', { headers: { Accept: 'application/json' }, cache: 'no-store' });
  if (!answer.ok) throw new Error(`session: ${answer.status}`);
  const session = await answer.json();
  if (!session.signedIn) return false;
  document.body.setAttribute('hx-headers', JSON.stringify({ [session.header]: session.token }));
  document.querySelectorAll('input[name="_csrf"]').forEach((field) => { field.value = session.token; });
  return true;
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
