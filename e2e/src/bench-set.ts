import type { Channel, ReadingSet } from '@yurei/core/design';
import type { ComparatorTask } from '@yurei/core/threshold';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By } from 'selenium-webdriver';
import ts from 'typescript';
import { startApp } from './app-server.js';
import { openBrowser } from './browser.js';
import { Page } from './page.js';
import { summary } from './summary.js';

const million = 1_000_000;

const timed = (runs: number, work: () => unknown): number[] =>
  Array.from({ length: runs }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });

/** Set: judging many readings and searching networks in Node.js, a log of a million readings in the browser. */
export async function benchSet(): Promise<void> {
  await benchJudging();
  await benchStrip();
  await benchLog();
}

async function benchJudging(): Promise<void> {
  const { judgeChannel } = await import('@yurei/core/judge');
  const { designComparator } = await import('@yurei/core/threshold');
  const channel: Channel = {
    id: 'ch1',
    name: 'A0',
    pin: 'U1.A0',
    trips: 'above',
    threshold: 400,
    hysteresis: 20,
    every: 0.04,
    hits: 3,
    misses: 3,
  };
  const intents = ['quiet', 'quiet', 'nuisance', 'wanted', 'wanted'] as const;
  const set = (k: number): ReadingSet => ({
    id: `s${k}`,
    name: `s${k}`,
    intent: intents[k] ?? 'quiet',
    every: 0.04,
    excluded: [],
    conditions: {},
    channel: 'ch1',
    origin: 'stand-in',
    taken: '2026-01-01T00:00:00Z',
    notes: '',
    counts: Array.from({ length: 20_000 }, () => Math.round(200 + 60 * k + 60 * Math.random())),
  });
  const judged = timed(20, () => judgeChannel(channel, [0, 1, 2, 3, 4].map(set), 1023));
  const made = timed(20, () => [0, 1, 2, 3, 4].map(set));
  console.log(`judgement of 100,000 readings, making them up   ${summary(judged)}`);
  console.log(`making them up alone                            ${summary(made)}`);
  for (const series of ['E12', 'E24', 'E96'] as const) {
    const task: ComparatorTask = {
      supply: 5,
      signal: 'minus',
      upper: 3,
      lower: 2.2,
      pullUp: 4700,
      low: 0.1,
      series,
      from: 1e3,
      to: 1e6,
      tolerance: 0.01,
    };
    console.log(
      `comparator search, all of ${series}                  ${summary(timed(10, () => designComparator(task)))}`,
    );
  }
}

/** An hour at 25 readings a second, brought down to what the strip draws, as at every new reading. */
async function benchStrip(): Promise<void> {
  const source = readFileSync('web/src/app/data/series.ts', 'utf8');
  const options = {
    compilerOptions: { module: ts.ModuleKind.ES2022, target: ts.ScriptTarget.ES2022 },
  };
  const { outputText } = ts.transpileModule(source, options);
  const { Series } = await import(`data:text/javascript,${encodeURIComponent(outputText)}`);
  const series = new Series();
  for (let i = 0; i < 90_000; i++) series.push(i / 25, Math.round(500 + 20 * Math.sin(i)));
  const times = timed(200, () => series.extremes(0, 3600, 500));
  console.log(`an hour of readings, down to 500 pieces         ${summary(times)}`);
}

/** From pressing "Read it" until a log of a million readings is drawn, and frames while its stretch is dragged. */
async function benchLog(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-bench-'));
  const file = join(folder, 'log.csv');
  const rows = Array.from(
    { length: million },
    (_, i) => `${(i / 25).toFixed(2)},${500 + (i % 37)}`,
  );
  writeFileSync(file, `time,A0\n${rows.join('\n')}\n`);
  const app = await startApp(join(folder, 'data'));
  const browser = await openBrowser();
  const page = new Page(browser.driver);
  try {
    await browser.driver.get(app.address);
    await page.click('.designs li a');
    await page.find('yu-picture .card');
    await page.step('set');
    const times: number[] = [];
    for (let i = 0; i < 5; i++) {
      await page.press('From a file or typed…');
      await (await page.find('yu-bring-dialog input[type=file]')).sendKeys(file);
      await page.find('yu-mapping-fields');
      await browser.driver.executeScript(
        `window.began = performance.now(); window.drawn = undefined;
         const look = () => document.querySelector('yu-log-stretch canvas')
           ? requestAnimationFrame(() => (window.drawn = performance.now())) : requestAnimationFrame(look);
         look();`,
      );
      await page.press('Read it');
      const took = await page.until(
        () => browser.driver.executeScript<number>('return window.drawn - window.began'),
        (ms) => ms > 0,
      );
      times.push(took);
      if (i === 4)
        console.log(
          `dragging over it, frames                        ${summary(await drag(browser.driver))}`,
        );
      await browser.driver.findElement(By.css('yu-bring-dialog .p-dialog-close-button')).click();
      await browser.driver.sleep(500);
    }
    console.log(`a log of a million readings, read and drawn     ${summary(times)}`);
  } finally {
    await browser.close();
    await app.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

const drag = (driver: {
  executeAsyncScript: <T>(script: string) => Promise<T>;
}): Promise<number[]> =>
  driver.executeAsyncScript<number[]>(`
    const done = arguments[arguments.length - 1];
    const canvas = document.querySelector('yu-log-stretch canvas');
    canvas.setPointerCapture = () => undefined;
    const { x, y } = canvas.getBoundingClientRect();
    const fire = (type, dx) => canvas.dispatchEvent(
      new PointerEvent(type, { bubbles: true, clientX: x + dx, clientY: y + 40, pointerId: 1 }));
    fire('pointerdown', 60);
    const times = [];
    let [last, i] = [performance.now(), 0];
    const step = (now) => {
      if (i > 1) times.push(now - last);
      last = now;
      if (i++ === 90) { fire('pointerup', 60); done(times); return; }
      fire('pointermove', 60 + 3 * i);
      requestAnimationFrame(step);
    };
    requestAnimationFrame(step);`);
