import { spawnSync } from 'node:child_process';
import { By, Key } from 'selenium-webdriver';
import { demoOf, faulty, large, merged } from './merged.js';
import { putOnShelf } from './put-on-shelf.js';
import { visit } from './testing/visit.js';

/** Wiring in the real interface: three ways to make a wire, findings and their fixes, values, size, mistakes. */
describe('wiring', () => {
  const its = visit();

  const run = <T>(script: string, ...args: unknown[]): Promise<T> =>
    its.browser.driver.executeScript<T>(script, ...args);
  /** Puts a design on the shelf and opens it in Wire. */
  async function open(design: object): Promise<void> {
    const id = await putOnShelf(its.app.address, design);
    await its.browser.driver.get(`${its.app.address}design/${id}/wire`);
    await its.page.until(
      () =>
        run<boolean>(
          String.raw`return [...document.querySelectorAll('.wire')].some((w) => /: \S+\sV,/.test(w.ariaLabel))`,
        ),
      Boolean,
    );
  }
  /** The same, with the list of what is found. */
  async function openFindings(design: object): Promise<void> {
    await open(design);
    await its.page.showFindings();
  }
  const wires = (): Promise<number> =>
    run<number>("return document.querySelectorAll('.wire').length");
  const type = async (words: string): Promise<void> => {
    await (await its.page.find('#say-wire')).sendKeys(words, Key.ENTER);
  };
  const note = (): Promise<string> => its.page.text('#say-wire-note');
  const undoAll = async (): Promise<number> => {
    let steps = 0;
    const button = By.css('button[aria-label="Undo"]');
    while (await its.browser.driver.findElement(button).isEnabled()) {
      await its.page.press('Undo');
      steps += 1;
      // The button follows with the next frame.
      await its.browser.driver.executeAsyncScript(
        'requestAnimationFrame(() => setTimeout(arguments[0], 50))',
      );
    }
    return steps;
  };

  it('joins terminals by pointer, by keyboard and in words; undo leads back to the start', async () => {
    await open(demoOf('slipway-beam'));
    const before = await wires();
    await its.page.click('[data-part="U1"] .more');
    // Click and click.
    await its.page.terminal('U1.D4');
    await its.page.terminal('R2.b');
    await its.page.until(wires, (n) => n === before + 1);
    // Pulled from one to the other; what makes no sense is dimmed meanwhile, with the reason.
    const [from, to] = [
      await its.page.find('[data-terminal="U1.D5"]'),
      await its.page.find('[data-terminal="Q1.c"]'),
    ];
    const pull = its.browser.driver.actions();
    await pull.move({ origin: from }).press().move({ origin: to, x: 30 }).perform();
    const reason = await (await its.page.find('[data-terminal="E1.k"]')).getAttribute('aria-label');
    expect(reason).not.toMatch(/undefined/);
    await its.browser.driver.actions().move({ origin: to }).release().perform();
    await its.page.until(wires, (n) => n === before + 2);
    // Enter and Enter.
    await run('document.querySelector(\'[data-terminal="U1.A1"]\').focus()');
    await its.browser.driver.actions().sendKeys(Key.ENTER).perform();
    await its.page.until(
      () => its.page.text('.say'),
      (t) => t.startsWith('From U1.A1'),
    );
    await run('document.querySelector(\'[data-terminal="R1.a"]\').focus()');
    const refused = await (await its.page.find('[data-terminal="R1.a"]')).getAttribute('class');
    expect(refused).not.toMatch(/dim/);
    await its.browser.driver.actions().sendKeys(Key.ENTER).perform();
    await its.page.until(wires, (n) => n === before + 3);
    // In words.
    await type('A2 to b of Load resistor through 4k7');
    await its.page.until(note, (t) => t.startsWith('Joined U1.A2'));
    expect(await undoAll()).toBe(4);
    await its.page.until(wires, (n) => n === before);
  });

  it('refuses what makes no sense, keeps it to be mended, and leaves everything as it was', async () => {
    const before = await wires();
    for (const [words, reason] of [
      ['5V to GND', /short the supply/],
      ['base of Q1 to b of R2', /joined already/],
      ['{"format": "yurei-desi', /two ends/],
      ['OUT of doorbell to A1', /No part is called “doorbell”/],
    ] as const) {
      const field = await its.page.find('#say-wire');
      await field.sendKeys(Key.chord(Key.CONTROL, 'a'), words, Key.ENTER);
      await its.page.until(note, (t) => reason.test(t));
      expect(await field.getAttribute('value')).toBe(words);
    }
    await its.page.until(wires, (n) => n === before);
    await (await its.page.find('#say-wire')).sendKeys(Key.ESCAPE);
  });

  /** The text of the cards of all that is wrong. */
  const cards = (): Promise<string[]> =>
    run(
      "return [...document.querySelectorAll('yu-finding-card .finding')].filter((e) => !e.parentElement.closest('yu-fold')).map((e) => e.textContent)",
    );
  /** What is wrong, once it is known what cures it. */
  const tried = async (): Promise<string[]> => {
    await its.page.until(
      () => run<string>("return document.querySelector('yu-side-panel').textContent"),
      (t) => !/Trying/.test(t),
    );
    return cards();
  };
  const offered = By.css('yu-side-panel > yu-finding-card yu-offer-line button:not([disabled])');

  it('finds five mistakes, mends each by one click, and undoes all', async () => {
    await openFindings(faulty());
    await its.page.until(cards, (c) => c.length > 0);
    const found = await tried();
    const expected = [
      /No diode across Sounder/,
      /U1.D8 is not set up.*Base resistor|U1.D8 is not set up.*R2/,
      /Lamp resistor is overloaded/,
      /may chatter/,
    ];
    for (const title of expected) expect(found.join(' ')).toMatch(title);
    let fixes = 0;
    for (;;) {
      const before = await tried();
      const [button] = await its.browser.driver.findElements(offered);
      if (!button) break;
      // As the cards are read, no-break spaces and all.
      const label = await run<string>('return arguments[0].textContent.trim()', button);
      await button.click();
      fixes += 1;
      await its.page.until(cards, (now) => !now.join().includes(label));
      expect((await tried()).join()).not.toBe(before.join());
    }
    expect(fixes).toBe(found.length);
    await its.page.until(cards, (now) => now.length === 0);
    expect(await undoAll()).toBe(fixes);
    await its.page.until(tried, (now) => now.length === found.length);
  });

  const without = (ref: string) => {
    const design = demoOf('slipway-beam');
    return { ...design, wires: design.wires.filter((w) => w.from !== ref && w.to !== ref) };
  };

  it('a horn without its plus wire is found, with the wire that is missing', async () => {
    await openFindings(without('P1.plus'));
    await its.page.until(cards, (c) => c.length > 0);
    const found = await tried();
    expect(found).toHaveLength(1);
    expect(found[0]).toMatch(/Sounder never acts/);
    expect(found[0]).toMatch(/Likely: No wire leads from P1\.plus to G1\.plus/);
    expect(found[0]).toMatch(/turns 2 verdicts right|turns \d+ verdicts right/);
    await (await its.browser.driver.findElement(offered)).click();
    await its.page.until(cards, (now) => now.length === 0);
  });

  it('a split ground is one root, with all that follows from it folded', async () => {
    await openFindings(without('G1.minus'));
    await its.page.until(cards, (c) => c.length > 0);
    const found = await tried();
    expect(found).toHaveLength(1);
    expect(found[0]).toMatch(/Likely: No wire leads from .*G1\.minus/);
    expect(found[0]).toMatch(/\d more follow from it/);
    await (await its.browser.driver.findElement(offered)).click();
    await its.page.until(cards, (now) => now.length === 0);
  });

  it('three feeds cut are three roots with ten findings and more folded under them, each mended by one click', async () => {
    const design = merged('Three boards', ['slipway-beam', 'boarding-mat', 'dinghy-nudge']);
    const cut = ['G101.plus-U101.VIN', 'G201.plus-U201.VIN', 'G301.plus-U301.5V'];
    const wires = design.wires.filter((w) => !cut.includes(`${w.from}-${w.to}`));
    expect(design.wires.length - wires.length).toBe(3);
    await openFindings({ ...design, wires });
    await its.page.until(cards, (c) => c.length > 0);
    const found = await tried();
    expect(found).toHaveLength(3);
    for (const card of found) expect(card).toMatch(/has no power.*Likely: /);
    const folded = found.map((card) => Number(/(\d+) more follow/.exec(card)?.[1] ?? 0));
    expect(folded.reduce((a, b) => a + b)).toBeGreaterThanOrEqual(10);
    for (let left = 3; left > 0; left--) {
      await its.page.until(tried, (now) => now.length === left);
      const [button] = await its.browser.driver.findElements(offered);
      await button.click();
      await its.page.until(cards, (now) => now.length !== left);
    }
    await its.page.until(tried, (now) => now.length === 0);
  });

  it('a change that would harm is not offered', async () => {
    const design = demoOf('slipway-beam');
    // An emitter for 20 mA: less current for it would make the beam too weak to be told from none.
    const parts = design.parts.map((p) =>
      p.id === 'E1' ? { ...p, params: { ...p.params, maxAmps: 0.02 } } : p,
    );
    await openFindings({ ...design, parts });
    await its.page.until(cards, (c) => c.length > 0);
    expect((await tried()).join()).toMatch(/Beam lamp is overdriven/);
    expect(await its.browser.driver.findElements(offered)).toHaveLength(0);
  });

  it.each([
    'slipway-beam',
    'fuel-locker-loop',
    'steps-lamp-at-dusk',
    'mooring-boom',
    'skylight-rain',
  ])('%s shows at every terminal what the command line computes', async (name) => {
    const solved = spawnSync(
      process.execPath,
      ['cli/dist/main.js', 'solve', `demo/${name}.yurei.json`, '--json'],
      { encoding: 'utf8' },
    );
    const { nets } = JSON.parse(solved.stdout) as {
      nets: { terminals: string[]; volts: number | null }[];
    };
    await open(demoOf(name));
    const shown = await its.page.until(
      () =>
        run<[string, string][]>(
          "return [...document.querySelectorAll('[data-terminal]')].map((e) => [e.dataset.terminal, e.getAttribute('aria-label')])",
        ),
      (all) =>
        all.length > 0 &&
        all.every(([, label]) => /: (not connected|floating|−?[\d.]+)/.test(label)),
    );
    expect(shown.length).toBeGreaterThan(15);
    for (const [ref, label] of shown) {
      const net = nets.find((n) => n.terminals.includes(ref));
      const wanted =
        net === undefined
          ? 'not connected'
          : net.volts === null
            ? 'floating'
            : formatted(net.volts);
      expect(`${ref} ${label.replace(/\u00a0/g, ' ').split(': ')[1]}`).toBe(`${ref} ${wanted}`);
    }
  });

  /** Three significant digits and a prefix, written here anew. */
  function formatted(volts: number): string {
    const size = Math.abs(volts);
    if (size < 1e-5) return '0 V';
    const [unit, factor] =
      size >= 0.9995 ? ['V', 1] : size >= 0.9995e-3 ? ['mV', 1e3] : ['µV', 1e6];
    return `${(volts * factor).toPrecision(3).replace('-', '−')} ${unit}`;
  }

  it('a dusk switch from an empty bench, keys alone, in fewer than forty actions', async () => {
    await its.browser.driver.get(its.app.address);
    await its.page.press('New design');
    await its.page.find('yu-empty-bench');
    let actions = 0;
    const keys = async (...pressed: string[]): Promise<void> => {
      actions += 1;
      await its.browser.driver
        .actions()
        .sendKeys(...pressed)
        .perform();
    };
    /** A letter that opens a list, words that find, Enter that takes: three actions. */
    const take = async (letter: string, list: string, words: string): Promise<void> => {
      await keys(letter);
      const field = await its.page.find(`${list} input`);
      await its.page.until(
        () => run('return document.activeElement === arguments[0]', field),
        Boolean,
      );
      await keys(words);
      await keys(Key.ENTER);
      await its.page.until(
        () => its.browser.driver.findElements(By.css(`${list} input`)),
        (f) => f.length === 0,
      );
    };
    const add = async (words: string): Promise<void> => {
      await take('a', 'yu-part-tray', words);
      await keys(Key.ESCAPE);
    };
    /** Chooses in the block's fields by their first letters, then wires it. */
    const block = async (words: string, ...choices: string[]): Promise<void> => {
      await take('s', 'yu-block-tray', words);
      const dialog = await its.page.find('yu-block-dialog [role=combobox]');
      await its.page.until(
        () => run('return document.activeElement === arguments[0]', dialog),
        Boolean,
      );
      for (const [i, choice] of choices.entries()) {
        if (i > 0) await keys(Key.TAB);
        if (choice) await keys(choice, Key.ENTER);
      }
      const wire = By.xpath("//yu-block-dialog//button[normalize-space(.)='Wire it']");
      const button = await its.browser.driver.findElement(wire);
      while (!(await run('return document.activeElement === arguments[0]', button)))
        await keys(Key.TAB);
      await keys(Key.ENTER);
      await its.page.until(
        () => its.browser.driver.findElements(wire),
        (f) => f.length === 0,
      );
    };
    await add('plug-in');
    await add('photoresistor');
    await add('filament lamp');
    await block('front end', '');
    await block('555', 'B of B1');
    await block('relay', '', 'OUT of U1');
    await its.page.until(
      () =>
        run<string>(
          "return document.querySelector('[data-part=\"H1\"] .body').getAttribute('aria-label')",
        ),
      (label) => / lit/.test(label) && !/not lit/.test(label),
    );
    expect(actions).toBeLessThan(40);
    const told = await run<string[]>(
      "return [...document.querySelectorAll('[data-severity=error]')].map((e) => e.textContent)",
    );
    expect(told).toEqual([]);
  });

  it('a part with wires goes with them, and comes back with them', async () => {
    await open(demoOf('slipway-beam'));
    const before = await wires();
    await its.page.part('Q1');
    await its.browser.driver.actions().sendKeys(Key.DELETE).perform();
    await its.page.until(wires, (n) => n < before);
    await its.page.press('Undo');
    await its.page.until(wires, (n) => n === before);
  });

  it('folds channels wired alike, groups parts into one card, zooms and finds a part', async () => {
    await open(large());
    const shown = (): Promise<number> => run("return document.querySelectorAll('.card').length");
    const all = await shown();
    await its.page.press('Fold alike channels');
    await its.page.until(shown, (n) => n === all - 4);
    // It may lie outside of what is shown.
    const times = (): Promise<string> =>
      run("return document.querySelector('.card .times').textContent");
    await its.page.until(times, (text) => text === '× 3');
    await its.page.press('Show each channel');
    await its.page.until(shown, (n) => n === all);
    const scale = (): Promise<number> =>
      run(
        "return +/scale\\(([\\d.]+)/.exec(document.querySelector('.picture > g').getAttribute('transform'))[1]",
      );
    let last = 0;
    const rests = async (): Promise<boolean> => last === (last = await scale());
    await its.page.until(rests, Boolean);
    const k = last;
    await its.browser.driver.actions().sendKeys('+').perform();
    await its.page.until(scale, (now) => now > 1.2 * k);
    await its.browser.driver.actions().sendKeys('0').perform();
    await its.page.until(scale, (now) => now < k);
  });

  it('three hundred parts are drawn, solved and can be changed', async () => {
    const names = ['slipway-beam', 'fuel-locker-loop', 'steps-lamp-at-dusk'];
    const design = merged(
      'Three hundred',
      Array.from({ length: 25 }, (_, i) => names[i % 3]),
    );
    expect(design.parts.length).toBeGreaterThan(300);
    await open(design);
    const cards = await run<number>("return document.querySelectorAll('.card').length");
    expect(cards).toBe(design.parts.length);
    const before = await wires();
    await type('A1 of U101 to b of R102');
    await its.page.until(wires, (n) => n === before + 1);
    await its.page.press('Undo');
    await its.page.until(wires, (n) => n === before);
  });
});
