import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { By, until } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import { demoOf } from './merged.js';
import { putOnShelf } from './put-on-shelf.js';
import { visit } from './testing/visit.js';

interface DrawnText {
  looks: string;
  x: number;
  y: number;
}

/** What can be taken away from a design: its picture, its wires, its steps on paper. */
describe('taken away', () => {
  const its = visit();
  const beam = demoOf('slipway-beam');

  const taken = async (entry: string, end: string): Promise<Buffer> => {
    await its.page.menu('Take away', entry);
    const files = (): string[] => {
      try {
        return readdirSync(its.browser.downloads).filter((name) => name.endsWith(end));
      } catch {
        return [];
      }
    };
    const [name] = await its.page.until(
      async () => files(),
      (names) => names.length === 1,
    );
    return readFileSync(join(its.browser.downloads, name));
  };

  it('opens a design', async () => {
    const id = await putOnShelf(its.app.address, beam);
    await its.browser.driver.get(`${its.app.address}design/${id}/wire`);
    await its.page.find('yu-picture .card .live');
    await its.page.find('yu-take-away button');
  });

  it('the picture as SVG stands by itself: whole, with every name, in its own letters and looks', async () => {
    const svg = (await taken('Picture as SVG', '.svg')).toString();
    for (const { name } of beam.parts) expect(svg).toContain(name);
    // Nothing in it is fetched, run, or left to a style sheet that is not there.
    expect(svg).not.toMatch(/<script|<foreignObject|(?:href|src)="|url\((?!data:)|class="[^"]*ng-/);
    const file = join(its.folder, 'picture.svg');
    writeFileSync(file, svg);
    const { driver } = its.browser;
    const app = await driver.getCurrentUrl();
    await driver.get(`file://${file}`);
    const [cut, small, fonts] = await driver.executeScript<[string[], string[], string[]]>(`
      const { width, height } = document.documentElement.viewBox.baseVal;
      const whole = document.documentElement.getBoundingClientRect();
      const texts = [...document.querySelectorAll('text')].filter((t) => t.textContent.trim());
      const out = texts.filter((t) => {
        const b = t.getBoundingClientRect();
        return b.left < whole.left || b.right > whole.right || b.top < whole.top || b.bottom > whole.bottom;
      });
      const tiny = texts.filter((t) => parseFloat(getComputedStyle(t).fontSize) < 11);
      const family = (t) => getComputedStyle(t).fontFamily.split(',')[0];
      return [out.map((t) => t.textContent), tiny.map((t) => t.textContent), [...new Set(texts.map(family))]];
    `);
    expect([cut, small]).toEqual([[], []]);
    for (const family of fonts)
      expect(svg).toContain(
        `@font-face{font-family:${family.replace(/"/g, '&quot;')}`.replace(/&quot;/g, '"'),
      );
    await driver.get(app);
    await its.page.find('yu-picture .card .live');
    await its.page.find('yu-take-away button');
  });

  it('the picture that the command line draws is the same', async () => {
    const drawn = spawnSync(
      'node',
      ['cli/bin/yurei.mjs', 'export', 'demo/slipway-beam.yurei.json', '--to', 'svg'],
      { encoding: 'utf8', maxBuffer: 1e7 },
    );
    expect([drawn.status, drawn.stderr]).toEqual([0, '']);
    const file = join(its.folder, 'drawn.svg');
    writeFileSync(file, drawn.stdout);
    const { driver } = its.browser;
    const app = await driver.getCurrentUrl();
    /** Every text by its place from the first heading, with its looks; free pins can only be shown on the screen. */
    const textsOf = async (name: string): Promise<DrawnText[]> => {
      await driver.get(`file://${join(its.folder, name)}`);
      return driver.executeScript<DrawnText[]>(`
        const texts = [...document.querySelectorAll('text')].filter((t) => /\\S/.test(t.textContent) && !/free pin/.test(t.textContent));
        const from = texts.find((t) => t.textContent.trim() === 'feels').getBoundingClientRect();
        return texts.map((t) => {
          const { x, y } = t.getBoundingClientRect();
          const { fontSize, fontFamily, fontWeight, fill } = getComputedStyle(t);
          const words = t.textContent.replace(/\\s+/g, '');
          return { looks: [words, fontSize, fontFamily, fontWeight, fill].join(' '), x: x - from.x, y: y - from.y };
        });`);
    };
    const [here, there] = [await textsOf('drawn.svg'), await textsOf('picture.svg')];
    expect(here.map((t) => t.looks).sort()).toEqual(there.map((t) => t.looks).sort());
    for (const { looks, x, y } of here) {
      const isIt = (t: DrawnText): boolean =>
        t.looks === looks && Math.hypot(t.x - x, t.y - y) < 1.5;
      expect(there.filter(isIt)).toHaveLength(1);
    }
    await driver.get(app);
    await its.page.find('yu-picture .card .live');
    await its.page.find('yu-take-away button');
  });

  it('the picture as PNG is as sharp as twice the screen', async () => {
    const png = await taken('Picture as PNG', '.png');
    // PNG, 2003: signature, then width and height in the header chunk.
    expect(png.subarray(0, 8).toString('hex')).toBe('89504e470d0a1a0a');
    expect(png.readUInt32BE(16)).toBeGreaterThan(1200);
    expect(png.readUInt32BE(20)).toBeGreaterThan(400);
    expect(png.length).toBeGreaterThan(20_000);
  });

  it('the wires as a list, in CSV and Markdown', async () => {
    const csv = (await taken('Hook-up list as CSV', '.csv')).toString();
    expect(csv.trimEnd().split('\r\n')).toHaveLength(beam.wires.length + 1);
    const md = (await taken('Hook-up list as Markdown', '.md')).toString();
    expect(md).toContain('| Part | Name | Kind | Values |');
  });

  it('the same circuit is to be had as tables, in which parts and wires are picked', async () => {
    await its.page.view('table');
    const rows = (of: string): Promise<number> =>
      its.browser.driver
        .findElements(By.css(`[aria-label="${of} as a table"] tbody tr`))
        .then((list) => list.length);
    await its.page.until(
      async () => [await rows('Parts'), await rows('Wires')],
      ([parts, wires]) => parts === beam.parts.length && wires === beam.wires.length,
    );
    await its.page.press('R1');
    await its.page.says('aside h2', /^R1/);
    await its.page.view('volts');
  });

  it.each([
    ['A4', 8.27, 11.69],
    ['Letter', 8.5, 11],
  ])('each step goes on %s paper, black on white, with the notice', async (_, width, height) => {
    const driver = its.browser.driver as chrome.Driver;
    for (const step of ['plan', 'wire', 'set', 'act', 'rehearse', 'log']) {
      await its.page.step(step);
      const shown = By.css(`yu-${step}, yu-${step}-step`);
      await driver.wait(until.elementLocated(shown), 20_000);
      const { data } = (await driver.sendAndGetDevToolsCommand('Page.printToPDF', {
        paperWidth: width,
        paperHeight: height,
        printBackground: true,
        preferCSSPageSize: false,
      })) as unknown as { data: string };
      const pdf = Buffer.from(data, 'base64').toString('latin1');
      expect(pdf.startsWith('%PDF-')).toBe(true);
      // Across, as the page asks; sizes in points of 1/72 inch.
      const [, wide, high] = /\/MediaBox\s*\[\s*0 0 ([\d.]+) ([\d.]+)/.exec(pdf) ?? [];
      expect([step, Number(wide) / 72, Number(high) / 72]).toEqual([
        step,
        expect.closeTo(height, 1),
        expect.closeTo(width, 1),
      ]);
      const pages = pdf.match(/\/Type\s*\/Page\b/g)?.length ?? 0;
      expect([step, pages >= 1 && pages <= 6]).toEqual([step, true]);
    }
  });

  it('what is pressed is not on paper, what is read is', async () => {
    const driver = its.browser.driver as chrome.Driver;
    await its.page.step('wire');
    await its.page.find('yu-picture .card .live');
    await driver.sendDevToolsCommand('Emulation.setEmulatedMedia', { media: 'print' });
    const shown = (css: string): Promise<boolean> => driver.findElement(By.css(css)).isDisplayed();
    expect(await Promise.all(['nav', '.bar'].map(shown))).toEqual([false, false]);
    expect(await shown('yu-picture')).toBe(true);
    const [ink, paper, notice] = await driver.executeScript<string[]>(`
      const style = getComputedStyle(document.documentElement);
      const after = getComputedStyle(document.querySelector('yu-workbench'), '::after').content;
      return [style.getPropertyValue('--ink'), style.getPropertyValue('--paper'), after];
    `);
    expect([ink.trim(), paper.trim()]).toEqual(['#000', '#fff']);
    expect(notice).toContain('never replaces a certified smoke');
    await driver.sendDevToolsCommand('Emulation.setEmulatedMedia', { media: '' });
  });
});
