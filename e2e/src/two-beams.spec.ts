import { Key } from 'selenium-webdriver';
import { visit } from './testing/visit.js';

/** A two-beam direction counter with entry delay and latch, from nothing to many nights, in the real interface. */
describe('two beams on a stair', () => {
  const its = visit();

  const parts = [
    'plug-in adapter',
    '5 v 8-bit',
    'infrared beam emitter',
    'infrared beam emitter',
    'phototransistor',
    'phototransistor',
    ...Array.from({ length: 6 }, () => 'resistor ohm load'),
    'push button',
    'indicator led',
  ];
  const wires = [
    'G1.plus U1.VIN',
    'G1.minus U1.GND',
    ...[1, 2].flatMap((n) => [
      `U1.5V R${n}.a`,
      `R${n}.b E${n}.a`,
      `E${n}.k U1.GND`,
      `U1.5V B${n}.c`,
      `B${n}.e U1.A${n - 1}`,
      `B${n}.e R${n + 2}.a`,
      `R${n + 2}.b U1.GND`,
    ]),
    'U1.5V S1.a',
    'S1.b U1.D2',
    'U1.D2 R5.a',
    'R5.b U1.GND',
    'U1.D9 R6.a',
    'R6.b H1.a',
    'H1.k U1.GND',
  ];
  /** Lamp and receiver of each beam face each other across the stair; the two are aimed against each other. */
  const places = [
    ['E1', 0, 2, 0],
    ['B1', 1.2, 2, 180],
    ['E2', 1.2, 2.15, 180],
    ['B2', 0, 2.15, 0],
    ['S1', 3, 0.5, 0],
  ] as const;

  const escape = (): Promise<void> => its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();

  it('is wired and placed', async () => {
    await its.page.press('New design');
    await its.page.says('yu-empty-bench', /An empty bench/);
    for (const part of parts) await its.page.command(`add ${part}`);
    for (const wire of wires) await its.page.command(wire);
    for (const [id, ohms] of [
      ['R1', '82'],
      ['R2', '82'],
      ['R3', '4k7'],
      ['R4', '4k7'],
      ['R6', '470'],
    ]) {
      await its.page.part(id);
      await its.page.type('Resistance', ohms);
    }
    for (const [id, x, y, facing] of places) {
      await its.page.part(id);
      for (const [label, value] of [
        ['East', x],
        ['North', y],
        ['Looks towards', facing],
      ] as const)
        await its.page.type(label, String(value));
      if (id.startsWith('B')) await its.page.type('Lens gain', '20');
    }
    await escape();
  });

  it('reads both beams and the key', async () => {
    await its.page.step('set');
    for (const pin of ['U1.A0', 'U1.A1', 'U1.D2']) await its.page.press(`Read ${pin}`);
    for (const name of ['A0', 'A1']) {
      await its.page.press(name);
      await its.page.says('aside h2', new RegExp(`Channel ${name}`));
      await its.page.choose('yu-channel-panel', 'Trips', 'below');
      // As sketches often do: a look ten times a second, believed at once.
      await its.page.type('Read every', '100m');
      await its.page.type('Hits in a row', '1');
      await its.page.type('Misses in a row', '1');
    }
  });

  it('counts by the order of the beams, and guards with an entry delay and a latched alarm', async () => {
    await its.page.step('act');
    await its.page.press('Drive U1.D9');
    await its.page.press('Count');
    await its.page.menu('Add modes', /^guard/);
    await its.page.says('yu-mode-chart', /Entering/);
    await its.browser.driver.executeScript(
      "[...document.querySelectorAll('yu-machine-editor .line')].find((l) => l.textContent.includes('Armed → Entering')).click()",
    );
    const way = 'yu-machine-editor li.open';
    await its.page.menu('Change this condition', /then … within/, way);
    await its.page.choose(`${way} yu-condition yu-condition:nth-of-type(2)`, 'Channel', 'A1');
    await its.page.says('yu-machine-editor', /Armed → Entering: A0 then A1 within 2 s/);

    await its.page.press('Add rule');
    const open = 'yu-rule-card .open';
    await its.page.menu('Change this condition', 'a mode', open);
    await its.page.choose(open, 'Mode', 'Alarm');
    await its.page.choose(open, 'How it ends', /by a reset/);
    await its.page.says('.rules', /when Alarm → D9 on until reset/);

    await its.page.press('Add rule');
    await its.page.says(`${open} .sentence`, /r2/);
    await its.page.choose(open, 'What is done', /^count Count 1/);
    await its.page.menu('Change this condition', /then … within/, open);
    await its.page.choose(`${open} yu-condition yu-condition:nth-of-type(2)`, 'Channel', 'A1');
    await its.page.says('.rules', /when A0 then A1 within 2 s → count Count 1 up by 1/);
  });

  it('misses a running child, says why, and the cure is done', async () => {
    await its.page.step('rehearse');
    await its.page.press('New scene…');
    await its.page.press('Make the scene');
    await its.page.view('Scene');
    await its.page.type('Lasts', '60', 'yu-rehearse');
    await its.page.press('Add happening');
    await its.page.opened('yu-find-dialog');
    const find = await its.page.find('yu-find-dialog input');
    await find.sendKeys('crosses', Key.ENTER);
    await its.page.says('aside h2', /Something crosses/);
    await its.page.type('Name', 'A child runs up');
    await its.page.choose('aside', 'It is', 'wanted');
    await its.page.type('Starts at', '20.03');
    await its.page.type('Speed', '3.2');
    await its.page.type('Width', '0.3');
    await its.page.choose('yu-rehearse', 'Guard begins in', 'Armed');
    await its.page.until(
      () => its.page.verdicts(),
      ([first]) => first === 'missed',
    );
    await its.page.press('Why not?');
    await its.page.says('yu-why-card', /A0 and A1 began in the same pass.*read every 100 ms/s);
    await its.page.says('yu-why-card', /Read A0 and A1 every \d+ ms, not 100 ms: noticed after 20/);
    await its.page.press('Do it');
    await its.page.until(
      () => its.page.verdicts(),
      ([first]) => /^noticed after 20/.test(first),
    );
    await its.page.view('Events');
    await its.page.says('yu-event-list', /Guard: Alarm, after 20 s/);
    await its.page.view('Plan');
    await its.page.find('yu-site-plan .way');
  });

  it('rehearses 200 nights, and cancels one run', async () => {
    await its.page.press('Many nights…');
    await its.page.press('Rehearse 200 nights');
    await its.page.says('yu-nights-dialog .came', /A child runs up.*noticed/s);
    await its.page.press('Rehearse 200 nights');
    await its.page.press('Cancel');
    await its.page.says('yu-nights-dialog .what', /Rehearse 200 nights/);
    await escape();
    await its.page.saved();
  });
});
