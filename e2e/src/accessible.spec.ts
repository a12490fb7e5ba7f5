import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApp, type AppServer } from './app-server.js';
import { openBrowser, type Browser } from './browser.js';
import { Page } from './page.js';

/** axe-core on every view, in both themes: nothing serious against WCAG 2.2 AA. */
describe.each(['day', 'night'])('accessible by %s', (theme) => {
  const axe = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');
  const data = mkdtempSync(join(tmpdir(), 'yurei-axe-'));
  let app: AppServer;
  let browser: Browser;
  let page: Page;

  beforeAll(async () => {
    app = await startApp(data);
    browser = await openBrowser();
    page = new Page(browser.driver);
    await browser.driver.get(app.address);
    await browser.driver.executeScript("localStorage.setItem('yurei.theme', arguments[0])", theme);
    await browser.driver.navigate().refresh();
  });
  afterAll(async () => {
    await browser?.close();
    await app?.stop();
    rmSync(data, { recursive: true, force: true });
  });

  /** Violations that matter, each with the first element it is found on. */
  async function violations(): Promise<string[]> {
    await browser.driver.executeScript(axe);
    return browser.driver.executeAsyncScript(
      `const done = arguments[arguments.length - 1];
       axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] }).then((r) =>
         done(r.violations.filter((v) => ['serious', 'critical'].includes(v.impact))
           .map((v) => v.id + ': ' + v.nodes.map((n) => n.html.slice(0, 160)).slice(0, 3).join(' | '))));`,
    );
  }

  const views: [string, () => Promise<unknown>][] = [
    ['shelf', () => page.find('yu-shelf .designs li a')],
    ['wire', () => page.click('yu-shelf .designs li a').then(() => page.find('.card .live'))],
    ['set', () => page.step('set').then(() => page.find('yu-threshold-chart canvas'))],
    ['rehearse', () => page.step('rehearse').then(() => page.find('.verdicts .outcome'))],
  ];
  it.each(views)('%s', async (_, go) => {
    await go();
    expect(await violations()).toEqual([]);
  });
});
