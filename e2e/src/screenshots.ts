import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { By, until, type WebDriver } from 'selenium-webdriver';
import { startApp } from './app-server.js';
import { openBrowser } from './browser.js';

/** Takes a picture of each main view from the demo data. */
const views: readonly { name: string; go: (driver: WebDriver) => Promise<void> }[] = [
  { name: 'shelf', go: async () => undefined },
  {
    name: 'wire',
    go: async (driver) => {
      await driver.findElement(By.css('yu-shelf .designs li a')).click();
      await driver.wait(until.elementLocated(By.css('yu-picture .card')), 20000);
    },
  },
  {
    name: 'set',
    go: async (driver) => {
      await driver.findElement(By.css('nav a[href$="/set"]')).click();
      await driver.wait(until.elementLocated(By.css('yu-threshold-chart canvas')), 20000);
    },
  },
  {
    name: 'rehearse',
    go: async (driver) => {
      await driver.findElement(By.css('nav a[href$="/rehearse"]')).click();
      await driver.wait(until.elementLocated(By.css('yu-rehearse canvas')), 20000);
      const slider = driver.findElement(By.css('yu-probe-strip input[type=range]'));
      await driver.executeScript(
        "arguments[0].value = 16.75; arguments[0].dispatchEvent(new Event('input', { bubbles: true }));",
        slider,
      );
      await driver.wait(until.elementLocated(By.css('yu-picture .card.acting')), 20000);
    },
  },
];

const [folder = 'docs/screenshots', width = '1280', height = '800', theme = 'day'] =
  process.argv.slice(2);
const data = mkdtempSync(join(tmpdir(), 'yurei-shots-'));
const app = await startApp(data);
const browser = await openBrowser(Number(width), Number(height));
try {
  mkdirSync(folder, { recursive: true });
  await browser.driver.get(app.address);
  await browser.driver.executeScript("localStorage.setItem('yurei.theme', arguments[0])", theme);
  await browser.driver.navigate().refresh();
  await browser.driver.wait(until.elementLocated(By.css('yu-shelf .designs li a')), 20000);
  for (const { name, go } of views) {
    await go(browser.driver);
    await browser.driver.sleep(900);
    const png = await browser.driver.takeScreenshot();
    writeFileSync(resolve(folder, `${name}.png`), png, 'base64');
    console.log(resolve(folder, `${name}.png`));
  }
} finally {
  await browser.close();
  await app.stop();
  rmSync(data, { recursive: true, force: true });
}
