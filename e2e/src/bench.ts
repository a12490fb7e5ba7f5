import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { until, By } from 'selenium-webdriver';
import { startApp } from './app-server.js';
import { openBrowser } from './browser.js';
import { Page } from './page.js';

/** Median and largest of some times, ms. */
function summary(times: number[]): string {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number): string => sorted[Math.floor(share * (sorted.length - 1))].toFixed(2);
  return `median ${at(0.5)} ms, 95 % ${at(0.95)} ms, largest ${at(1)} ms (${times.length} runs)`;
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
  const core = (folder: string) => import(pathToFileURL(`core/dist/${folder}/index.js`).href);
  const { Circuit } = await core('circuit');
  const { rehearse, snapshot } = await core('rehearsal');
  const design = JSON.parse(readFileSync('demo/slipway-beam.yurei.json', 'utf8'));
  const [scene] = design.scenes;
  const circuit = new Circuit(design);
  const warm = time(2000, (i) => {
    circuit.setState('B1', { felt: 1 + (i % 7) });
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

console.log(`${cpus().length} × ${cpus()[0].model}, Node.js ${process.version}`);
await benchCore();
await benchBrowser();
