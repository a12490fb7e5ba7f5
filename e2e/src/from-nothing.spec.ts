import { Key } from 'selenium-webdriver';
import { visit } from './testing/visit.js';

/** A new design, built by keyboard alone through the command box, until it fires. */
describe('from an empty design', () => {
  const its = visit();

  it('adds and joins parts, reads a pin, fires an output and sees it lit', async () => {
    await its.page.press('New design');
    await its.page.says('yu-empty-bench', /An empty bench/);
    for (const part of [
      'plug-in adapter',
      '5 v 8-bit',
      'photoresistor',
      'resistor ohm load',
      'indicator led',
      'resistor ohm load',
    ]) {
      await its.page.command(`add ${part}`);
    }
    const wires = [
      'G1.plus U1.VIN',
      'G1.minus U1.GND',
      'U1.5V B1.a',
      'B1.b U1.A0',
      'B1.b R1.a',
      'R1.b U1.GND',
      'U1.D9 R2.a',
      'R2.b H1.a',
      'H1.k U1.GND',
    ];
    for (const wire of wires) await its.page.command(wire);
    await its.page.part('R2');
    await its.page.type('Resistance', '220');

    await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await its.page.click('nav a[href$="/rehearse"]');
    await its.page.press('New scene…');
    await its.page.press('Make the scene');
    await its.page.step('set');
    await its.page.press('Read U1.A0');
    await its.page.press('Drive U1.D9 from this channel');
    // In the dark the divider reads far below half scale, so a channel that trips below it fires.
    await its.page.choose('yu-channel-panel', 'Trips', 'below');
    await its.page.find('header svg.lit');
    await its.page.step('wire');
    await its.page.find('.card.acting[data-part="H1"]');
    await its.page.says('aside', /tripped at rest/);
    await its.page.saved();
  });
});
