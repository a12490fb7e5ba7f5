import { By, Key } from 'selenium-webdriver';
import { visit } from './testing/visit.js';

/** A maker looks for a sensor, reads its page, tries it in a demo, opens it up and lets the weather in. */
describe('parts and scenes', () => {
  const its = visit();
  const open = async (title: string): Promise<void> => {
    await its.browser.driver.get(its.app.address);
    const link = By.xpath(`//h2[normalize-space(.)=${JSON.stringify(title)}]/ancestor::a`);
    await its.browser.driver.wait(async () => (await its.browser.driver.findElements(link)).length);
    await its.browser.driver.findElement(link).click();
    await its.page.find('.card .live');
  };

  it('finds parts by what they are for and reads a page with its curve', async () => {
    await its.page.click('a[href="/parts"]');
    const field = await its.page.find('yu-parts nav input');
    for (const [text, label] of [
      ['water', 'Float switch'],
      ['magnet', 'Reed contact'],
      ['beep', 'Sounder, 12 V'],
    ]) {
      await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
      await its.page.until(
        () => its.page.text('yu-parts nav'),
        (t) => t.includes(label),
      );
    }
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'rain module');
    await its.page.click('yu-parts nav a[href$="/rain-module"]');
    await its.page.find('yu-part-curve canvas');
    const page = await its.page.text('yu-part-page');
    expect(page).toMatch(/Works from 0\.0200 to 1\.00/);
    expect(page).toMatch(/Trimmer RV1/);
  });

  it('goes from the page of a module to that of a part inside it, and back', async () => {
    await its.page.click('yu-part-page a[href="/parts/comparator-393"]');
    await its.page.until(
      () => its.page.text('yu-part-page h2'),
      (t) => t === 'Comparator (393 type)',
    );
    await its.page.press('Back');
    await its.page.until(
      () => its.page.text('yu-part-page h2'),
      (t) => t === 'Rain module with comparator',
    );
  });

  it('takes a module apart in the picture: the same volts, and undo puts it together', async () => {
    await open('Skylight rain and tank');
    await its.page.part('B1');
    await its.page.wireSays('B1.AO', 'U1.A0', /reads 1018 counts/);
    await its.page.press('Take apart');
    await its.page.find('.card[data-part="B1_U1"]');
    await its.page.until(
      async () => {
        const wires = await its.browser.driver.findElements(By.css('.wire[aria-label*="U1.A0"]'));
        return (await wires[0].getAttribute('aria-label')) ?? '';
      },
      (label) => label.includes('reads 1018 counts'),
    );
    await its.page.press('Undo');
    await its.page.find('.card[data-part="B1"]');
  });

  it('lets something happen, and the surroundings change', async () => {
    await open('Sail loft motion');
    await its.page.step('rehearse');
    await its.page.until(
      () => its.page.verdicts(),
      (v) => v.filter((text) => text.startsWith('noticed')).length === 2,
    );
    await its.page.press('Add happening');
    const field = await its.page.find('yu-rehearse input[role=combobox]');
    await field.sendKeys('flame', Key.ENTER);
    await its.page.until(
      () => its.page.text('aside h2'),
      (t) => t === 'A flame burns',
    );
    await its.page.says('aside', /extinguisher/);
    // A flame is warm and flickers: the detector takes it for someone.
    await its.page.until(
      () => its.page.verdicts(),
      (v) => v.length === 5 && v.some((text) => text.startsWith('fired falsely')),
    );
  });
});
