import { Buffer } from 'node:buffer';
import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { clearInterval, setInterval, setTimeout } from 'node:timers';
import { root } from './run.mjs';

/**
 * The server under load, as a program of its own: list, read and save at 200 requests a second each, alone and while
 * 5,000 nights are rehearsed; and how long checking a file takes as the file grows. See docs/performance.md.
 */
const designs = 49;
const perSecond = 200;
const seconds = Number(process.argv[2] ?? 15);
const agent = new Agent({ keepAlive: true, maxSockets: 60 });
const data = mkdtempSync(join(tmpdir(), 'yurei-bench-'));
const child = spawn(process.execPath, [resolve(root, 'server/dist/main.js')], {
  env: { ...process.env, HOST: '127.0.0.1', PORT: '0', YUREI_DATA: join(data, 'data') },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const address = await new Promise((done) =>
  child.stdout.on('data', (text) => done(/(http:\S+)\//.exec(String(text))[1])),
);

function ask(method, path, body) {
  const began = performance.now();
  return new Promise((done, fail) => {
    const headers = body === undefined ? {} : { 'Content-Type': 'application/json' };
    const req = request(`${address}/api${path}`, { method, agent, headers }, (res) => {
      const chunks = [];
      res.on('data', (chunk) => chunks.push(chunk));
      res.on('end', () =>
        done({
          ms: performance.now() - began,
          status: res.statusCode,
          text: () => Buffer.concat(chunks).toString(),
        }),
      );
    });
    req.on('error', fail);
    req.end(body);
  });
}

const demos = readdirSync(resolve(root, 'demo')).filter((f) => f.endsWith('.yurei.json'));
const shelf = [];
for (let i = 0; i < designs; i++) {
  const text = readFileSync(resolve(root, 'demo', demos[i % demos.length]), 'utf8');
  const made = JSON.parse((await ask('POST', '/import', text)).text());
  shelf.push({ id: made.id, version: made.version, document: JSON.parse(text) });
}

const bodies = {
  list: () => ask('GET', '/designs'),
  read: (i) => ask('GET', `/designs/${shelf[i % designs].id}`),
  save: (i) => {
    // One maker a design: the next save of it waits for the last.
    const one = shelf[i % designs];
    const turn = one.turn ?? Promise.resolve();
    const next = turn.then(() => save(one, i));
    one.turn = next.catch(() => undefined);
    return next;
  },
};

async function save(one, i) {
  one.document.notes = `save ${i}`;
  const body = JSON.stringify({ version: one.version, design: one.document });
  const answer = await ask('PUT', `/designs/${one.id}`, body);
  if (answer.status === 200) one.version = JSON.parse(answer.text()).version;
  return answer;
}

/** Requests at an even rate whether or not they are answered in time; waiting counts. */
function stream(kind) {
  const times = [];
  const odd = {};
  const began = performance.now();
  return new Promise((done) => {
    let sent = 0;
    let open = 0;
    const timer = setInterval(() => {
      const due = Math.min(perSecond * seconds, ((performance.now() - began) / 1000) * perSecond);
      for (; sent < due; sent++) {
        open++;
        const meant = began + (1000 * sent) / perSecond;
        bodies[kind](sent).then(({ status }) => {
          times.push(performance.now() - meant);
          if (status !== 200) odd[status] = (odd[status] ?? 0) + 1;
          open--;
        });
      }
      if (sent < perSecond * seconds || open > 0) return;
      clearInterval(timer);
      times.sort((a, b) => a - b);
      const at = (share) => times[Math.floor(share * (times.length - 1))].toFixed(1);
      const rest = Object.keys(odd).length > 0 ? `, others: ${JSON.stringify(odd)}` : '';
      done(`median ${at(0.5)} ms, 99 % ${at(0.99)} ms, largest ${at(1)} ms${rest}`);
    }, 2);
  });
}

async function measure(what) {
  const kinds = Object.keys(bodies);
  const before = processorTime();
  const results = await Promise.all(kinds.map(stream));
  const used = (processorTime() - before) / (kinds.length * perSecond * seconds);
  if (what)
    kinds.forEach((kind, i) => console.log(`${what}: ${kind} at ${perSecond}/s   ${results[i]}`));
  return used;
}

/** What the server has had of the processors, ms (proc(5), in hundredths of a second): the work is always the same. */
function processorTime() {
  const fields = readFileSync(`/proc/${child.pid}/stat`, 'utf8').split(') ')[1].split(' ');
  return 10 * (Number(fields[11]) + Number(fields[12]));
}

// The first seconds of a program are not its pace.
await measure();
const used = await measure('alone');
console.log(`the pace of the machine: ${used.toFixed(2)} ms of a processor a request`);
const [{ id, document }] = shelf;
const study = {
  scene: document.scenes[0].id,
  vary: { tolerances: true, temperature: 10, supply: 0.05, start: 1, strength: 0.2, place: 0.02 },
  first: 1,
  count: 5000,
  ask: { for: 'nights' },
};
const made = JSON.parse(
  (await ask('POST', `/designs/${id}/studies`, JSON.stringify({ design: document, study }))).text(),
);
await new Promise((go) => setTimeout(go, 3000));
await measure('while 5,000 nights run');
const { done, state } = JSON.parse((await ask('GET', `/studies/${made.id}`)).text());
console.log(`the study meanwhile: ${state}, ${done} nights`);

child.kill('SIGTERM');
await new Promise((gone) => child.once('exit', gone));
agent.destroy();
rmSync(data, { recursive: true, force: true });

const { readDesign } = await import('@yurei/core/exchange');
const sizes = [3000, 6000, 12_000, 24_000];
const old = (n) =>
  JSON.stringify({
    ...document,
    version: 1,
    plan: undefined,
    parts: Array.from({ length: n }, (_, i) => ({ id: `R${i}`, place: { x: i, y: i } })),
  });
const times = sizes.map((n) => {
  const text = old(n);
  readDesign(text);
  const began = performance.now();
  for (let i = 0; i < 5; i++) readDesign(text);
  return (performance.now() - began) / 5;
});
console.log(
  `a version 1 file of ${sizes.join(', ')} points: ${times.map((t) => t.toFixed(0)).join(', ')} ms; eight times the file takes ${(times[3] / times[0]).toFixed(1)} times as long`,
);
