import { By, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver';

const waitLimit = 60000;

/** The workbench as a maker handles it: clicks, types and reads what is shown. */
export class Page {
  constructor(readonly driver: WebDriver) {}

  find(css: string): Promise<WebElement> {
    return this.driver.wait(until.elementLocated(By.css(css)), waitLimit, css);
  }

  async click(css: string): Promise<void> {
    await (await this.find(css)).click();
  }

  /** Clicks the button with this label. */
  async press(label: string): Promise<void> {
    const said = JSON.stringify(label);
    const xpath = `//button[normalize-space(.)=${said} or @aria-label=${said}]`;
    await this.driver.wait(until.elementLocated(By.xpath(xpath)), waitLimit, label).click();
  }

  /** Opens a design of the shelf by its title. */
  async openDesign(title: string): Promise<void> {
    const link = By.xpath(
      `//yu-shelf//*[contains(@class, 'designs')]//li//a[contains(., '${title}')]`,
    );
    await this.driver.wait(until.elementLocated(link), waitLimit, title).click();
  }

  async text(css: string): Promise<string> {
    return (await (await this.find(css)).getText()).replace(/\u00a0/g, ' ');
  }

  /** Waits until what `read` gives satisfies the test; fails with the last value. */
  async until<T>(read: () => Promise<T>, good: (value: T) => boolean): Promise<T> {
    let last: T | undefined;
    const check = async (): Promise<boolean> => good((last = await read()));
    await this.driver
      .wait(() => check().catch(() => false), waitLimit)
      .catch(() => {
        throw new Error(`Waited in vain; last seen: ${JSON.stringify(last)}`);
      });
    return last as T;
  }

  /** Waits until the element says what is expected. */
  says(css: string, words: RegExp): Promise<string> {
    return this.until(
      () => this.text(css),
      (text) => words.test(text),
    );
  }

  /** Waits until the wire's title says what is expected. */
  wireSays(from: string, to: string, words: RegExp): Promise<string> {
    return this.until(
      () => this.wire(from, to),
      (title) => words.test(title),
    );
  }

  /** Waits until a dialog has opened and holds the focus, as a maker does before typing. */
  async opened(css: string): Promise<void> {
    await this.until(
      () =>
        this.driver.executeScript<boolean>(
          'return document.querySelector(arguments[0])?.contains(document.activeElement) ?? false',
          `${css} .p-dialog`,
        ),
      Boolean,
    );
  }

  /** Opens the side panel with all findings, if it is folded away. */
  async showFindings(): Promise<void> {
    const button = await this.find('button.findings');
    if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click();
    await this.find('aside');
  }

  /** Takes one of the views of a step. */
  async view(label: string): Promise<void> {
    const xpath = `//p-togglebutton[normalize-space(.)=${JSON.stringify(label)}]`;
    await this.driver.wait(until.elementLocated(By.xpath(xpath)), waitLimit, label).click();
  }

  /** Takes an entry of the menu that a button opens. */
  async menu(button: string, entry: string | RegExp, within = 'body'): Promise<void> {
    await this.click(`${within} button[aria-label=${JSON.stringify(button)}]`);
    const taken = (): Promise<boolean> =>
      this.driver.executeScript(
        `const links = [...document.querySelectorAll('.p-menu-item-link')];
         const link = links.find((a) => new RegExp(arguments[0]).test(a.textContent.trim()));
         // An event, as of a pointer: what a link does when it is clicked may be stood in for.
         link?.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
         return link !== undefined;`,
        patternOf(entry),
      );
    await this.until(taken, Boolean);
    await this.until(
      () => this.driver.findElements(By.css('.p-menu-overlay')),
      (open) => open.length === 0,
    );
  }

  step(path: string): Promise<void> {
    return this.click(`nav a[href$="/${path}"]`);
  }

  /** Types into the field with this label in the panel on the right, or in another part of the page. */
  async type(label: string, value: string, within = 'aside'): Promise<void> {
    const xpath = `//${within}//label[normalize-space(.)=${JSON.stringify(label)}]/following-sibling::input`;
    const field = await this.driver.wait(until.elementLocated(By.xpath(xpath)), waitLimit, label);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), value, Key.ENTER);
  }

  /** Selects a part by its card. */
  async part(id: string): Promise<void> {
    await this.click(`.card[data-part="${id}"] .body`);
    await this.until(
      () => this.text('aside h2'),
      (t) => t.startsWith(id),
    );
  }

  /** Touches a terminal once the picture has come to rest. */
  async terminal(ref: string): Promise<void> {
    const place = async (): Promise<string> =>
      JSON.stringify(await (await this.find(`[data-terminal="${ref}"]`)).getRect());
    let before = '';
    await this.until(async () => {
      const [last, now] = [before, await place()];
      before = now;
      await this.driver.sleep(120);
      return last === now;
    }, Boolean);
    const end = await this.find(`[data-terminal="${ref}"]`);
    await this.driver.actions().move({ origin: end }).click().perform();
  }

  /** The title of a wire: its ends, volts, amps and counts. */
  async wire(from: string, to: string): Promise<string> {
    const label = await (
      await this.find(`.wire[aria-label*="${from} to ${to}:"]`)
    ).getAttribute('aria-label');
    return (label ?? '').replace(/\u00a0/g, ' ');
  }

  async counts(): Promise<number> {
    return Number(/reads (\d+) counts/.exec(await this.wire('B1.e', 'U1.A0'))?.[1]);
  }

  /** Types into the command box, by keyboard alone. */
  async command(text: string): Promise<void> {
    const keys = this.driver.actions();
    await keys.keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
    const field = await this.find('yu-command-box input');
    await this.until(
      () => field.getAttribute('value'),
      (v) => v === '',
    );
    await this.until(
      () => this.driver.executeScript('return document.activeElement === arguments[0]', field),
      Boolean,
    );
    await field.sendKeys(text, Key.ENTER);
    await this.until(
      () => this.driver.findElements(By.css('yu-command-box input')),
      (f) => f.length === 0,
    );
  }

  /** Takes one of a select that is found by what it is called, in the given part of the page. */
  async choose(within: string, label: string, choice: string | RegExp): Promise<void> {
    const picked = (): Promise<boolean> =>
      this.driver.executeScript(
        `const [within, label, text] = arguments;
         const fields = [...document.querySelectorAll(within + ' [role=combobox]')];
         const named = (f) => f.ariaLabel === label ||
           document.getElementById(f.getAttribute('aria-labelledby'))?.textContent.trim() === label;
         const field = fields.find(named);
         if (!field) return false;
         if (field.ariaExpanded !== 'true') {
           field.click();
           return false;
         }
         const options = [...document.querySelectorAll('#' + field.getAttribute('aria-controls') + ' [role=option]')];
         const option = options.find((o) => new RegExp(text).test(o.textContent.trim()));
         option?.click();
         return option !== undefined;`,
        within,
        label,
        patternOf(choice),
      );
    await this.until(picked, Boolean);
  }

  saved(): Promise<string> {
    return this.until(
      () => this.text('.save'),
      (t) => t.startsWith('Saved'),
    );
  }

  async moveTimeTo(seconds: number): Promise<void> {
    const field = await this.find('yu-clock-field input');
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), `${seconds} s`, Key.ENTER);
  }

  /** Bytes of the page and everything it has loaded, as sent (compressed). */
  transferred(): Promise<number> {
    return this.driver.executeScript(
      `return [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')]
         .reduce((sum, e) => sum + e.encodedBodySize, 0)`,
    );
  }

  verdicts(): Promise<string[]> {
    return this.driver.executeScript(
      "return [...document.querySelectorAll('.verdicts .outcome')].map((e) => e.textContent.trim())",
    );
  }
}

/** Words as they are, or those that fit: as the source of a pattern. */
const patternOf = (words: string | RegExp): string =>
  words instanceof RegExp ? words.source : `^${words.replace(/[.*+?^$()|[\]\\{}]/g, '\\$&')}$`;
