/** Shows, beside what was typed, what somebody else saved meanwhile, to be taken or left. */
const KEYS = ['id', 'measure', 'capability', 'name'];

export function otherVersion(document) {
  const place = document.querySelector('[data-other]');
  const form = place && document.querySelector('form[data-guard]');
  if (!form) return;
  const theirs = JSON.parse(place.dataset.other);
  const differing = [];
  const missing = [];
  Object.entries(theirs).forEach(([name, text]) => {
    const field = fieldFor(form, theirs, name);
    if (!field) {
      if (text && /\.(name|capability)$/.test(name)) missing.push(text);
      return;
    }
    if (!same(field, text)) differing.push(beside(field, text));
  });
  const says = [];
  if (differing.length) says.push(`${differing.length === 1 ? 'One field differs' : `${differing.length} fields differ`}; what is saved now stands below each, to be taken.`);
  if (missing.length) says.push(`Saved now and not in yours: ${missing.join(', ')}.`);
  place.textContent = says.join(' ');
}

/** The field of the same thing: a line is known by what it is of, not by its place. */
function fieldFor(form, theirs, name) {
  const parts = name.match(/^(\w+)\[(\d+)\]\.(.+)$/);
  if (!parts) return element(form, name);
  const [, list, place, rest] = parts;
  const key = KEYS.find((k) => theirs[`${list}[${place}].${k}`]);
  if (!key) return null;
  const wanted = theirs[`${list}[${place}].${key}`];
  const mine = [...form.elements].find((field) => new RegExp(`^${list}\\[\\d+\\]\\.${key}$`).test(field.name) && field.value === wanted);
  return mine ? element(form, mine.name.slice(0, -key.length) + rest) : null;
}

function element(form, name) {
  const found = form.elements[name];
  const field = found instanceof RadioNodeList ? [...found].find((one) => one.type !== 'hidden') : found;
  return field && field.type !== 'hidden' ? field : null;
}

function same(field, text) {
  return field.type === 'checkbox' ? field.checked === (text === 'true') : field.value.trim() === text.trim();
}

function beside(field, text) {
  const note = field.ownerDocument.createElement('span');
  note.className = 'theirs';
  const words = field.type === 'checkbox' ? (text === 'true' ? 'ticked' : 'not ticked') : field.selectedOptions ? [...field.options].find((o) => o.value === text)?.text ?? text : text || 'empty';
  note.append(`saved now: ${words} `);
  const take = field.ownerDocument.createElement('button');
  take.type = 'button';
  take.className = 'quiet';
  take.textContent = 'take it';
  take.addEventListener('click', () => {
    if (field.type === 'checkbox') field.checked = text === 'true';
    else field.value = text;
    field.dispatchEvent(new Event('input', { bubbles: true }));
    field.dispatchEvent(new Event('change', { bubbles: true }));
    note.remove();
    field.focus();
  });
  note.append(take);
  (field.closest('label') ?? field).after(note);
  for (let fold = field.closest('details'); fold; fold = fold.parentElement.closest('details')) fold.open = true;
  return note;
}
