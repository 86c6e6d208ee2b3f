// How fast the server answers changes of the "what if" thread: node what-if.mjs [address] [selection] [rounds]
// Start the demonstration first (bin/demo). Quotes the 50th and 95th percentile of each step, and of all.
const [base = 'http://localhost:8080', selection = '1', rounds = '400'] = process.argv.slice(2);
const STEPS = ['cost', 'fit', 'weights', 'need'];
const cookies = new Map();

async function ask(path, options = {}) {
  const cookie = [...cookies].map((pair) => pair.join('=')).join('; ');
  const answer = await fetch(base + path, { redirect: 'manual', ...options, headers: { ...options.headers, cookie } });
  for (const set of answer.headers.getSetCookie()) {
    const [name, value] = set.split(';')[0].split(/=(.*)/s);
    cookies.set(name, value);
  }
  return answer;
}

async function signIn() {
  const page = await (await ask('/sign-in')).text();
  const token = /name="_csrf"[^>]*value="([^"]+)"/.exec(page)[1];
  const body = new URLSearchParams({ username: 'ilse', password: 'brackwater', _csrf: token });
  const answer = await ask('/sign-in', { method: 'POST', body });
  if (answer.status !== 302 || answer.headers.get('location').includes('error')) throw new Error('not signed in');
}

// A fixed sequence of changes as a reader makes them: mostly the month, sometimes all else.
function* changes(count) {
  let seed = 7;
  const next = (n) => { seed = (seed * 1103515245 + 12345) % 2147483648; return seed % n; };
  const one = (list) => list[next(list.length)];
  for (let i = 0; i < count; i++) {
    const query = new URLSearchParams({ month: String(next(36)) });
    if (next(5) === 0) query.set('people', String(1 + next(300)));
    if (next(3) === 0) query.set('growth', one(['low', 'high']));
    if (next(3) === 0) query.set('terms', one(['monthly', 'committed']));
    if (next(4) === 0) query.set('view', 'cash');
    yield { step: STEPS[i % STEPS.length], query };
  }
}

function percentile(times, share) {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)].toFixed(1);
}

await signIn();
const times = new Map();
const all = [];
let i = 0;
for (const { step, query } of changes(2 * Number(rounds))) {
  const start = performance.now();
  const answer = await ask(`/selections/${selection}/${step}?${query}`, { headers: { 'HX-Request': 'true' } });
  const text = await answer.text();
  const took = performance.now() - start;
  if (answer.status !== 200 || !text.includes('bench')) throw new Error(`${step}?${query}: ${answer.status}`);
  if (++i <= Number(rounds)) continue; // the first half warms the server up
  all.push(took);
  times.set(step, [...(times.get(step) ?? []), took]);
}
for (const [step, took] of times) console.log(step.padEnd(8), 'p50', percentile(took, 0.5), 'ms  p95', percentile(took, 0.95), 'ms');
console.log('all'.padEnd(8), 'p50', percentile(all, 0.5), 'ms  p95', percentile(all, 0.95), 'ms');
