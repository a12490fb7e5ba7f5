import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { constants, tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key, type WebElement } from 'selenium-webdriver';
import { startApp, type AppServer } from './app-server.js';
import { openBrowser, type Browser } from './browser.js';
import { demoOf } from './merged.js';
import { Page } from './page.js';
import { putOnShelf } from './put-on-shelf.js';
import { violations } from './testing/violations.js';

/** What a maker sees when the disk is full, a design cannot be read, or a passcode is wanted; and that nothing is lost. */
describe('keeping', () => {
  let folder: string;
  let data: string;
  let app: AppServer;
  let browser: Browser;
  let page: Page;

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'yurei-keeping-'));
    data = join(folder, 'data');
    const library = join(folder, 'faults.so');
    const source = 'server/src/testing/faults.c';
    execFileSync('gcc', ['-shared', '-fPIC', '-O1', '-o', library, source, '-ldl']);
    app = await startApp(data, 0, { LD_PRELOAD: library, YUREI_FAULTS: join(folder, 'faults') });
    browser = await openBrowser();
    page = new Page(browser.driver);
  });
  afterAll(async () => {
    await browser.close();
    await app.kill();
    rmSync(folder, { recursive: true, force: true });
  });
  const sqlite = (sql: string): void => {
    const script = `const { openRaw } = await import('./server/dist/keeping/raw-database.js');
      const raw = openRaw(process.argv[1]); raw.exec(process.argv[2]); raw.close();`;
    const args = ['--input-type=module', '-e', script, join(data, 'yurei.sqlite'), sql];
    execFileSync(process.execPath, args);
  };
  const title = (): Promise<WebElement> => page.find('input.title');

  it('a design that was brought in gets its five answers on the shelf, without being opened', async () => {
    const beam = demoOf('slipway-beam');
    await putOnShelf(app.address, { ...beam, title: 'Brought in' });
    await browser.driver.get(app.address);
    const answers = `return [...document.querySelectorAll('.designs li')].find((e) => /Brought in/.test(e.textContent))
      ?.querySelector('.answers')?.textContent`;
    const told = await page.until(() => browser.driver.executeScript<string>(answers), Boolean);
    expect(told.replace(/\s+/g, ' ')).toMatch(/Notices ?1 of 1 ?Stays quiet ?1 of 1/);
    // They are kept with it.
    const [card] = (await (await fetch(`${app.address}api/designs`)).json()).filter(
      (d: { title: string }) => d.title === 'Brought in',
    );
    expect(card).toMatchObject({ openedAt: '', answers: { length: 5 } });
    await fetch(`${app.address}api/designs/${card.id}`, { method: 'DELETE' });
  });

  it('a full disk is told with what to do, the work stays in the browser, and is saved once there is room', async () => {
    await browser.driver.get(app.address);
    await page.click('yu-shelf .designs li a');
    await page.saved();
    writeFileSync(join(folder, 'faults'), `1 ${constants.errno.ENOSPC} 0 999999999`);
    await (await title()).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Slipway beam, moved', Key.ENTER);
    await page.says('.conflict', /The disk is full\. Make room on the disk of the server/);
    await page.says('.conflict', /kept in this browser; saving is tried again in \d+ s/);
    expect(await violations(browser.driver)).toEqual([]);
    // Leaving and coming back loses nothing.
    await browser.driver.navigate().refresh();
    await page.until(
      async () => (await title()).getAttribute('value'),
      (v) => v === 'Slipway beam, moved',
    );
    await page.says('.conflict', /The disk is full/);
    rmSync(join(folder, 'faults'));
    await page.press('Try now');
    await page.saved();
    const shelf = (await (await fetch(`${app.address}api/designs`)).json()) as { title: string }[];
    expect(shelf[0].title).toBe('Slipway beam, moved');
  });

  it('the shelf shows the answers that were computed', async () => {
    await page.until(
      async () =>
        (await (await fetch(`${app.address}api/designs`)).json()) as { answers: unknown }[],
      ([first]) => first.answers !== null,
    );
    await page.click('a.home');
    await page.says('yu-shelf .designs li .answers', /Notices/i);
  });

  it('a design that cannot be read is shown as such, and goes back to an earlier save', async () => {
    await app.stop();
    sqlite(
      `UPDATE design SET document = CAST('{"format":' AS BLOB) WHERE title = 'Slipway beam, moved'`,
    );
    app = await startApp(data);
    await browser.driver.get(app.address);
    await page.says('yu-unreadable', /Cannot be read\. .*not complete JSON/);
    await page.press('Earlier saves…');
    await page.find('yu-unreadable ul');
    expect(await violations(browser.driver)).toEqual([]);
    await page.click('yu-unreadable p-button button');
    await page.until(
      () =>
        browser.driver.executeScript<number>(
          "return document.querySelectorAll('yu-unreadable').length",
        ),
      (n) => n === 0,
    );
    await page.click('yu-shelf .designs li a');
    await page.saved();
  });

  it('the whole shelf goes into an archive and comes back', async () => {
    await browser.driver.get(app.address);
    await page.press('The whole shelf…');
    await page.says('.p-dialog', /Bringing one in overwrites nothing/);
    const zip = join(folder, 'all.zip');
    writeFileSync(zip, Buffer.from(await (await fetch(`${app.address}api/archive`)).arrayBuffer()));
    await (await page.find('input[aria-label="Archive file"]')).sendKeys(zip);
    await page.says('.p-dialog', /0 designs brought in; 33 were there already/);
    await (await page.find('input[aria-label="Backup file"]')).sendKeys(zip);
    await page.says('[role=alertdialog]', /takes the place of everything on the shelf/);
    expect(await violations(browser.driver)).toEqual([]);
    await page.press('Put it in place');
    await page.says('.p-dialog', /The backup cannot be used/);
  });

  it('opened to a network it asks for the passcode, says when it is wrong, and goes on where it was', async () => {
    await app.stop();
    const set = ['cli/bin/yurei.mjs', 'passcode', '--data', data];
    expect(spawnSync(process.execPath, set, { input: 'lantern by the slip\n' }).status).toBe(0);
    app = await startApp(data, 0, { HOST: '0.0.0.0' });
    await browser.driver.get(app.address.replace('0.0.0.0', '127.0.0.1'));
    const field = await page.find('#passcode');
    await field.sendKeys('lantern by the ship', Key.ENTER);
    await page.says('yu-sign-in-page', /The passcode is wrong\. Look at it again/);
    expect(await violations(browser.driver)).toEqual([]);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'lantern by the slip', Key.ENTER);
    await page.find('yu-shelf .designs li a');
  });
});
