// How fast a full table is read and written: node table.mjs [address] [rounds]
// Start the demonstration first (bin/demo). Takes its first selection as a file, makes it forty people, twelve
// criteria and eight contenders, brings it in and quotes the 50th and 95th percentile of Weights, Marks and a mark.
const [base = 'http://localhost:8080', rounds = '60'] = process.argv.slice(2);
const MEMBERS = 40;
const CRITERIA = 12;
const CONTENDERS = 8;
const jar = new Map();
let token = '';

async function ask(path, options = {}) {
  const answer = await fetch(base + path, { redirect: 'manual', ...options, headers: { ...options.headers, cookie: [...jar].map((pair) => pair.join('=')).join('; ') } });
  answer.headers.getSetCookie().map((c) => c.split(';')[0].split('=')).forEach(([name, value]) => jar.set(name, value));
  return answer;
}

async function signIn() {
  const csrf = (page) => /name="_csrf"[^>]*value="([^"]+)"/.exec(page)[1];
  const body = new URLSearchParams({ username: 'ilse', password: 'brackwater', _csrf: csrf(await (await ask('/sign-in')).text()) });
  const answer = await ask('/sign-in', { method: 'POST', body });
  if (answer.status !== 302 || answer.headers.get('location').includes('error')) throw new Error('not signed in');
  token = csrf(await (await ask('/selections')).text());
}

function filled(file) {
  const judged = [];
  for (let c = 0; c < CRITERIA - 3; c++) judged.push({ id: `judged-${c}`, name: `What is judged, ${c + 1}`, kind: 'judged' });
  const brief = { ...file.brief, title: 'Which tool for the full table?', criteria: [...file.brief.criteria.filter((c) => c.kind !== 'judged'), ...judged] };
  const contenders = file.contenders.filter((c) => !c.setAside);
  for (let n = 0; contenders.length < CONTENDERS; n++) {
    const copy = structuredClone(contenders[n]);
    copy.tool.id = `${copy.tool.id}-again`;
    copy.tool.name = `${copy.tool.name} again`;
    contenders.push(copy);
  }
  const panel = [];
  for (let m = 0; m < MEMBERS; m++) {
    const points = Object.fromEntries(brief.criteria.map((c, i) => [c.id, 1 + ((m * 7 + i * 3) % 9)]));
    const marks = judged.flatMap((c, i) => contenders.map((t, j) => ({ criterion: c.id, contender: t.tool.id, points: String((m * 5 + i * 3 + j * 7) % 11), note: 'As I found it.', ground: 'tried' })));
    panel.push({ name: `Member ${m + 1}`, share: 1, points, marks });
  }
  return { format: file.format, version: file.version, brief, contenders, panel };
}

function percentile(times, share) {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)].toFixed(1);
}

async function timed(name, once) {
  const times = [];
  for (let i = 0; i < 2 * Number(rounds); i++) {
    const start = performance.now();
    await once(i);
    if (i >= Number(rounds)) times.push(performance.now() - start); // the first half warms the server up
  }
  console.log(name.padEnd(10), 'p50', percentile(times, 0.5), 'ms  p95', percentile(times, 0.95), 'ms');
}

async function read(path) {
  const answer = await ask(path);
  if (answer.status !== 200 || !(await answer.text()).includes('Which tool for the full table?')) throw new Error(`${path}: ${answer.status}`);
}

await signIn();
const form = new FormData();
form.set('_csrf', token);
form.set('file', new Blob([JSON.stringify(filled(await (await ask('/selections/1/file')).json()))], { type: 'application/json' }), 'full.json');
const taken = await ask('/selections/import', { method: 'POST', body: form });
const at = /\/selections\/\d+/.exec(taken.headers.get('location') ?? '')?.[0];
if (!at) throw new Error(`not taken: ${taken.status} ${(await taken.text()).replace(/<[^>]*>/g, ' ').slice(0, 2000)}`);
await timed('Weights', () => read(`${at}/weights`));
await timed('Marks', () => read(`${at}/marks`));
await timed('a mark', async (i) => {
  const body = new URLSearchParams({ _csrf: token, criterion: 'judged-0', contender: 'slotmeer', mark: String(i % 11) });
  const answer = await ask(`${at}/marks`, { method: 'POST', body, headers: { 'HX-Request': 'true' } });
  if (answer.status !== 200) throw new Error(`mark: ${answer.status} ${await answer.text()}`);
  await answer.text();
});
