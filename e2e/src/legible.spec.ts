import { readdirSync } from 'node:fs';
import { demoOf } from './merged.js';
import { measureTexts } from './measure-texts.js';
import { measurePicture } from './measure-picture.js';
import { putOnShelf } from './put-on-shelf.js';
import { visit } from './testing/visit.js';

/** Every starter as a maker sees it from behind a soldering iron: whole, legible, nothing over anything else. */
describe('the picture', () => {
  const its = visit();
  const names = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));

  it.each(names)('of %s is whole and legible at 1280 by 800', async (name) => {
    const design = demoOf(name);
    expect(design.parts.length).toBeLessThanOrEqual(20);
    const id = await putOnShelf(its.app.address, design);
    await its.browser.driver.get(`${its.app.address}design/${id}/wire`);
    await its.page.until(
      () =>
        its.browser.driver.executeScript<string[]>(
          "return [...document.querySelectorAll('.volts, .flag text')].map((t) => t.textContent.trim())",
        ),
      (values) => values.some((v) => v.endsWith('V')),
    );
    const { smallest, smallestValue, used, whole, crossing, cut, over } = await measurePicture(
      its.browser.driver,
    );
    expect({ whole, crossing, cut, over }).toEqual({
      whole: true,
      crossing: [],
      cut: [],
      over: [],
    });
    expect(smallest).toBeGreaterThanOrEqual(10.99);
    expect(smallestValue).toBeGreaterThanOrEqual(11.99);
    expect(used).toBeGreaterThan(0.55);
  });

  const scenes = names.filter((name) => demoOf(name).scenes.length > 0);
  it.each(scenes)('of the plan of %s is legible, its names clear of each other', async (name) => {
    const id = await putOnShelf(its.app.address, demoOf(name));
    await its.browser.driver.get(`${its.app.address}design/${id}/rehearse`);
    await its.page.view('Plan');
    await its.page.find('yu-site-plan svg text');
    const { texts, smallest, crossing, out } = await measureTexts(
      its.browser.driver,
      'yu-site-plan svg',
    );
    expect(texts).toBeGreaterThan(0);
    expect(smallest).toBeGreaterThanOrEqual(11);
    expect({ crossing, out }).toEqual({ crossing: [], out: [] });
  });

  const modal = names.filter((name) => demoOf(name).machines.length > 0);
  it.each(modal)('of the modes of %s is legible, its words clear of each other', async (name) => {
    const id = await putOnShelf(its.app.address, demoOf(name));
    await its.browser.driver.get(`${its.app.address}design/${id}/act`);
    await its.page.find('yu-mode-chart .mode');
    const { texts, smallest, crossing } = await measureTexts(
      its.browser.driver,
      'yu-mode-chart svg',
    );
    const beyond = await its.browser.driver.executeScript<number>(`
      const edge = (css) => document.querySelector(css).getBoundingClientRect().right;
      return edge('yu-mode-chart svg') - edge('yu-act section.charts');
    `);
    expect(beyond).toBeLessThanOrEqual(0);
    expect(texts).toBeGreaterThan(3);
    expect(smallest).toBeGreaterThanOrEqual(10.99);
    expect(crossing).toEqual([]);
  });
});
