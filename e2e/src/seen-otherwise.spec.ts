import { demoOf } from './merged.js';
import { putOnShelf } from './put-on-shelf.js';
import { visit } from './testing/visit.js';

/** What can be pressed or typed into and lies over something else that can, by what both are called. */
const overlaps = `
  const shown = (e) => e.checkVisibility({ visibilityProperty: true }) && !e.closest('svg, p-dialog, .hidden-label');
  const things = [...document.querySelectorAll('button, a[href], input:not([type=file]), textarea, [role=combobox], [role=tab], p-togglebutton')].filter(shown);
  const boxes = things.map((e) => e.getBoundingClientRect());
  const name = (e) => (e.ariaLabel ?? e.textContent ?? '').trim().slice(0, 40) || e.outerHTML.slice(0, 60);
  const found = [];
  for (let i = 0; i < things.length; i++)
    for (let k = i + 1; k < things.length; k++) {
      const [a, b] = [boxes[i], boxes[k]];
      const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left);
      const high = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
      if (wide > 2 && high > 2 && !things[i].contains(things[k])) found.push(name(things[i]) + ' / ' + name(things[k]));
    }
  return found;`;

/** A window of 1280 × 800 at 200 %: half as many px each way. */
describe('twice as large', () => {
  const its = visit(640, 400);
  const run = <T>(script: string): Promise<T> => its.browser.driver.executeScript<T>(script);
  let id = '';
  beforeAll(async () => {
    id = await putOnShelf(its.app.address, demoOf('slipway-beam'));
  });

  it.each([
    ['wire', 'yu-picture .card'],
    ['set', 'yu-threshold-chart canvas'],
    ['act', 'yu-rule-card'],
    ['rehearse', 'yu-time-axis'],
  ])('%s lies over nothing and is scrolled in one direction', async (step, shown) => {
    await its.browser.driver.get(`${its.app.address}design/${id}/${step}`);
    await its.page.find(shown);
    await its.page.find('header .gauge');
    // Once it has come to rest.
    await its.page.until(
      () => run<string[]>(overlaps),
      (found) => found.length === 0,
    );
    expect(await run('return document.documentElement.scrollWidth - innerWidth')).toBe(0);
  });
});

describe('in other units', () => {
  const its = visit();

  it('writes and reads numbers as the maker wants them, and keeps SI in the design', async () => {
    const id = await putOnShelf(its.app.address, demoOf('slipway-beam'));
    await its.browser.driver.get(`${its.app.address}design/${id}/wire`);
    await its.page.press('Settings');
    await its.page.view('4,7 kΩ');
    // It starts anew at once.
    await its.page.wireSays('B1.e', 'U1.A0', /4,01 V/);
    await its.page.says('header', /within 51,8 ms/);
    await its.page.part('R1');
    await its.page.type('Resistance', '8,2 k');
    await its.page.wireSays('B1.e', 'U1.A0', /3,29 V/);
    await its.page.saved();
    const { design } = await (await fetch(`${its.app.address}api/designs/${id}`)).json();
    const part = design.parts.find((p: { id: string }) => p.id === 'R1');
    expect(part.params.ohms).toBe(8200);
    await its.page.press('Settings');
    await its.page.view('77 °F');
    await its.page.find('yu-picture .card .live');
    await its.page.press('Settings');
    await its.page.view('ft, in');
    await its.page.find('yu-picture .card .live');
    await its.page.step('rehearse');
    await its.page.view('Plan');
    await its.page.says('yu-site-plan', /5 ft/);
    await its.page.view('Scene');
    // The usual 25 °C: 1.8 · 25 + 32.
    const air =
      "return [...document.querySelectorAll('yu-scene-fields input')].map((i) => i.value)";
    await its.page.until(
      () => its.browser.driver.executeScript<string[]>(air),
      (values) => values.some((v) => /^77\u00a0°F$/.test(v)),
    );
  });
});
