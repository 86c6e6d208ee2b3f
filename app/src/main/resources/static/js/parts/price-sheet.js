/** The price page as a sheet: it grows where one writes, takes pasted cells, and asks while one writes. */
const PAUSE = 400;

export function priceSheet(document) {
  const form = document.querySelector('form[data-pricesheet]');
  if (!form) return;
  form.addEventListener('input', (event) => { room(form, event.target); kinds(event.target); counts(event.target); used(event.target); });
  form.addEventListener('keydown', (event) => down(form, event));
  form.addEventListener('paste', (event) => paste(form, event));
  form.addEventListener('click', (event) => click(form, event));
  checking(form);
  read(form);
}

/* What was read of a pasted text: marked in its cell, and found from the list. */

function read(form) {
  form.querySelectorAll('[data-goto]').forEach((button) => {
    const field = form.elements[button.dataset.goto];
    if (!field || field instanceof RadioNodeList) return;
    if (button.dataset.look !== 'clear') field.classList.add(`read-${button.dataset.look}`);
    button.addEventListener('click', () => {
      field.closest('details')?.setAttribute('open', '');
      field.focus();
      field.scrollIntoView({ block: 'center' });
    });
  });
}

/* Growing: the last line, and the last plan, are for writing; once written in, another follows. */

function room(form, field) {
  const line = field.closest('[data-repeats]');
  if (line && filled(field) && isLast(form, line)) addLine(line);
  if (line && filled(field)) line.classList.remove('spare');
  const cell = field.closest('td, thead th');
  if (cell && filled(field) && cell.closest('table.pricepage') && isLastPlan(form, cell)) addPlan(form);
}

function filled(field) {
  return !field.matches('select, [type=checkbox]') && field.value.trim() !== '';
}

function isLast(form, line) {
  return [...form.querySelectorAll(`[data-repeats="${line.dataset.repeats}"]`)].at(-1) === line;
}

function isLastPlan(form, cell) {
  const name = cell.querySelector('[name]')?.name ?? '';
  const place = /(?:plans|cells|answers)\[(\d+)]/.exec(name);
  return Boolean(place) && Number(place[1]) === plans(form) - 1;
}

function plans(form) {
  return form.querySelectorAll('table.pricepage thead th').length - 1;
}

function addLine(line) {
  const kind = line.dataset.repeats;
  const next = line.cloneNode(true);
  const from = Number(new RegExp(`${kind}\\[(\\d+)]`).exec(line.querySelector('[name]').name)[1]);
  renumber(next, new RegExp(`${kind}\\[${from}]`), `${kind}[${from + 1}]`);
  empty(next);
  next.classList.toggle('spare', kind === 'lines');
  line.after(next);
}

function addPlan(form) {
  const last = plans(form) - 1;
  form.querySelectorAll('table.pricepage tr').forEach((row) => {
    const heading = row.querySelector(':scope > [colspan]');
    if (heading) {
      heading.colSpan += 1;
      return;
    }
    const cell = row.lastElementChild;
    const next = cell.cloneNode(true);
    renumber(next, new RegExp(`(plans|cells|answers)\\[${last}]`), `$1[${last + 1}]`, last);
    empty(next);
    next.querySelectorAll('[name^=plans][name$=".name"]').forEach((name) => { name.placeholder = 'one more plan'; });
    cell.after(next);
  });
}

function renumber(part, from, to) {
  part.querySelectorAll('[name]').forEach((field) => { field.name = field.name.replace(from, to); });
  part.querySelectorAll('[aria-label]').forEach((field) => {
    field.setAttribute('aria-label', field.getAttribute('aria-label').replace(/(\d+)(?=\D*$)/, (n) => String(Number(n) + 1)));
  });
}

/* Choices and currencies are kept: the next line is most often like the one before. Sources are not. */
function empty(part) {
  part.querySelectorAll('.fault, .doubt').forEach((note) => note.remove());
  part.querySelectorAll('.reading').forEach((reading) => { reading.textContent = ''; });
  part.querySelectorAll('.is-invalid').forEach((field) => field.classList.remove('is-invalid'));
  part.querySelectorAll('textarea, input:not([type=hidden], [type=checkbox], [name$=currency])').forEach((field) => { field.value = ''; });
  part.querySelectorAll('input[type=hidden][name$=".id"]').forEach((field) => { field.value = ''; });
  part.querySelectorAll('select[name*=answers], select[name$=".ground"]').forEach((field) => { field.value = ''; });
  part.querySelectorAll('[type=checkbox]').forEach((field) => { field.checked = false; });
  part.querySelectorAll('details.own').forEach((own) => { own.open = false; own.classList.remove('used'); own.querySelector('summary').textContent = 'as the page'; });
}

