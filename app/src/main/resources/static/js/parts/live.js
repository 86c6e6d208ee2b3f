/**
 * A page nobody looks at holds no connection: a browser has few for one server. When it is looked
 * at again it asks for what has changed meanwhile.
 */
const AGAIN = 2000;

export function live(document) {
  // the stream may have lived through what cut the question off
  const again = (event) => {
    const asks = event.detail.elt;
    if (!asks?.hasAttribute?.('data-unasked')) return;
    setTimeout(() => { if (document.contains(asks)) htmx.trigger(asks, 'sse:changed'); }, AGAIN);
  };
  ['htmx:sendError', 'htmx:timeout', 'htmx:sendAbort'].forEach((name) => document.addEventListener(name, again));
  // what was about to be asked when the page was left waits until it is looked at again
  document.addEventListener('htmx:beforeRequest', (event) => {
    if (document.hidden && event.detail.elt?.hasAttribute?.('data-unasked')) event.preventDefault();
  });
  // an answer serves every page of its step; what this one does not show is left out
  document.addEventListener('htmx:beforeSwap', (event) => {
    if (!event.detail.elt?.hasAttribute?.('data-unasked')) return;
    const answer = document.createElement('template');
    answer.innerHTML = event.detail.serverResponse;
    answer.content.querySelectorAll('[hx-swap-oob]').forEach((part) => {
      if (!document.getElementById(part.id)) part.remove();
    });
    event.detail.serverResponse = answer.innerHTML;
  });
  // what is the same stays: whoever is about to press it presses what they saw
  document.addEventListener('htmx:oobBeforeSwap', (event) => {
    const { target, fragment } = event.detail;
    const whole = fragment.firstElementChild?.id === target.id ? fragment.firstElementChild : null;
    const same = whole ? whole.outerHTML === target.outerHTML : fragment.innerHTML === target.innerHTML;
    if (same) event.detail.shouldSwap = false;
  });
  document.addEventListener('visibilitychange', () => {
    const stream = document.getElementById('live');
    if (!stream) return;
    if (document.hidden) {
      htmx.trigger(stream, 'htmx:beforeCleanupElement');
      stream.dataset.closed = 'yes';
    } else if (stream.dataset.closed) {
      const fresh = stream.cloneNode(true);
      delete fresh.dataset.closed;
      stream.replaceWith(fresh);
      htmx.process(fresh);
    }
  });
}
