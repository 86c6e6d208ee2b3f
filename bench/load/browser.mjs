// How long a reader waits for a change of "what if", and for the first thing on a page:
//   npm install --no-save playwright-core && node bench/load/browser.mjs [address] [selection] [rounds]
// Start the demonstration first (bin/demo). Times run from the key or choice to the frame in which the new figures stand.
import { chromium } from 'playwright-core';

const [base = 'http://localhost:8080', selection = '1', rounds = '60'] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(base + '/sign-in');
await page.fill('[name=username]', 'ilse');
await page.fill('[name=password]', 'brackwater');
await page.press('[name=password]', 'Enter');
await page.waitForURL((url) => !url.pathname.startsWith('/sign-in'));

function percentile(times, share) {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)].toFixed(0);
}

for (const step of ['cost', 'fit', 'overview']) {
  await page.goto(`${base}/selections/${selection}/${step}`);
  const times = await page.evaluate(async (count) => {
    const select = document.querySelector('select[name=growth]');
    const taken = [];
    for (let i = 0; i < count; i += 1) {
      const done = new Promise((resolve) => document.addEventListener('htmx:afterSettle', () => requestAnimationFrame(() => setTimeout(resolve)), { once: true }));
      const start = performance.now();
      select.value = ['low', 'high', 'expected'][i % 3];
      select.dispatchEvent(new Event('change', { bubbles: true }));
      await done;
      taken.push(performance.now() - start);
      await new Promise((resolve) => setTimeout(resolve, 120));
    }
    return taken;
  }, Number(rounds));
  console.log(step.padEnd(9), 'what if: p50', percentile(times.slice(10), 0.5), 'ms  p95', percentile(times.slice(10), 0.95), 'ms');
}

for (const path of ['/selections', `/selections/${selection}/overview`, `/selections/${selection}/cost`, '/catalogue']) {
  const paints = [];
  for (let i = 0; i < 12; i += 1) {
    await page.goto(base + path);
    paints.push(await page.evaluate(() => new Promise((resolve) => {
      new PerformanceObserver((list) => resolve(list.getEntries()[0].startTime)).observe({ type: 'paint', buffered: true });
    })));
  }
  console.log(path.padEnd(26), 'first paint: p50', percentile(paints.slice(2), 0.5), 'ms  p95', percentile(paints.slice(2), 0.95), 'ms');
}
await browser.close();
