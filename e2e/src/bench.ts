import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { until, By } from 'selenium-webdriver';
import { startApp } from './app-server.js';
import { openBrowser } from './browser.js';
import { merged } from './merged.js';
import { benchRehearse } from './bench-rehearse.js';
import { benchSet } from './bench-set.js';
import { Page } from './page.js';
import { putOnShelf } from './put-on-shelf.js';
import { summary } from './summary.js';

/** A fixed piece of work, to tell how fast the machine is at this moment: one million square roots, ms. */
function yardstick(): number {
  const began = performance.now();
  let sum = 0;
  for (let i = 0; i < 1e6; i++) sum += Math.sqrt(i);
  return sum > 0 ? performance.now() - began : NaN;
}

/** The slowest second of a run of frames: how many frames it held. */
function fewestInASecond(frames: readonly number[]): number {
  const counts = frames.flatMap((_, from) => {
    let [left, n] = [1000, 0];
    for (const frame of frames.slice(from)) {
      if (left < frame) return [n + left / frame];
      left -= frame;
      n++;
    }
    return [];
  });
  return Math.round(Math.min(...counts) * 10) / 10;
}

function time(runs: number, work: (i: number) => unknown): number[] {
  for (let i = 0; i < 5; i++) work(i);
  return Array.from({ length: runs }, (_, i) => {
    const began = performance.now();
    work(i);
    return performance.now() - began;
  });
}

async function benchCore(): Promise<void> {
  const { Circuit } = await import('@yurei/core/circuit');
  const { rehearse, snapshot } = await import('@yurei/core/rehearsal');
  const design = JSON.parse(readFileSync('demo/slipway-beam.yurei.json', 'utf8'));
  const [scene] = design.scenes;
  const circuit = new Circuit(design);
  const warm = time(2000, (i) => {
    circuit.setState('B1', { stimulus: { infrared: 1 + (i % 7) } });
    return circuit.solve();
  });
  console.log(`operating point, warm, what is felt changes   ${summary(warm)}`);
  console.log(
    `compile, couple light and solve from nothing  ${summary(time(200, () => snapshot(design, scene)))}`,
  );
  console.log(
    `rehearse 30 s of 10 ms readings               ${summary(time(10, () => rehearse(design, scene)))}`,
  );
}

