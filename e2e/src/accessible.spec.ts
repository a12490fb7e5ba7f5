import { By, Key } from 'selenium-webdriver';
import { takeLog } from './testing/take-log.js';
import { violations } from './testing/violations.js';
import { visit } from './testing/visit.js';

/** axe-core on every view, in both themes: nothing serious against WCAG 2.2 AA. */
describe.each([
  ['day', 1280],
  ['night', 1280],
  ['day', 1024],
  ['night', 1600],
])('accessible by %s at %i px', (theme, width) => {
  const its = visit(width);
  beforeAll(async () => {
    await its.browser.driver.executeScript(
      "localStorage.setItem('yurei.theme', arguments[0])",
      theme,
    );
    await its.browser.driver.navigate().refresh();
  });

  /** Presses what lies below what is seen, once it is in the middle. */
  const pressInView = async (label: string): Promise<void> => {
    await its.browser.driver.executeScript(
      `const named = (b) => b.textContent.trim() === arguments[0] || b.ariaLabel === arguments[0];
       [...document.querySelectorAll('button')].find(named)?.scrollIntoView({ block: 'center' });`,
      label,
    );
    await its.page.press(label);
  };

  /** A kind of what is drawn of the place. */
  const showKind = async (label: string): Promise<void> => {
    await its.browser.driver.executeScript(
      `document.querySelector('yu-site-fields p-selectbutton').scrollIntoView({ block: 'center' });`,
    );
    await its.page.view(label);
  };

  /** What is there as soon as a view of Rehearse is. */
  const shown: Readonly<Record<string, string>> = {
    Circuit: 'yu-rehearse yu-picture .card',
    Plan: 'yu-site-plan .stand',
    Events: 'yu-event-list tr',
    Score: 'yu-score-card .line',
    Scene: 'yu-scene-fields input',
  };
  const views: [string, () => Promise<unknown>][] = [
    ['shelf', () => its.page.find('yu-shelf .designs li a')],
    [
      'wire',
      () => its.page.click('yu-shelf .designs li a').then(() => its.page.find('.card .live')),
    ],
    [
      'a stage to be wired',
      async () => {
        await its.browser.driver.actions().sendKeys('s').perform();
        await (await its.page.find('yu-block-tray input')).sendKeys('comparator', Key.ENTER);
        await its.page.find('yu-block-dialog .p-dialog li');
        await its.browser.driver.sleep(400);
      },
    ],
    [
      'the pin plan',
      async () => {
        await its.page.press('Cancel');
        await its.browser.driver.sleep(400);
        await its.page.press('Pins');
        await its.page.find('yu-pin-plan table');
        await its.browser.driver.sleep(400);
      },
    ],
    [
      'the circuit as tables',
      async () => {
        await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
        await its.browser.driver.sleep(400);
        await its.page.view('table');
        await its.page.find('yu-wire-table tbody tr');
        await its.page.press('R1');
        await its.page.find('yu-part-panel h2');
      },
    ],
    [
      'a wire that is picked',
      async () => {
        await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
        await its.browser.driver.sleep(400);
        await its.page.view('volts');
        await its.page.find('.wire');
        await its.browser.driver.executeScript(
          "document.querySelector('.wire').dispatchEvent(new MouseEvent('click', { bubbles: true }))",
        );
        await its.page.find('yu-wire-panel h2');
      },
    ],
    [
      'sensors compared',
      async () => {
        await its.page.step('plan');
        // Many are tried: half of them may take as long as anything else.
        await its.page.says('yu-sensor-comparison', /\b1\d of \d+ tried|\b([1-9]\d*) of \1 tried/);
        await its.page.says('yu-sensor-comparison', /\b([1-9]\d*) of \1 tried/);
        await its.page.click('article.sensor input[type=checkbox]');
        await its.page.find('.beside td');
      },
    ],
    [
      'the place, looked over',
      async () => {
        await its.page.view('Place');
        await its.page.says('yu-place-view', /\d %/);
        await showKind('Ways in');
        await pressInView('Remove what is guarded');
        await pressInView('Something is guarded');
        await its.page.says('yu-place-view', /A blind path|Every way in/);
      },
    ],
    [
      'walls with their openings',
      async () => {
        await showKind('Walls');
        await its.page.find('yu-wall-fields .within input');
      },
    ],
    [
      'rooms by their corners',
      async () => {
        await showKind('Rooms');
        await its.page.find('yu-room-fields .within input');
      },
    ],
    [
      'what arrives where',
      async () => {
        await its.page.view('Reach');
        await pressInView('Add spot');
        await its.page.find('yu-site-fields input[aria-label="Name of spot 1"]');
        await pressInView('Remove Spot 1');
      },
    ],
    [
      'either or',
      async () => {
        await its.page.view('Either or');
        await its.page.says('yu-either-or-view', /now \d/);
        await its.page.says('yu-either-or-view', /^(?!.*Being tried)/s);
      },
    ],
    ['set', () => its.page.step('set').then(() => its.page.find('yu-threshold-chart canvas'))],
    [
      'a capture going on, live',
      async () => {
        await its.page.press('Connect stand-in board');
        await its.page.says('yu-board-state', /readings\/s/);
        await its.browser.driver
          .findElement(By.xpath("//*[@role='tab' and normalize-space(.)='live']"))
          .click();
        await its.page.press('Capture 20 readings');
        await its.page.find('yu-error-curve canvas');
      },
    ],
    [
      'readings brought in',
      async () => {
        await its.page.press('From a file or typed…');
        await its.page.find('yu-bring-dialog textarea');
        await its.browser.driver.sleep(400);
      },
    ],
    ...[
      'Convert…',
      'Timing…',
      'What if…',
      'Trimmer…',
      'Comparator…',
      'Timer…',
      'Step by step…',
    ].map((label): [string, () => Promise<unknown>] => [
      `help: ${label}`,
      async () => {
        await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
        await its.browser.driver.sleep(500);
        await its.browser.driver
          .findElement(By.xpath("//*[@role='tab' and contains(., 'set it')]"))
          .click();
        await its.page.press(label);
        await its.page.find('yu-set-it-dialog .p-dialog');
        await its.browser.driver.sleep(700);
      },
    ]),
    [
      'a wire that is being typed',
      async () => {
        await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
        await its.browser.driver.sleep(500);
        await its.page.step('wire');
        await (await its.page.find('#say-wire')).sendKeys('a of R1 to');
        await its.page.find('body > .p-overlay [role=option]');
        await its.browser.driver.sleep(500);
      },
    ],
    [
      'act, a rule open',
      async () => {
        await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
        await its.browser.driver.sleep(500);
        await its.page.step('act');
        await its.page.menu('Add modes', /^guard/);
        await its.page.find('yu-mode-chart .mode');
        await its.page.press('Sequence');
        await its.page.find('yu-lanes .block');
        await its.page.press('Add rule');
        await its.page.find('yu-rule-card .parts');
      },
    ],
    [
      'rehearse',
      async () => {
        await its.page.step('rehearse');
        await its.page.find('.verdicts .outcome');
      },
    ],
    [
      'a new scene',
      async () => {
        await its.page.press('New scene…');
        await its.page.find('yu-scene-dialog fieldset');
        await its.browser.driver.sleep(400);
      },
    ],
    [
      'rehearse, Time',
      async () => {
        await its.page.press('Cancel');
        await its.browser.driver.sleep(400);
      },
    ],
    ...Object.keys(shown).map((view): [string, () => Promise<unknown>] => [
      `rehearse, ${view}`,
      async () => {
        await its.page.view(view);
        await its.page.find(shown[view]);
      },
    ]),
    [
      'code',
      async () => {
        await its.page.step('code');
        await its.page.find('yu-code-view .cm-line');
      },
    ],
    [
      'code, of one’s own',
      async () => {
        await its.page.view('Own code');
        await its.page.find('yu-own-code textarea');
      },
    ],
    [
      'code, how it is loaded',
      async () => {
        await its.page.view('Load it');
        await its.page.find('.load li');
        await its.page.find('yu-board-check tbody td');
      },
    ],
    [
      'log',
      async () => {
        await its.page.press('Disconnect');
        await its.page.step('log');
        await its.page.find('yu-log .none');
        await takeLog(its.page, ['begins', 'ends']);
        await its.page.find('yu-log .both td');
      },
    ],
    [
      'many nights',
      async () => {
        await its.page.step('rehearse');
        await its.page.find('yu-rehearse .bar');
        await its.page.press('Many nights…');
        await its.page.press('Rehearse 200 nights');
        await its.page.says('yu-nights-dialog .came', /noticed/);
        await its.page.press('Cancel');
      },
    ],
    [
      'a map of two values',
      async () => {
        await its.page.choose('yu-study-form', 'Of', 'two values');
        await its.page.press('Rehearse 490 nights');
        await its.page.says('yu-map-result', /Best/);
        await its.page.press('Cancel');
      },
    ],
    [
      'parts',
      async () => {
        await its.browser.driver.get(`${its.app.address}/parts/rain-module`);
        await its.page.find('yu-part-curve canvas');
      },
    ],
    [
      'a design just removed',
      async () => {
        await its.browser.driver.get(its.app.address);
        await its.page.press('Duplicate');
        await its.page.press('Remove');
        await its.page.says('yu-undo-toast', /is in the bin for 30 days/);
        await its.browser.driver.sleep(500);
      },
    ],
    [
      'the bin',
      async () => {
        await its.page.press('Bin…');
        await its.page.find('yu-bin-dialog .p-dialog');
        await its.browser.driver.sleep(500);
      },
    ],
    [
      'asked before what is final',
      async () => {
        await its.page.press('Remove for good');
        await its.page.says('[role=alertdialog]', /go for good/);
        await its.browser.driver.sleep(500);
      },
    ],
    [
      'an empty bench',
      async () => {
        await its.page.press('Cancel');
        await its.browser.driver.sleep(500);
        await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
        await its.browser.driver.sleep(500);
        await its.page.press('New design');
        await its.page.find('yu-empty-bench button');
      },
    ],
    [
      'the settings',
      async () => {
        await its.page.press('Settings');
        await its.page.find('yu-settings-dialog p-selectbutton');
        await its.browser.driver.sleep(500);
      },
    ],
  ];
  it.each(views)('%s', async (_, go) => {
    await go();
    expect(await violations(its.browser.driver)).toEqual([]);
  });
});
