import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { startApp, type AppServer } from './app-server.js';
import { openBrowser, type Browser } from './browser.js';
import { Page } from './page.js';

/** A new design, built by keyboard alone through the command box, until it fires. */
describe('from an empty design', () => {
  const data = mkdtempSync(join(tmpdir(), 'yurei-new-'));
  let app: AppServer;
  let browser: Browser;
  let page: Page;

  beforeAll(async () => {
    app = await startApp(data);
    browser = await openBrowser();
    page = new Page(browser.driver);
    await browser.driver.get(app.address);
  });
  afterAll(async () => {
    await browser?.close();
    await app?.stop();
    rmSync(data, { recursive: true, force: true });
  });

  async function command(text: string): Promise<void> {
    const keys = browser.driver.actions();
    await keys.keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
    const field = await page.find('yu-command-box input');
    await page.until(
      () => field.getAttribute('value'),
      (v) => v === '',
    );
    await page.until(
      () => browser.driver.executeScript('return document.activeElement === arguments[0]', field),
      Boolean,
    );
    await field.sendKeys(text, Key.ENTER);
    await page.until(
      () => browser.driver.findElements(By.css('yu-command-box input')),
      (f) => f.length === 0,
    );
  }

  it('adds and joins parts, reads a pin, fires an output and sees it lit', async () => {
    await page.press('New design');
    expect(await page.text('yu-picture .empty')).toMatch(/An empty bench/);
    for (const part of [
      'plug-in adapter',
      '5 v 8-bit',
      'photoresistor',
      'resistor ohm load',
      'indicator led',
      'resistor ohm load',
    ]) {
      await command(`add ${part}`);
    }
    const wires = [
      'G1.plus U1.VIN',
      'G1.minus U1.GND',
      'U1.5V B1.a',
      'B1.b U1.A0',
      'B1.b R1.a',
      'R1.b U1.GND',
      'U1.D9 R2.a',
      'R2.b H1.a',
      'H1.k U1.GND',
    ];
    for (const wire of wires) await command(wire);
    await page.part('R2');
    await page.type('Resistance', '220');

    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await page.click('nav a[href$="/rehearse"]');
    await page.press('New scene');
    await page.step('set');
    await page.press('Read U1.A0');
    await page.press('Fire U1.D9');
    // At 2 lx the divider reads far below half scale, so a channel that trips below it fires.
    await (await page.find('yu-channel-panel select')).sendKeys('below');
    await page.find('header svg.lit');
    await page.step('wire');
    await page.find('.card.acting[data-part="H1"]');
    expect(await page.text('aside')).toMatch(/tripped at rest/);
    await page.saved();
  });
});
