import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { visit } from './testing/visit.js';

const demos = readdirSync('demo').filter((f) => f.endsWith('.yurei.json')).length;

/** One maker's way from the shelf to an exported file, on the real server, with a power cut on the way. */
describe('from the shelf to an exported design', () => {
  const its = visit();
  let design = '';

  it('1: opens the design and shows live volts and counts', async () => {
    await its.browser.driver.get(its.app.address);
    await its.page.says('yu-shelf .designs li h2', /^Slipway beam$/);
    expect(await its.page.transferred()).toBeLessThan(400e3);
    await its.page.click('yu-shelf .designs li a');
    const counts = await its.page.until(
      () => its.page.counts(),
      (n) => n > 0,
    );
    expect(counts).toBe(822);
    await its.page.wireSays('B1.e', 'U1.A0', /4\.01 V/);
    const heads = await its.browser.driver.findElements(By.css('.picture .column'));
    const names = await Promise.all(heads.map((h) => h.getText()));
    expect(names).toEqual(['feels', 'conditions', 'decides', 'drives', 'acts', 'feeds']);
    design = (await its.browser.driver.getCurrentUrl()).replace(/\/wire$/, '');
  });

  it('2: changes a value, and every number follows; undo and redo', async () => {
    await its.page.part('R1');
    await its.page.type('Resistance', '4.7 bananas');
    await its.page.says('aside .note', /bananas.*4k7/);
    await its.page.until(
      () => its.page.counts(),
      (n) => n === 822,
    );
    await its.page.type('Resistance', '4k7');
    // The photocurrent stays: 822 · 4.7/10, to a count or two for the board voltage.
    const counts = await its.page.until(
      () => its.page.counts(),
      (n) => n !== 822,
    );
    expect(Math.abs(counts - 822 * 0.47)).toBeLessThan(3);
    await its.page.press('Undo');
    await its.page.until(
      () => its.page.counts(),
      (n) => n === 822,
    );
    await its.page.press('Redo');
    await its.page.until(
      () => its.page.counts(),
      (n) => n === counts,
    );
    await its.page.press('Undo');
    await its.page.until(
      () => its.page.counts(),
      (n) => n === 822,
    );
  });

  it('2: adds a part, connects it, moves a wire and removes the part', async () => {
    await its.page.press('Add part');
    await (await its.page.find('yu-part-tray input')).sendKeys('pull-up', Key.ENTER);
    await its.page.until(
      () => its.page.text('aside h2'),
      (t) => t.startsWith('R4'),
    );
    await its.page.says('aside', /Worth knowing \(1\)/);
    await its.page.terminal('R4.a');
    await its.page.until(
      () => its.page.text('.say'),
      (t) => t.startsWith('From R4.a'),
    );
    await its.page.terminal('B1.e');
    await its.page.terminal('R4.b');
    await its.page.terminal('R1.b');
    // Twice 10 kΩ side by side: half the reading.
    const halved = await its.page.until(
      () => its.page.counts(),
      (n) => n < 500,
    );
    expect(Math.abs(halved - 411)).toBeLessThan(3);

    await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await its.page.click('.wire[aria-label*="R4.a to B1.e"], .wire[aria-label*="B1.e to R4.a"]');
    const start = await its.page.text('yu-wire-panel [role=combobox]');
    await its.page.choose('yu-wire-panel', start === 'R4.a' ? 'Ends at' : 'Starts at', 'R2.b');
    await its.page.until(
      () => its.page.counts(),
      (n) => n === 822,
    );

    await its.page.part('R4');
    await its.browser.driver.actions().sendKeys(Key.DELETE).perform();
    await its.page.until(
      () => its.browser.driver.findElements(By.css('.card[data-part="R4"]')),
      (cards) => cards.length === 0,
    );
    await its.page.until(
      () => its.page.counts(),
      (n) => n === 822,
    );
  });

  it('2: dims impossible ends and says why', async () => {
    await its.page.terminal('U1.5V');
    const dimmed = await its.page.find('[data-terminal="E1.k"].dim');
    expect(await dimmed.getAttribute('aria-label')).toMatch(/short the supply/);
    await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await its.page.press('Add part');
    await (await its.page.find('yu-part-tray input')).sendKeys(Key.ESCAPE);
  });

  it('3: sets the threshold by typing and by dragging', async () => {
    await its.page.step('set');
    await its.page.type('Threshold', '500');
    const label = (): Promise<string> =>
      its.page
        .find('yu-threshold-chart canvas')
        .then(async (c) => (await c.getAttribute('aria-label')) ?? '');
    await its.page.until(label, (t) => t.includes('Trips below 500'));
    const canvas = await its.page.find('yu-threshold-chart canvas');
    const { height } = await canvas.getRect();
    // The line lies about half way up: take hold near it and pull down by forty pixels.
    for (
      let y = -height / 2 + 20;
      y < height / 2 - 60 && (await label()).includes('Trips below 500');
      y += 12
    ) {
      const at = { origin: canvas, x: 40, y: Math.round(y) };
      await its.browser.driver
        .actions()
        .move(at)
        .press()
        .move({ ...at, y: Math.round(y) + 40 })
        .release()
        .perform();
    }
    expect(await label()).not.toMatch(/Trips below 500/);
    await its.page.type('Threshold', '300');
    await its.page.type('Hysteresis', '50');
    await its.page.until(label, (t) => t.includes('Trips below 300, clears at 350'));
  });

  it('4: rehearses, judges, and shows any moment with the lantern', async () => {
    await its.page.step('rehearse');
    await its.page.until(
      () => its.page.verdicts(),
      (v) => v[0] === 'quiet' && v[1]?.startsWith('noticed'),
    );
    await its.page.says('header', /Notices\s+1 of 1/);
    await its.page.moveTimeTo(16.95);
    await its.page.says('[data-row="acts P1"] .label', /Sounder\s+sounding/);
    await its.page.view('Circuit');
    await its.page.find('.card.acting[data-part="P1"]');
    expect(await (await its.page.find('header svg')).getAttribute('aria-label')).toBe(
      'Lantern: firing',
    );
    await its.page.wireSays('Q1.c', 'P1.minus', /1\d\d mV/);
    await its.page.press('At rest');
    await its.page.until(
      () => its.page.wire('Q1.c', 'P1.minus'),
      (t) => t.includes('12.0 V'),
    );

    await its.page.step('set');
    await its.page.type('Hits in a row', '1');
    await its.page.step('rehearse');
    await its.page.until(
      () => its.page.verdicts(),
      (v) => v[0]?.startsWith('fired falsely'),
    );
    await its.page.step('set');
    await its.page.type('Hits in a row', '5');
  });

  it('5: keeps everything through a power cut of the server', async () => {
    await its.page.saved();
    await its.app.kill();
    await its.page.type('Hold output for', '9');
    await its.page.until(
      () => its.page.text('.save'),
      (t) => t.includes('Kept in this browser'),
    );
    await its.restart();
    await its.page.saved();
    await its.app.kill();
    await its.restart();
    await its.browser.driver.get(`${design}/set`);
    const value = async (label: string): Promise<string> => {
      const xpath = `//aside//label[normalize-space(.)="${label}"]/following-sibling::input`;
      await its.page.find('yu-channel-panel input');
      return (
        (await its.browser.driver.findElement(By.xpath(xpath)).getAttribute('value')) ?? ''
      ).replace(/\u00a0/g, ' ');
    };
    expect([
      await value('Threshold'),
      await value('Hysteresis'),
      await value('Hold output for'),
    ]).toEqual(['300 counts', '50 counts', '9 s']);
  });

  it('5: exports an open file and imports it again; refuses a broken one', async () => {
    const id = design.split('/').pop();
    const text = await (await fetch(`${its.app.address}api/designs/${id}/export`)).text();
    const file = join(its.folder, 'exported.json');
    writeFileSync(file, text.replace('"Slipway beam"', '"Slipway beam, copy"'));
    await its.page.click('header .home');
    const input = await its.page.find('input[type=file]');
    await input.sendKeys(file);
    await its.page.until(
      () => its.page.text('yu-shelf main'),
      (t) => t.includes('Slipway beam, copy'),
    );

    const broken = join(its.folder, 'broken.json');
    writeFileSync(broken, readFileSync(file, 'utf8').replace('"from": "B1.e"', '"from": "B7.e"'));
    await input.sendKeys(broken);
    await its.page.says('.refused', /wires\[\d+\] \(w7\)\.from.*leads to no part.*Connect it/s);
    const shelf = await its.browser.driver.findElements(By.css('yu-shelf .designs li'));
    expect(shelf.length).toBe(demos + 1);
  });

  it('6: does the same headless', () => {
    const file = join(its.folder, 'exported.json');
    const yurei = (...args: string[]) =>
      spawnSync('npx', ['--no-install', 'yurei', ...args], { encoding: 'utf8' });
    expect(yurei('solve', file).stdout).toMatch(/Beam +822 counts/);
    expect(yurei('check', file).status).toBe(0);
    const rehearsal = yurei('rehearse', file, '--json');
    expect(rehearsal.status).toBe(0);
    expect(
      JSON.parse(rehearsal.stdout).verdicts.map((v: { outcome: string }) => v.outcome),
    ).toEqual(['quiet', 'noticed']);
    expect(yurei('solve', join(its.folder, 'broken.json'))).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/leads to no part/),
    });
  });
});
