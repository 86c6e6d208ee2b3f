/** Reads the cost chart at a headcount, by pointer or by the slider below it; a click discusses it. */
export function charts(document) {
  document.addEventListener('input', (event) => {
    if (event.target.matches('[data-reader]')) read(event.target.closest('[data-chart]'), Number(event.target.value));
  });
  document.addEventListener('pointermove', (event) => {
    const at = position(event);
    if (at) read(at.chart, at.n);
  });
  document.addEventListener('click', (event) => {
    const at = position(event);
    const field = at && document.querySelector(`#whatif [name=${at.svg.dataset.field}]`);
    if (field) {
      field.value = String(at.n * Number(at.svg.dataset.step));
      field.dispatchEvent(new Event('change', { bubbles: true }));
    }
  });
}

function position(event) {
  const svg = event.target instanceof Element ? event.target.closest('[data-chart] svg.costs') : null;
  if (!svg) return null;
  const box = svg.getBoundingClientRect();
  const { left, right, most, reach } = numbers(svg);
  const x = ((event.clientX - box.left) / box.width) * svg.viewBox.baseVal.width;
  const n = Math.round(((x - left) / (right - left)) * most);
  return n < 1 || n > reach ? null : { svg, chart: svg.closest('[data-chart]'), n };
}

function numbers(svg) {
  const { left, right, most, reach } = svg.dataset;
  return { left: Number(left), right: Number(right), most: Number(most), reach: Number(reach) };
}

function read(chart, n) {
  const svg = chart.querySelector('svg.costs');
  const { left, right, most } = numbers(svg);
  const line = svg.querySelector('.reading');
  const x = left + ((right - left) * n) / most;
  line.setAttribute('x1', x);
  line.setAttribute('x2', x);
  line.setAttribute('visibility', 'visible');
  chart.querySelector('[data-reader]').value = n;
  const costs = [...svg.querySelectorAll('path.line')]
    .map((path) => ({ name: path.dataset.name, cost: path.dataset.costs.split('|')[n - 1] }))
    .filter(({ cost }) => cost !== '—')
    .sort((a, b) => amount(a.cost) - amount(b.cost));
  chart.querySelector('output').textContent =
    `${(n * Number(svg.dataset.step)).toLocaleString('en')} ${svg.dataset.words === 'people' && n === 1 ? 'person' : svg.dataset.words}: ` + (costs.map(({ name, cost }) => `${name} ${cost}`).join(' · ') || 'no figure');
}

function amount(text) {
  return Number(text.replaceAll(',', ''));
}
