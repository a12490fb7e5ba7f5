import { Key } from 'selenium-webdriver';
import { visit } from './testing/visit.js';

/** Where the focus stands: what it is called, and whether it can be seen. */
interface Focus {
  name: string;
  seen: boolean;
}

const lookAtFocus = `
  const at = document.activeElement;
  const label = at.labels?.[0] ?? document.getElementById(at.getAttribute('aria-labelledby'));
  const name = at.ariaLabel ?? label?.textContent ?? at.textContent;
  const { left, top, right, bottom } = at.getBoundingClientRect();
  return {
    name: name.trim().replace(/\\s+/g, ' '),
    seen: right > 0 && bottom > 0 && left < innerWidth && top < innerHeight,
  };`;

/** Fields and buttons of the largest step, and some: whoever needs more has lost the way. */
const mostTabs = 120;

/** The main task without a pointer: from the shelf to a design that is changed, set, ruled and rehearsed. */
describe('by keys alone', () => {
  const its = visit();
  const press = (...keys: string[]): Promise<void> =>
    its.browser.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  const held = (key: string, letter: string): Promise<void> =>
    its.browser.driver.actions().keyDown(key).sendKeys(letter).keyUp(key).perform();

  /** Goes on with Tab to what is called so; nothing on the way may be out of sight. */
  async function tabTo(name: RegExp): Promise<void> {
    const passed: string[] = [];
    for (let i = 0; i < mostTabs; i++) {
      await press(Key.TAB);
      const focus = await its.browser.driver.executeScript<Focus>(lookAtFocus);
      if (!focus.seen) throw new Error(`The focus is out of sight at "${focus.name}".`);
      if (name.test(focus.name)) return;
      passed.push(focus.name);
    }
    throw new Error(`Nothing called ${name} among: ${passed.join(' · ')}`);
  }

  /** Types over what a field says. */
  async function type(text: string): Promise<void> {
    await held(Key.CONTROL, 'a');
    await press(text, Key.ENTER);
  }

  const counts = (good: (n: number) => boolean): Promise<number> =>
    its.page.until(() => its.page.counts(), good);

  it('opens a design from the shelf', async () => {
    await its.page.says('yu-shelf .designs li h2', /^Slipway beam$/);
    await tabTo(/^Slipway beam/);
    await press(Key.ENTER);
    await counts((n) => n === 822);
  });

  it('gives back what was typed into a field when it is left by Escape', async () => {
    await tabTo(/^Project name$/);
    await held(Key.CONTROL, 'a');
    await press('Lantern', Key.ESCAPE);
    const title = await its.page.find('header input.title');
    expect(await title.getAttribute('value')).toBe('Slipway beam');
    expect(await its.browser.driver.getTitle()).toMatch(/^Slipway beam/);
  });

  it('finds a part, changes its value, and takes that back', async () => {
    await its.page.command('R1 load');
    await its.page.says('aside h2', /^R1/);
    await tabTo(/^Resistance$/);
    await type('4k7');
    await counts((n) => n < 400);
    await press(Key.ESCAPE);
    await held(Key.CONTROL, 'z');
    await counts((n) => n === 822);
  });

  it('sets the threshold, with readings of the stand-in board', async () => {
    await press('3');
    await tabTo(/^Connect stand-in board$/);
    await press(Key.ENTER);
    await its.page.says('yu-live-strip .now', /\d+ counts now/);
    await tabTo(/^Threshold$/);
    await type('300');
    await its.page.says('.decide', /below 300/);
  });

  it('changes a rule', async () => {
    await press(Key.ESCAPE, '4');
    await tabTo(/^Rule r1/);
    await press(Key.ENTER);
    await tabTo(/^and so much longer$/);
    await type('8 s');
    await its.page.says('yu-rule-card', /8 s longer/);
  });

  it('rehearses it and asks what came of it', async () => {
    await press(Key.ESCAPE, '5');
    await its.page.says('yu-verdict-list', /Someone walks up the slipway.*noticed/s);
    await tabTo(/^Someone walks up the slipway.*noticed/);
    await press(Key.ENTER);
    await its.page.says('yu-verdict-chain', /s/);
    await tabTo(/^1[45]\.\d+ s$/);
    await press(Key.ENTER);
    const clock = await its.page.find('yu-clock-field input');
    await its.page.until(
      () => clock.getAttribute('value'),
      (t) => /^1[45]\.\d+\ss$/.test(t ?? ''),
    );
    await its.page.saved();
    const id = (await its.browser.driver.getCurrentUrl()).split('/').at(-2);
    const { design } = await (await fetch(`${its.app.address}api/designs/${id}`)).json();
    expect([design.channels[0].threshold, design.rules[0].hold]).toEqual([300, 8]);
  });
});
