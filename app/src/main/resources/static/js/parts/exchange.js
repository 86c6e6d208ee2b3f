/** Says when the server takes long or does not answer; nothing typed is touched. */
const LONG = 300;

export function exchange(document) {
  const busy = document.getElementById('busy');
  const trouble = document.getElementById('trouble');
  const silent = trouble.textContent;
  let timer = null;
  document.addEventListener('htmx:beforeRequest', () => {
    clearTimeout(timer);
    timer = setTimeout(() => { busy.textContent = 'Working …'; }, LONG);
  });
  document.addEventListener('htmx:afterRequest', (event) => {
    clearTimeout(timer);
    busy.textContent = '';
    if (event.detail.successful) trouble.hidden = true;
  });
  document.addEventListener('htmx:beforeSwap', (event) => {
    if (new URL(event.detail.xhr.responseURL || location.href).pathname === '/sign-in') {
      event.detail.shouldSwap = false;
      location.reload();
    }
  });
  document.addEventListener('htmx:sendError', () => tell(silent));
  document.addEventListener('htmx:responseError', (event) => {
    const page = new DOMParser().parseFromString(event.detail.xhr.responseText, 'text/html');
    tell(page.querySelector('h1')?.textContent ?? silent);
  });

  function tell(text) {
    trouble.textContent = text;
    trouble.hidden = false;
  }
}
