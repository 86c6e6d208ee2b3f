import { sayNotAllowed, saySignedOut, session } from './signed-in.js';

/** Says when the server takes long or does not answer; nothing typed is touched. */
const LONG = 300;

export function exchange(document) {
  const busy = document.getElementById('busy');
  const trouble = document.getElementById('trouble');
  const silent = trouble.textContent;
  let timer = null;
  // what the page asks for by itself is no business of whoever reads it
  const unasked = (event) => event.detail.elt?.hasAttribute?.('data-unasked');
  document.addEventListener('htmx:beforeRequest', (event) => {
    if (unasked(event)) return;
    clearTimeout(timer);
    timer = setTimeout(() => { busy.textContent = 'Working …'; }, LONG);
  });
  document.addEventListener('htmx:afterRequest', (event) => {
    if (unasked(event)) return;
    clearTimeout(timer);
    busy.textContent = '';
    if (event.detail.successful) {
      trouble.hidden = true;
      event.detail.elt.removeAttribute('aria-invalid');
    }
  });
  document.addEventListener('htmx:beforeSwap', (event) => {
    if (unasked(event)) {
      event.detail.shouldSwap = event.detail.xhr.status === 200 && !event.detail.xhr.responseURL.endsWith('/sign-in');
      return;
    }
    if (event.detail.xhr.status === 401 || event.detail.xhr.status === 403) {
      event.detail.shouldSwap = false;
      notKept(event.detail).catch(() => tell(silent));
      return;
    }
    if (new URL(event.detail.xhr.responseURL || location.href).pathname === '/sign-in') {
      event.detail.shouldSwap = false;
      location.reload();
      return;
    }
    const { target, shouldSwap } = event.detail;
    if (shouldSwap && target.id === 'results') {
      asHigh(target);
      emptied(event.detail);
    }
  });
  document.addEventListener('htmx:sendError', (event) => { if (!unasked(event)) tell(silent); });
  document.addEventListener('htmx:responseError', (event) => {
    if (unasked(event)) return;
    tell(heading(event.detail.xhr));
  });

  /**
   * Results hold nothing that has to be told it goes, and telling each part takes longer than
   * anything else; what has the focus, or has asked, is left to be found again. The page stays as
   * high meanwhile, or it would be back at its top.
   */
  function emptied({ target, requestConfig }) {
    const isLeft = (part) => target.contains(part);
    if (isLeft(document.activeElement) || isLeft(requestConfig.elt)) return;
    target.style.minHeight = `${target.offsetHeight}px`;
    target.replaceChildren();
    document.addEventListener('htmx:afterSwap', () => { target.style.minHeight = ''; }, { once: true });
  }

  /** What is worked out only when it comes into view is as high as it was before. */
  function asHigh(target) {
    const heights = [...target.querySelectorAll('.later')].map((part) => part.offsetHeight);
    document.addEventListener('htmx:afterSwap', () => {
      target.querySelectorAll('.later').forEach((part, i) => {
        if (heights[i]) part.style.containIntrinsicHeight = `auto ${heights[i]}px`;
      });
    }, { once: true });
  }

  /** Not kept; sent again at once if somebody has signed in meanwhile who may send it. */
  async function notKept({ requestConfig, xhr }) {
    const { elt: element, path, verb } = requestConfig;
    const to = verb === 'get' ? null : new URL(path, location.href).pathname;
    const { signedIn, allowed } = await session(document, to);
    const again = element.hasAttribute('aria-invalid');
    element.setAttribute('aria-invalid', 'true');
    if (!signedIn) saySignedOut(document, 'This was not kept.');
    else if (!allowed) sayNotAllowed(document, 'This was not kept.');
    else if (again) tell(heading(xhr));
    else sentAgain(element);
  }

  function sentAgain(element) {
    if (element.matches('form')) element.requestSubmit();
    else if (element.matches('button')) element.click();
    else element.dispatchEvent(new Event('change', { bubbles: true }));
  }

  /** What a page that came instead says first. */
  function heading(xhr) {
    return new DOMParser().parseFromString(xhr.responseText, 'text/html').querySelector('h1')?.textContent ?? silent;
  }

  function tell(text) {
    trouble.textContent = text;
    trouble.hidden = false;
  }
}
