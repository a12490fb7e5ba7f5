import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { By, Key, until, type WebDriver } from 'selenium-webdriver';
import { startApp } from './app-server.js';
import { openBrowser } from './browser.js';
import { Page } from './page.js';
import { putOnShelf } from './put-on-shelf.js';
import { screensOfKeeping } from './screens-keeping.js';
import { demoOf, faulty, large } from './merged.js';
import { toldBy } from './told-by.js';
import { there } from './there.js';
import { tiredPack } from './tired-pack.js';

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
    name: 'rehearse',
    go: async (driver) => {
      await driver.findElement(By.css('nav a[href$="/rehearse"]')).click();
      await driver.wait(until.elementLocated(By.css('yu-time-axis .trace')), 20000);
      await moveTo(driver, 16.75);
      const taken = driver.findElement(By.css('yu-rehearse .taken'));
      await driver.wait(until.elementTextContains(taken, 'followed in time.'), 60000);
      const verdicts = await driver.findElements(By.css('yu-rehearse .verdict'));
      await there(verdicts[1], 'second verdict').click();
      const chain = await driver.wait(until.elementLocated(By.css('yu-verdict-chain ol')), 20000);
      await driver.executeScript("arguments[0].scrollIntoView({ block: 'end' });", chain);
    },
  },
  { name: 'large', go: (driver) => open(driver, large()) },
  {
    name: 'faulty',
    go: async (driver) => {
      await open(driver, faulty());
      await driver.findElement(By.css('button.findings')).click();
      const offered = By.css('yu-offer-line button:not([disabled])');
      await driver.wait(until.elementLocated(offered), 20000);
      await driver.findElement(By.css('yu-finding-card yu-fold legend button')).click();
    },
  },
  {
    name: 'part',
    go: async (driver) => {
      const { origin } = new URL(await driver.getCurrentUrl());
      await driver.get(`${origin}/parts/gas-module-combustible`);
      await driver.wait(until.elementLocated(By.css('yu-part-curve canvas')), 20000);
    },
  },
  {
    name: 'act',
    go: async (driver) => {
      await openDemo(driver, 'Loft stairs, two beams', 'act');
      await driver.wait(until.elementLocated(By.css('yu-mode-chart .mode')), 20000);
    },
  },
  {
    name: 'brief',
    go: async (driver) => {
      await openDemo(driver, 'Sail loft motion', 'plan');
      const told = By.css('yu-sensor-comparison');
      await driver.wait(until.elementLocated(told), 20000);
      await driver.wait(async () => {
        const text = await driver.findElement(told).getText();
        return (text.match(/Of 200 nights/g) ?? []).length >= 3;
      }, 180000);
    },
  },
  {
    name: 'place',
    go: async (driver) => {
      await view(driver, 'Place');
      await press(driver, 'Close the blind path');
      const told = driver.findElement(By.css('yu-place-view'));
      await driver.wait(until.elementTextContains(told, 'Every way in is noticed'), 60000);
    },
  },
  {
    name: 'reach',
    go: async (driver) => {
      await openDemo(driver, 'Fuel locker loop', 'plan');
      await view(driver, 'Reach');
      await view(driver, 'Spots');
      await driver.wait(until.elementLocated(By.css('yu-reach-view tbody td')), 20000);
    },
  },
  {
    name: 'plan',
    go: async (driver) => {
      const stairs = demoOf('loft-stairs');
      const slow = (c: { id: string }): object => (c.id === 'key' ? c : { ...c, hits: 60 });
      await open(driver, { ...stairs, channels: stairs.channels.map(slow) });
      await driver.findElement(By.css('nav a[href$="/rehearse"]')).click();
      await press(driver, 'Why not?');
      await driver.wait(until.elementLocated(By.css('yu-why-card .remedy')), 60000);
      await view(driver, 'Plan');
      const card = driver.findElement(By.css('yu-why-card'));
      await driver.executeScript('arguments[0].scrollIntoView()', card);
      await driver.wait(until.elementLocated(By.css('yu-site-plan .way')), 20000);
    },
  },
  { name: 'battery', go: (driver) => inTime(driver, tiredPack, 1, 4500) },
  {
    name: 'set',
    go: async (driver) => {
      await openDemo(driver, 'Varnish bench fire watch', 'set');
      await press(driver, 'North-west');
      await driver.wait(until.elementLocated(By.css('yu-error-curve canvas')), 20000);
    },
  },
  {
    name: 'what-if',
    go: async (driver) => {
      await press(driver, 'What if…');
      await driver.wait(until.elementLocated(By.css('yu-what-if-helper table')), 20000);
      await new Page(driver).choose('yu-what-if-helper', 'Change', /^Distance/);
      await driver.sleep(1500);
    },
  },
  {
    name: 'nights',
    go: async (driver) => {
      await driver.actions().sendKeys(Key.ESCAPE).perform();
      await driver.sleep(600);
      await driver.findElement(By.css('nav a[href$="/rehearse"]')).click();
      await press(driver, 'Many nights…');
      await press(driver, 'Rehearse 200 nights');
      await driver.wait(
        until.elementLocated(By.xpath("//button[normalize-space(.)='Rehearse 200 nights']")),
        120_000,
      );
      await driver.sleep(1000);
    },
  },
  {
    name: 'map',
    go: async (driver) => {
      await open(driver, demoOf('dinghy-nudge'));
      await driver.findElement(By.css('nav a[href$="/rehearse"]')).click();
      await press(driver, 'Many nights…');
      await new Page(driver).choose('yu-study-form', 'Of', /two values/);
      await press(driver, 'Rehearse 490 nights');
      await driver.wait(until.elementLocated(By.css('p-progressbar')), 20000);
      await driver.wait(
        until.elementLocated(By.xpath("//button[normalize-space(.)='Rehearse 490 nights']")),
        600_000,
      );
      await driver.sleep(1000);
    },
  },
  {
    name: 'code',
    go: async (driver) => {
      await openDemo(driver, 'Workbench lamp', 'code');
      await driver.wait(until.elementLocated(By.css('yu-code-view .cm-line')), 20000);
      const button = By.xpath("//button[normalize-space(.)='Prove it' and not(@disabled)]");
      await driver.wait(until.elementLocated(button), 20000).click();
      await driver.wait(until.elementLocated(By.css('yu-proof-bar .good')), 60000);
      await driver.sleep(500);
    },
  },
  {
    name: 'log',
    go: async (driver) => {
      await open(driver, demoOf('loft-stairs'));
      await driver.findElement(By.css('nav a[href$="/log"]')).click();
      await driver.wait(until.elementLocated(By.css('yu-log input[type=file]')), 20000);
      const file = toldBy('loft-stairs', 'Two of them, one after the other');
      await driver.findElement(By.css('yu-log input[type=file]')).sendKeys(file);
      await driver.wait(until.elementLocated(By.css('yu-log .both td')), 20000);
    },
  },
];

