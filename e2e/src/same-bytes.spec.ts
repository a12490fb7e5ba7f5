import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { putOnShelf } from './put-on-shelf.js';
import { visit } from './testing/visit.js';

const names = [
  'slipway-beam',
  'loft-stairs',
  'drying-room-fan',
  'smoke-alarm-repeater',
  'steps-lamp-at-dusk',
  'winch-counter',
];

/** What the browser gives as files, as text. */
const taken = `
  window.given = [];
  URL.createObjectURL = (blob) => (void window.given.push(blob), 'blob:none');
  HTMLAnchorElement.prototype.click = () => undefined;`;

describe('the same seed', () => {
  const its = visit();
  it.each(names)('gives the same bytes here and in Chromium: %s', async (name) => {
    const file = `demo/${name}.yurei.json`;
    const { driver } = its.browser;
    const id = await putOnShelf(its.app.address, JSON.parse(readFileSync(file, 'utf8')));
    await driver.get(`${its.app.address}design/${id}/rehearse`);
    await its.page.find('yu-time-axis .trace');
    await its.page.says('.taken', /followed in time\.$/);
    await driver.executeScript(taken);
    await its.page.menu('Export the rehearsal', 'Every reading as CSV');
    await its.page.menu('Export the rehearsal', 'Readings, volts and outputs as VCD');
    const files = await driver.executeAsyncScript<string[]>(
      'const done = arguments[0]; Promise.all(window.given.map((blob) => blob.text())).then(done);',
    );
    // The same in Node.js, by the command line.
    const kept = ['csv', 'vcd'].map((kind) => join(its.folder, `${name}.${kind}`));
    const options = ['--csv', kept[0], '--vcd', kept[1]];
    spawnSync(process.execPath, ['cli/dist/main.js', 'rehearse', file, ...options]);
    const here = kept.map((path) => readFileSync(path, 'utf8'));
    expect(files.map((text) => text.length)).toEqual(here.map((text) => text.length));
    // Not compared as a whole in the message: they are long.
    expect(files.map((text, i) => text === here[i])).toEqual([true, true]);
  });
});