/* What a charge is priced by decides which of its rows are there; the choice says what it has. */

function kinds(field) {
  if (!field.matches('select[name$=".kind"]')) return;
  const charge = field.closest('tbody.charge');
  Object.assign(charge.dataset, field.selectedOptions[0].dataset, { kind: field.value });
}

/* How many there are is written, not chosen: the cells of the line change, with what they held. */

function counts(field) {
  if (!field.matches('select[name*=answers]') || field.value !== 'count') return;
  field.value = '';
  field.closest('tr').querySelectorAll('select[name*=answers]').forEach((select) => {
    const cell = written(select);
    select.replaceWith(cell);
    if (select === field) cell.focus();
  });
}

function written(select) {
  const cell = Object.assign(select.ownerDocument.createElement('input'), { className: 'form-control', name: select.name, value: select.value, placeholder: '41 languages', maxLength: 80 });
  cell.setAttribute('aria-label', select.getAttribute('aria-label'));
  return cell;
}

/* Rows that are rarely needed stand aside until they are asked for; one that is written in stays. */

function used(field) {
  const row = field.closest('[data-opt]');
  if (row && filled(field)) row.classList.add('used');
}

function toggle(form, button) {
  const shown = new Set((form.dataset.show ?? '').split(' '));
  const on = !shown.delete(button.dataset.shows);
  if (on) shown.add(button.dataset.shows);
  form.dataset.show = [...shown].join(' ').trim();
  button.setAttribute('aria-pressed', String(on));
}

/* Taking out, and putting back. */

function click(form, event) {
  const shows = event.target.closest('[data-shows]');
  if (shows) toggle(form, shows);
  const remove = event.target.closest('[data-remove]');
  if (remove) takeOut(form, remove);
}

function takeOut(form, button) {
  const parts = button.dataset.remove === 'plan' ? column(form, button) : [button.closest('[data-repeats]')];
  const name = (button.dataset.remove === 'plan' ? button.closest('th') : parts[0]).querySelector('[name$=".name"], [name$=".capability"]')?.value || 'The empty one';
  const fields = parts.flatMap((part) => [...part.querySelectorAll('[name]')]).filter((field) => !field.disabled);
  parts.forEach((part) => { part.hidden = true; });
  fields.forEach((field) => { field.disabled = true; });
  const note = form.ownerDocument.getElementById('taken-out');
  note.querySelector('span').textContent = `${name} is taken out; saving makes it so.`;
  note.hidden = false;
  form.dispatchEvent(new Event('change', { bubbles: true }));
  note.querySelector('button').onclick = () => {
    parts.forEach((part) => { part.hidden = false; });
    fields.forEach((field) => { field.disabled = false; });
    note.hidden = true;
    button.focus();
  };
}

function column(form, button) {
  const head = button.closest('th');
  const i = [...head.parentElement.children].indexOf(head);
  return [...form.querySelectorAll('table.pricepage tr')].filter((row) => !row.querySelector(':scope > [colspan]')).map((row) => row.children[i]);
}

/* Enter goes down the column, as on paper; Ctrl and Enter saves. */

function down(form, event) {
  if (event.key !== 'Enter') return;
  const field = event.target;
  if (event.ctrlKey || event.metaKey) {
    event.preventDefault();
    form.requestSubmit();
  } else if (field.matches('input') || (field.matches('textarea') && field.closest('tbody')?.dataset.banded !== 'true')) {
    event.preventDefault();
    const grid = cells(form);
    const at = place(grid, field);
    if (at && grid[at.row + 1]) (grid[at.row + 1][at.column] ?? grid[at.row + 1].at(-1)).focus();
  }
}

/** The rows of the sheet in sight, each with the first field of every plan's cell. */
function cells(form) {
  return [...form.querySelectorAll('table.pricepage tr')]
    .filter((row) => row.offsetParent !== null && !row.querySelector(':scope > [colspan]'))
    .map((row) => [...row.children].slice(1).filter((cell) => !cell.hidden).map((cell) => cell.querySelector('input:not([type=hidden]), textarea, select')));
}

function place(grid, field) {
  for (let row = 0; row < grid.length; row += 1) {
    const column = grid[row].findIndex((first) => first === field || first?.closest('td, th')?.contains(field));
    if (column >= 0) return { row, column };
  }
  return null;
}

