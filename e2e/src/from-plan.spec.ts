import { By, Key } from 'selenium-webdriver';
import { visit } from './testing/visit.js';

/** From an empty shelf to a rehearsed first design: what must be noticed is said, a sensor is taken, and it notices. */
describe('from a brief', () => {
  const its = visit();

  it('compares sensors, takes one, and rehearses what the brief asks', async () => {
    await its.page.press('New design');
    await its.page.step('plan');
    await its.page.says('yu-sensor-comparison', /Say at the left what must be noticed/);
    await its.page.press('Must be noticed…');
    await find('step');
    await its.page.says('.brief', /Someone steps on it/);
    await its.page.press('Must not set it off…');
    await find('lorry');
    await its.page.choose('yu-brief-fields', 'Where', 'indoors');
    await its.page.says('yu-sensor-comparison', /\b([1-9]\d*) of \1 tried; [1-9]/);
    await its.page.says('article.sensor', /^1\. .*Notices 1 of 1/s);
    await its.browser.driver.findElement(By.css('article.sensor p-button button')).click();
    await its.page.says('yu-sensor-comparison', /is on the bench/);
    await its.page.step('rehearse');
    await its.page.says('yu-verdict-list', /Someone steps on it.*noticed after/s);
    await its.page.says('header', /Notices\s*1 of 1/);
    await its.page.saved();
  });

  it('goes by keys alone: the step, what must be noticed, and the sensor', async () => {
    await its.browser.driver.get(its.app.address);
    await its.page.press('New design');
    const keys = (...sent: string[]) =>
      its.browser.driver
        .actions()
        .sendKeys(...sent)
        .perform();
    await its.page.says('yu-empty-bench', /An empty bench/);
    await keys('1');
    await tabTo(/^Must be noticed…$/);
    await keys(Key.ENTER);
    await find('tilt');
    await its.page.says('yu-sensor-comparison', /\b([1-9]\d*) of \1 tried; [1-9]/);
    await tabTo(/^Take it: Tilt/);
    await keys(Key.ENTER);
    await its.page.says('yu-sensor-comparison', /is on the bench/);
  });

  it('finds a blind path to what is guarded', async () => {
    await its.browser.driver.get(its.app.address);
    await its.page.openDesign('Sail loft motion');
    await its.page.step('plan');
    await its.page.view('Place');
    await its.page.says('yu-place-view', /A blind path: .* from an entrance to what is guarded/);
    await its.page.find('yu-site-plan .blind');
  });

  it('closes a blind path, and sees someone come where none was seen', async () => {
    await its.page.press('Close the blind path');
    await its.page.says('yu-place-view', /Every way in is noticed: .* seen by Loft detector/);
    await its.page.says('yu-place-sensors', /Loft detector 2 stands/);
    await its.page.saved();
  });

  it('makes a full ring of flame receivers of the number it tells, from nothing', async () => {
    await its.browser.driver.get(its.app.address);
    await its.page.press('New design');
    await its.page.step('plan');
    await its.page.press('Must be noticed…');
    await find('flame');
    await its.page.says('yu-sensor-comparison', /\b([1-9]\d*) of \1 tried; [1-9]/);
    await its.page.press('I have read this');
    await its.page.click('button[aria-label^="Take it: Infrared flame receiver"]');
    await its.page.says('yu-sensor-comparison', /is on the bench/);
    await its.page.view('Place');
    const far = await its.page.find('input[aria-label="As far away as"]');
    await far.sendKeys(Key.chord(Key.CONTROL, 'a'), '0.5 m', Key.ENTER);
    await its.page.says('yu-place-sensors', /it takes [2-5] of/);
    const said = await (await its.page.find('yu-place-sensors')).getText();
    const [, count, half] = /takes (\d+) of .*: each notices ([\d.]+)°/.exec(said) ?? [];
    expect(Number(count)).toBe(Math.ceil(180 / Number(half)));
    await its.page.press(`Make a ring of ${count}`);
    await its.page.says('yu-place-sensors', new RegExp(`^.*${count} of .* stand in a ring`, 's'));
    const stands = await its.browser.driver.findElements(By.css('yu-site-plan .stand'));
    expect(stands).toHaveLength(Number(count));
    await its.page.saved();
  });

  async function find(words: string): Promise<void> {
    await its.page.opened('yu-find-dialog');
    const field = await its.page.find('.p-dialog input[role=combobox]');
    await field.sendKeys(words);
    await its.page.says('.p-dialog', new RegExp(words.slice(0, 3), 'i'));
    await field.sendKeys(Key.ENTER);
  }

  /** Goes on by Tab until what has the focus is called so. */
  async function tabTo(name: RegExp): Promise<void> {
    for (let i = 0; i < 120; i++) {
      const focus = await its.browser.driver.switchTo().activeElement();
      const called = (await focus.getAttribute('aria-label')) || (await focus.getText());
      if (name.test(called.trim())) return;
      await its.browser.driver.actions().sendKeys(Key.TAB).perform();
    }
    throw new Error(`Tab does not reach ${String(name)}.`);
  }
});
