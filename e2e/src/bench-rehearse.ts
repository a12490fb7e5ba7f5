import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { Design, Scene } from '@yurei/core/design';
import { usualVariation, type Study } from '@yurei/core/trials';
import { rehearse } from '@yurei/core/rehearsal';
import { startApp } from './app-server.js';
import { openBrowser } from './browser.js';
import { Page } from './page.js';
import { putOnShelf } from './put-on-shelf.js';
import { median, summary } from './summary.js';
import { there } from './there.js';

const demo = (name: string): Design =>
  JSON.parse(readFileSync(`demo/${name}.yurei.json`, 'utf8')) as Design;
const names = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));
const say = (what: string, told: string): void => console.log(`${what.padEnd(45)} ${told}`);

/** Runs of some work, ms; one before them does not count. */
function times(runs: number, work: () => unknown): number[] {
  work();
  return Array.from({ length: runs }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });
}

const firstScene = ({ title, scenes }: Design): Scene => there(scenes[0], `scene of ${title}`);

/** Every channel read at a rate, and its scene played again and again until it lasts so long. */
function stretched(
  design: Design,
  every: number,
  duration: number,
  apart: number,
): [Design, Scene] {
  const scene = firstScene(design);
  const happenings = Array.from({ length: Math.ceil(duration / apart) }, (_, turn) =>
    scene.happenings.map((h) => ({ ...h, id: `${h.id}-${turn}`, start: h.start + turn * apart })),
  ).flat();
  const within = happenings.filter((h) => h.start < duration - 60);
  return [
    { ...design, channels: design.channels.map((c) => ({ ...c, every })) },
    { ...scene, duration, happenings: within },
  ];
}

/** Ten minutes of the design with most parts, thirty days of a quiet one. */
function benchLongScenes(): void {
  const [first] = names.map(demo).sort((a, b) => b.parts.length - a.parts.length);
  const largest = there(first, 'design');
  const [busy, tenMinutes] = stretched(largest, 0.01, 600, 300);
  const what = `10 min at 10 ms of “${largest.title}”`;
  say(what, summary(times(5, () => rehearse(busy, tenMinutes))));
  const [quiescent, month] = stretched(demo('slipway-beam'), 0.1, 30 * 86_400, 86_400);
  const played = rehearse(quiescent, month);
  const count = `${(month.duration * 10) / 1e6} million readings, ${played.verdicts.length} happenings`;
  say('30 days at 10 Hz of the slipway beam', summary(times(3, () => rehearse(quiescent, month))));
  say('… of', count);
}

/** A thousand nights of the design whose nights take the median time, in pools of different sizes. */
async function benchManyTrials(): Promise<void> {
  const { casesOf, caseTrial } = await import('@yurei/core/trials');
  const study = (design: Design, count: number): Study => ({
    scene: firstScene(design).id,
    vary: usualVariation,
    first: 1,
    count,
    ask: { for: 'nights' },
  });
  const cost = names
    .map((name) => {
      const design = demo(name);
      const asked = study(design, 4);
      const own = there(casesOf(design, asked)[0], 'case');
      const trial = () => caseTrial(own, firstScene(design), asked, 7);
      return { design, ms: median(times(3, trial)) };
    })
    .sort((a, b) => a.ms - b.ms);
  const { design, ms } = there(cost[Math.floor(cost.length / 2)], 'design');
  say(`the median night is of “${design.title}”`, `${ms.toFixed(0)} ms`);
  const worker = resolve('server/dist/studies/study-worker.js');
  const { TrialProcesses: Processes } = await import(
    resolve('server/dist/studies/trial-processes.js')
  );
  const never = new AbortController().signal;
  const took: number[] = [];
  const asked = {
    id: 'bench',
    document: JSON.stringify(design),
    study: JSON.stringify(study(design, 1000)),
  };
  for (const processes of [...new Set([1, cpus().length])]) {
    const pool = new Processes(worker, processes);
    const began = performance.now();
    await Promise.all(
      Array.from({ length: 500 }, (_, i) =>
        pool.rehearse({ ...asked, case: 0, seeds: [2 * i + 1, 2 * i + 2] }, 600_000, never),
      ),
    );
    const seconds = (performance.now() - began) / 1000;
    took.push(seconds);
    await pool.close();
    say(`1000 nights of it, ${processes} process(es)`, `${seconds.toFixed(1)} s`);
  }
  say('… as many times as fast', ((took[0] ?? NaN) / (took.at(-1) ?? NaN)).toFixed(2));
}

/** The time cursor pulled through a million readings, and a study cancelled. */
async function benchScrubbing(): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'yurei-bench-'));
  const app = await startApp(data);
  const { driver, close } = await openBrowser();
  const page = new Page(driver);
  try {
    const [design, scene] = stretched(demo('slipway-beam'), 0.01, 10_000, 500);
    const id = await putOnShelf(app.address, { ...design, scenes: [scene] });
    await driver.get(`${app.address}design/${id}/rehearse`);
    await page.find('yu-time-axis .trace');
    await driver.sleep(2000);
    const frames = await driver.executeAsyncScript<number[]>(scrubScript);
    say('frames while scrubbing a million readings', summary(frames));
    await benchCancel(app.address, id, design);
  } finally {
    await close();
    await app.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

/** From asking to cancel until the server has ended and kept it. */
async function benchCancel(address: string, id: string, design: Design): Promise<void> {
  const took: number[] = [];
  for (let i = 0; i < 5; i++) {
    const study: Study = {
      scene: firstScene(design).id,
      vary: usualVariation,
      first: 1,
      count: 5000,
      ask: { for: 'nights' },
    };
    const made = await fetch(`${address}api/designs/${id}/studies`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ design, study }),
    });
    const { id: started } = (await made.json()) as { id: string };
    await new Promise((go) => setTimeout(go, 1500));
    const began = performance.now();
    await fetch(`${address}api/studies/${started}/cancel`, { method: 'POST' });
    took.push(performance.now() - began);
  }
  say('a study under way is cancelled and kept', summary(took));
}

/** Pulls the time cursor by one step a frame for 120 frames and tells how long each took. */
const scrubScript = `
  const done = arguments[arguments.length - 1];
  const lane = document.querySelector('yu-probe-strip .lane');
  lane.setPointerCapture = () => undefined;
  const box = lane.getBoundingClientRect();
  const fire = (type, share) => lane.dispatchEvent(new PointerEvent('pointer' + type, {
    bubbles: true, button: 0, buttons: 1, pointerId: 1,
    clientX: box.left + share * box.width, clientY: box.top + 4,
  }));
  fire('down', 0.1);
  const times = [];
  let [last, i] = [performance.now(), 0];
  const step = (now) => {
    if (i > 0) times.push(now - last);
    last = now;
    if (i++ === 120) { fire('up', 0.9); done(times.slice(2)); return; }
    fire('move', 0.1 + 0.8 * i / 120);
    requestAnimationFrame(step);
  };
  requestAnimationFrame(step);`;

export async function benchRehearse(): Promise<void> {
  benchLongScenes();
  await benchManyTrials();
  await benchScrubbing();
}