/* Cells copied from a spreadsheet fill the sheet from where they are pasted, plans growing as needed. */

function paste(form, event) {
  const text = event.clipboardData?.getData('text/plain') ?? '';
  if (!/[\t]/.test(text) && !/\n./.test(text.trim())) return;
  if (event.target.closest('tbody')?.dataset.banded === 'true' && !text.includes('\t')) return;
  const at = place(cells(form), event.target);
  if (!at) return;
  event.preventDefault();
  text.replace(/\r?\n$/, '').split(/\r?\n/).forEach((line, down) => {
    line.split('\t').forEach((value, across) => put(form, at.row + down, at.column + across, value.trim()));
  });
  form.dispatchEvent(new Event('change', { bubbles: true }));
}

function put(form, row, column, value) {
  while (cells(form)[0].length <= column && plans(form) < 40) addPlan(form);
  const field = cells(form)[row]?.[column];
  if (!field) return;
  if (field.matches('select')) {
    const option = [...field.options].find((o) => o.text.toLowerCase() === value.toLowerCase() || o.value === value);
    if (option) field.value = option.value;
    else if (/^(at |up |[0-9])/i.test(value) && field.name.includes('answers')) {
      const cell = written(field);
      field.replaceWith(cell);
      cell.value = value;
    }
  } else {
    field.value = value;
  }
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/* While one writes, the server is asked; what it finds stands beside the cells that were touched. */

function checking(form) {
  const touched = new Set([...form.querySelectorAll('.is-invalid')].map((field) => field.name));
  let timer = null;
  form.addEventListener('change', (event) => {
    if (event.target.name) touched.add(event.target.name);
    clearTimeout(timer);
    timer = setTimeout(() => htmx.ajax('POST', form.dataset.check, { source: form, target: '#live', swap: 'innerHTML' }), PAUSE);
  });
  form.ownerDocument.addEventListener('htmx:afterSwap', (event) => {
    if (event.detail.target.id === 'live') show(form, touched, event.detail.target);
  });
}

function show(form, touched, live) {
  const faults = new Map([...live.querySelectorAll('[data-kind=fault]')].map((item) => [item.dataset.field, item.textContent]));
  const readings = new Map([...live.querySelectorAll('[data-kind=reading]')].map((item) => [item.dataset.field, item.textContent]));
  const answered = new Set([...form.querySelectorAll('[name=confirmed]')].filter((box) => box.type === 'hidden' || box.checked).map((box) => box.value));
  form.querySelectorAll('.cellnote > .reading').forEach((reading) => {
    reading.textContent = readings.get(reading.closest('td').querySelector('textarea').name) ?? '';
  });
  touched.forEach((name) => {
    const field = form.elements[name];
    if (!(field instanceof Element)) return;
    fault(field, faults.get(name));
    field.classList.toggle('is-invalid', faults.has(name));
  });
  form.querySelectorAll('.doubt').forEach((doubt) => { if (!doubt.querySelector('input').checked) doubt.remove(); });
  live.querySelectorAll('[data-kind=doubt]').forEach((item) => {
    const field = form.elements[item.dataset.field];
    if (field instanceof Element && !answered.has(item.dataset.key)) ask(field, item);
  });
}

/* A note stands in the room that is kept below a price, elsewhere on what is below: nothing moves. */
function settle(field, note) {
  const room = field.closest('td')?.querySelector('.cellnote');
  if (room) room.append(note);
  else {
    note.classList.add('slip');
    field.after(note);
  }
}

function fault(field, text) {
  const cell = field.closest('td, th, label, .pair') ?? field.parentElement;
  let shown = [...cell.querySelectorAll('.fault')].find((span) => span.dataset.of === field.name || span.id === `fault-${field.name}`);
  if (!text) {
    shown?.remove();
    return;
  }
  if (!shown) {
    shown = field.ownerDocument.createElement('span');
    shown.className = 'fault';
    shown.dataset.of = field.name;
    shown.id = `fault-${field.name}`;
    settle(field, shown);
  }
  shown.textContent = text;
}

function ask(field, item) {
  const doubt = field.ownerDocument.createElement('span');
  doubt.className = 'doubt';
  const sentence = field.ownerDocument.createElement('span');
  sentence.textContent = item.textContent;
  const label = field.ownerDocument.createElement('label');
  const box = Object.assign(field.ownerDocument.createElement('input'), { type: 'checkbox', className: 'form-check-input', name: 'confirmed', value: item.dataset.key });
  label.append(box, ' it is so');
  doubt.append(sentence, ' ', label);
  settle(field, doubt);
}
