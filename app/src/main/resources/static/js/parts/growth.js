/** Points of the growth picture that can be pulled, or moved by the arrow keys; the server says what that means. */
const STEPS = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 };

export function growth(document) {
  if (!document.querySelector('form[data-growth]')) return;
  document.addEventListener('pointerdown', (event) => take(document, event));
  document.addEventListener('keydown', (event) => press(document, event));
}

function take(document, event) {
  const point = event.target.closest?.('.handle');
  if (!point) return;
  event.preventDefault();
  point.setPointerCapture(event.pointerId);
  const move = (moved) => place(point, people(point, moved.clientY));
  const drop = () => {
    point.removeEventListener('pointermove', move);
    send(document, point);
  };
  point.addEventListener('pointermove', move);
  point.addEventListener('pointerup', drop, { once: true });
}

/* Where the pointer is on the picture's scale, in whole people. */
function people(point, clientY) {
  const svg = point.ownerSVGElement;
  const at = new DOMPoint(0, clientY).matrixTransform(svg.getScreenCTM().inverse()).y;
  const { top, bottom, most } = svg.dataset;
  return Math.max(0, Math.round(((bottom - at) / (bottom - top)) * most));
}

function place(point, value) {
  const { top, bottom, most } = point.ownerSVGElement.dataset;
  point.setAttribute('cy', String(bottom - ((bottom - top) * value) / most));
  point.setAttribute('aria-valuenow', String(value));
  point.setAttribute('aria-valuetext', `${value} people`);
}

function press(document, event) {
  const point = event.target.closest?.('.handle');
  const by = STEPS[event.key];
  if (!point || by === undefined) return;
  event.preventDefault();
  place(point, Math.max(0, Number(point.getAttribute('aria-valuenow')) + by));
  send(document, point);
}

function send(document, point) {
  const form = document.querySelector('form[data-growth]');
  const values = Object.fromEntries(new FormData(form));
  Object.assign(values, { moved: point.dataset.group, month: point.dataset.month, to: point.getAttribute('aria-valuenow') });
  const { id } = point;
  window.htmx.ajax('POST', '/growth/draw', { target: '#editor', swap: 'outerHTML', values })
    .then(() => {
      document.getElementById(id)?.focus();
      document.querySelector('form[data-growth]')?.dispatchEvent(new Event('input', { bubbles: true }));
    });
}
