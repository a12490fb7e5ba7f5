import { By, Key } from 'selenium-webdriver';
import { visit } from './testing/visit.js';

/** A beam across a path at the gate, a radio to the house: what arrives over a field, and when the sun blinds it. */
describe('a gate across a field', () => {
  const its = visit();
  /** The demo's own walls are 1 and 2. */
  const added = [3, 4] as const;

  it('is watched by a beam, with a radio beside it that is put on the plan', async () => {
    await its.page.openDesign('Slipway beam');
    await its.page.find('.card .live');
    await its.page.press('Add part');
    await (await its.page.find('yu-part-tray input')).sendKeys('radio link', Key.ENTER);
    await its.page.says('yu-part-panel', /Radio link module/);
    await its.page.press('Put it on the plan');
  });

  it('tells what arrives at the house over the field, as free space has it', async () => {
    await its.page.step('plan');
    await its.page.view('Reach');
    await its.page.view('Ground');
    await fill('Width of the plan', '400 m');
    await its.page.view('Spots');
    await its.page.press('Add spot');
    await fill('Name of spot 1', 'House');
    const eastOfSpot = 'yu-site-fields p:last-of-type input[aria-label="East"]';
    await (
      await its.page.find(eastOfSpot)
    ).sendKeys(Key.chord(Key.CONTROL, 'a'), '304 m', Key.ENTER);
    // From 4 m to 304 m: 120 dB − 20·lg(4π·300/0.6909) = 45.3 dB, and 0.3 dB in the boathouse's boards.
    await its.page.says(
      'yu-reach-view',
      /House\s+300 m\s+45 dB of margin after 75 dB lost, 0\.3 dB of it in walls: arrives/,
    );
  });

  it('a metal shed between takes the signal, and its boards do not', async () => {
    await its.page.view('Walls');
    await its.page.press('Add wall');
    await its.page.press('Add wall');
    for (const wall of added) {
      const ends = await wallFields(wall);
      for (const [i, value] of ['150 m', '0 m', '150 m', '6 m'].entries())
        await ends[i]?.sendKeys(Key.chord(Key.CONTROL, 'a'), value, Key.ENTER);
    }
    await its.page.choose('yu-site-fields', `What wall ${added[0]} is of`, 'of boards, 20 mm');
    await its.page.choose('yu-site-fields', `What wall ${added[1]} is of`, 'of boards, 20 mm');
    await its.page.says('yu-reach-view', /44 dB of margin .*, 0\.9 dB of it in walls: arrives/);
    await its.page.choose('yu-site-fields', `What wall ${added[1]} is of`, 'of sheet metal, 1 mm');
    await its.page.says('yu-reach-view', /−15 dB of margin .*: does not arrive/);
  });

  it('tells in which months the evening sun blinds the beam', async () => {
    await its.page.says(
      'yu-reach-view',
      /Beam receiver\s+\d+ h a year\s+\d+ h in (March|September)/,
    );
    await its.page.saved();
  });

  async function fill(label: string, value: string): Promise<void> {
    const field = await its.page.find(`input[aria-label="${label}"]`);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), value, Key.ENTER);
  }

  async function wallFields(wall: number) {
    const xpath = `//yu-site-fields//p[contains(., 'Wall ${wall}')]//input[@aria-label='East' or @aria-label='North']`;
    return its.browser.driver.findElements(By.xpath(xpath));
  }
});
