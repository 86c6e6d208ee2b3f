import { settled } from './settled.js';

/** The bead on the cord: moving it asks the server anew, at most every PAUSE milliseconds. */
const PAUSE = 60;

export function thread(document) {
  const form = document.getElementById('whatif');
  const bead = document.getElementById('bead');
  if (!form || !bead) return;
  const people = document.getElementById('people');
  let waiting = null;
  const moved = () => {
    waiting = null;
    form.dispatchEvent(new CustomEvent('bead'));
  };
  bead.addEventListener('input', () => {
    people.value = '';
    bead.classList.remove('off');
    if (!waiting) waiting = setTimeout(moved, PAUSE);
  });
  people.addEventListener('change', () => bead.classList.toggle('off', people.value.trim() !== ''));
  settled(document, () => {
    const moment = document.getElementById('moment');
    bead.setAttribute('aria-valuetext', moment.querySelector('.figure').textContent);
    people.classList.toggle('is-invalid', moment.querySelector('.fault') !== null);
  });
}
