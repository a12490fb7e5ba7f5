import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { visit } from './testing/visit.js';

/** The smallest PNG: one dot. */
const dot =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

/** The place drawn as it is: a wall that keeps everybody out, a door in it, a picture under it. */
describe('the plan of the place', () => {
  const its = visit();

  it('a wall across the loft leaves no way in, and a door in it does', async () => {
    await its.page.openDesign('Sail loft motion');
    await its.page.find('.card .live');
    await its.page.step('plan');
    await its.page.view('Place');
    await its.page.says('yu-place-view', /A blind path: 4/);
    await showKind('Walls');
    await press('Add wall');
    const ends = await wallFields(5);
    for (const [i, value] of ['0 m', '2.5 m', '8 m', '2.5 m'].entries())
      await ends[i]?.sendKeys(Key.chord(Key.CONTROL, 'a'), value, Key.ENTER);
    await its.page.says('yu-place-view', /Walls leave no way in/);
    await press('Add door to wall 5');
    await its.page.says('yu-place-view', /A blind path: [5-9]|Every way in is noticed/);
  });

  it('an end of a wall is dragged by the pointer, and put back by undo', async () => {
    const length = '//yu-wall-fields//p[contains(., "Wall 5")]//input[@aria-label="Length"]';
    const long = async (): Promise<string> =>
      (await its.browser.driver.findElement(By.xpath(length)).getAttribute('value')) ?? '';
    expect((await long()).replace('\u00a0', ' ')).toBe('8 m');
    const handle = await its.page.find('[data-key="wall 4 to"]');
    await its.browser.driver.executeScript(
      "document.querySelector('yu-site-plan').scrollIntoView({ block: 'center' });",
    );
    await its.browser.driver
      .actions()
      .move({ origin: handle })
      .press()
      .move({ origin: handle, x: -60, y: 0 })
      .release()
      .perform();
    await its.page.until(long, (text) => /^[67]/.test(text));
    await its.page.command('Undo');
    await its.page.until(long, (text) => /^8/.test(text));
  });

  it('a picture lies under it, drawn smaller in the browser; a script in an SVG does not come with it', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yurei-picture-'));
    const [png, svg] = [join(folder, 'loft.png'), join(folder, 'loft.svg')];
    writeFileSync(png, Buffer.from(dot, 'base64'));
    writeFileSync(
      svg,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 5"><script>document.title = "run"</script><rect width="8" height="5"/></svg>',
    );
    await showKind('Ground');
    await pick(png);
    await picture(/^data:image\/png;base64,/);
    await pick(svg);
    const image = await picture(/^data:image\/svg\+xml;base64,/);
    const drawing = Buffer.from(image.split(',')[1] ?? '', 'base64').toString();
    expect(drawing).toContain('<rect');
    expect(drawing).not.toContain('script');
    await press('Scale it by a known length');
    const truth = await its.page.find('input[aria-label="Length in truth"]');
    await truth.sendKeys(Key.chord(Key.CONTROL, 'a'), '2 m', Key.ENTER);
    // The marks stood 4 m apart on a picture of 8 m.
    const wide = await its.page.find('input[aria-label="Width of the picture"]');
    await its.page.until(
      () => wide.getAttribute('value'),
      (text) => text?.startsWith('4') ?? false,
    );
    await its.page.saved();
  });

  async function picture(like: RegExp): Promise<string> {
    return its.page.until(
      async () => (await (await its.page.find('yu-site-plan image')).getAttribute('href')) ?? '',
      (href) => like.test(href),
    );
  }

  async function pick(file: string): Promise<void> {
    const field = By.css('yu-ground-fields input[type=file]');
    await its.browser.driver.findElement(field).sendKeys(file);
  }

  async function showKind(label: string): Promise<void> {
    await inTheMiddle('yu-site-fields p-selectbutton');
    await its.page.view(label);
  }

  async function press(label: string): Promise<void> {
    await its.browser.driver.executeScript(
      `const named = (b) => b.textContent.trim() === arguments[0] || b.ariaLabel === arguments[0];
       [...document.querySelectorAll('button')].find(named)?.scrollIntoView({ block: 'center' });`,
      label,
    );
    await its.page.press(label);
  }

  async function inTheMiddle(css: string): Promise<void> {
    await its.page.find(css);
    await its.browser.driver.executeScript(
      "document.querySelector(arguments[0]).scrollIntoView({ block: 'center' });",
      css,
    );
  }

  async function wallFields(wall: number) {
    const xpath = `//yu-wall-fields//p[contains(., 'Wall ${wall}')]//input[@aria-label='East' or @aria-label='North']`;
    return its.browser.driver.findElements(By.xpath(xpath));
  }
});