/** From the edit to the painted picture, in the browser; and what the first page weighs. */
async function benchBrowser(): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'yurei-bench-'));
  const app = await startApp(data);
  const browser = await openBrowser();
  const page = new Page(browser.driver);
  try {
    await browser.driver.get(app.address);
    await browser.driver.wait(until.elementLocated(By.css('.designs li a')), 20000);
    await browser.driver.sleep(500);
    console.log(
      `first page load, compressed                   ${((await page.transferred()) / 1000).toFixed(1)} kB`,
    );
    await page.click('.designs li a');
    await page.part('R1');
    const times: number[] = [];
    for (let i = 0; i < 30; i++) {
      await browser.driver.executeScript('performance.clearMarks()');
      await page.type('Resistance', `${5 + (i % 5)}k`);
      await browser.driver.sleep(600);
      times.push(
        await browser.driver.executeScript(
          `const edit = performance.getEntriesByName('yurei-edit')[0].startTime;
           return Math.max(...performance.getEntriesByName('yurei-drawn').map((m) => m.startTime)) - edit;`,
        ),
      );
    }
    console.log(`value changed, solved, redrawn and painted    ${summary(times)}`);
  } finally {
    await browser.close();
    await app.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

/** A wiring bench of some size: from a changed value to picture and findings, first layout, and frames while pulling. */
async function benchWire(title: string, design: object): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'yurei-bench-'));
  const app = await startApp(data);
  const browser = await openBrowser();
  const { driver } = browser;
  const page = new Page(driver);
  try {
    const id = await putOnShelf(app.address, design);
    // As a maker does: a hand on the shelf first, then the design.
    await driver.get(app.address);
    const link = await page.find(`.designs li a[href$="${id}"], .designs li a[href*="${id}/"]`);
    await driver.actions().move({ origin: link }).perform();
    await driver.sleep(2000);
    await link.click();
    await page.find('yu-picture .card .live');
    await driver.sleep(4000);
    const layoutTime = (): Promise<number> =>
      driver.executeScript<number>(
        `const at = (name) => performance.getEntriesByName('yurei-layout-' + name)[0].startTime;
         return at('done') - at('begun');`,
      );
    console.log(
      `${title}: first layout                             ${(await layoutTime()).toFixed(0)} ms`,
    );
    const loadAgain = async (): Promise<string> => {
      await driver.navigate().refresh();
      await page.find('yu-picture .card .live');
      await driver.sleep(4000);
      return (await layoutTime()).toFixed(0);
    };
    console.log(`${title}: the same when the page is loaded again   ${await loadAgain()} ms`);
    await driver.executeScript('localStorage.clear()');
    console.log(`${title}: never seen, opened by its address         ${await loadAgain()} ms`);
    await driver.executeScript(
      "document.querySelector('[data-part^=R] .body').dispatchEvent(new MouseEvent('click', { bubbles: true }))",
    );
    const both: number[] = [];
    const sticks: number[] = [];
    for (let i = 0; i < 30; i++) {
      await driver.executeScript('performance.clearMarks()');
      await page.type('Resistance', `${5 + (i % 5)}k`);
      const taken = (): Promise<number | null> =>
        driver.executeScript<number | null>(
          `const at = (name) => performance.getEntriesByName(name).map((m) => m.startTime);
           const [edit] = at('yurei-edit');
           return Math.max(at('yurei-drawn')[0] - edit, at('yurei-findings')[0] - edit);`,
        );
      both.push((await page.until(taken, (ms) => ms !== null)) ?? NaN);
      await driver.sleep(1200);
      sticks.push(yardstick());
    }
    console.log(`${title}: value changed, picture and findings       ${summary(both.slice(5))}`);
    console.log(`${title}: a million square roots meanwhile           ${summary(sticks)}`);
    for (const [what, from] of [
      ['a wire is pulled  ', '.tab'],
      ['the paper is moved', '.picture'],
    ]) {
      const frames = await driver.executeAsyncScript<number[]>(dragScript, from);
      console.log(`${title}: frames while ${what}           ${summary(frames)}`);
      console.log(`${title}: fewest frames in a second           ${fewestInASecond(frames)}`);
    }
  } finally {
    await browser.close();
    await app.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

/** Drags something around by one step a frame for 120 frames and tells how long each frame took. */
const dragScript = `
  const [from, done] = [document.querySelector(arguments[0]), arguments[arguments.length - 1]];
  const svg = document.querySelector('.picture');
  const { x, y } = from.getBoundingClientRect();
  // The paper listens to the mouse, terminals to the pointer.
  const fire = (target, type, dx, dy) => {
    const at = { bubbles: true, cancelable: true, view: window, clientX: x + 4 + dx, clientY: y + 4 + dy };
    target.dispatchEvent(new PointerEvent('pointer' + type, { ...at, button: 0, pointerId: 1 }));
    target.dispatchEvent(new MouseEvent('mouse' + type, { ...at, button: 0 }));
  };
  fire(from, 'down', 0, 0);
  const times = [];
  let last = performance.now();
  let i = 0;
  const step = (now) => {
    if (i > 0) times.push(now - last);
    last = now;
    if (i++ === 120) { fire(svg, 'up', 0, -2000); done(times.slice(2)); return; }
    fire(svg, 'move', 8 + 3 * i, 40 * Math.sin(i / 6));
    requestAnimationFrame(step);
  };
  requestAnimationFrame(step);`;

console.log(`${cpus().length} × ${cpus()[0]?.model}, Node.js ${process.version}`);
await benchCore();
await benchRehearse();
await benchBrowser();
await benchSet();
await benchWire('21 parts', merged('Twenty', ['slipway-beam', 'sail-loft-motion']));
await benchWire(
  '63 parts',
  merged('Sixty', [
    'varnish-bench-fire',
    'mooring-boom',
    'fuel-locker-vapour',
    'slipway-beam',
    'chart-room-touch',
  ]),
);