async function press(driver: WebDriver, label: string): Promise<void> {
  const button = By.xpath(`//button[normalize-space(.)=${JSON.stringify(label)}]`);
  await driver.wait(until.elementLocated(button), 20000).click();
}

/** Takes one of the views of a rehearsal. */
async function view(driver: WebDriver, label: string): Promise<void> {
  const toggle = By.xpath(`//p-togglebutton[normalize-space(.)='${label}']`);
  await driver.wait(until.elementLocated(toggle), 20000).click();
}

/** Opens a demo design in one of the steps. */
async function openDemo(driver: WebDriver, title: string, step: string): Promise<void> {
  const { origin } = new URL(await driver.getCurrentUrl());
  await driver.get(origin);
  const link = By.xpath(`//h2[normalize-space(.)='${title}']`);
  await driver.wait(until.elementLocated(link), 20000).click();
  await driver.wait(until.elementLocated(By.css('yu-picture .card')), 20000);
  await driver.findElement(By.css(`nav a[href$="/${step}"]`)).click();
}

/** Puts the time cursor somewhere in the scene, s. */
async function moveTo(driver: WebDriver, t: number): Promise<void> {
  const field = await driver.findElement(By.css('yu-clock-field input'));
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), `${t} s`, Key.ENTER);
  await driver.executeScript('document.activeElement.blur()');
}

/** Rehearses a design that is put on the shelf, one of its verdicts open, with the time cursor somewhere in its scene. */
async function inTime(
  driver: WebDriver,
  design: object,
  verdict: number,
  t: number,
): Promise<void> {
  await open(driver, design);
  await driver.findElement(By.css('nav a[href$="/rehearse"]')).click();
  const taken = await driver.wait(until.elementLocated(By.css('yu-rehearse .taken')), 20000);
  await driver.wait(until.elementTextContains(taken, 'followed in time.'), 60000);
  await moveTo(driver, t);
  const verdicts = await driver.findElements(By.css('yu-rehearse .verdict'));
  await there(verdicts[verdict], `verdict ${verdict}`).click();
  await driver.sleep(1500);
}

/** Puts a design on the shelf and opens it in Wire. */
async function open(driver: WebDriver, design: object): Promise<void> {
  const { origin } = new URL(await driver.getCurrentUrl());
  const id = await putOnShelf(`${origin}/`, design);
  await driver.get(`${origin}/design/${id}/wire`);
  await driver.wait(until.elementLocated(By.css('yu-picture .card .live')), 20000);
  await driver.sleep(2500);
}

const [folder = 'docs/screenshots', width = '1280', height = '800', theme = 'day'] =
  process.argv.slice(2);
/** Keeps what is shown as a picture. */
async function shoot(name: string): Promise<void> {
  await browser.driver.sleep(900);
  const png = await browser.driver.takeScreenshot();
  writeFileSync(resolve(folder, `${name}.png`), png, 'base64');
  console.log(resolve(folder, `${name}.png`));
}

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
    await shoot(name);
  }
  await screensOfKeeping(browser, shoot, theme);
} finally {
  await browser.close();
  await app.stop();
  rmSync(data, { recursive: true, force: true });
}
