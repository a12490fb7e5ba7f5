import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { strFromU8, unzipSync } from 'fflate';
import { demoOf } from './merged.js';
import { putOnShelf } from './put-on-shelf.js';
import { takeLog } from './testing/take-log.js';
import { visit } from './testing/visit.js';

/** A board on which a pin reads what it is told, and its output pin is told. */
const bench = (program: string): string => `
#include <stdint.h>
#include <stdio.h>
enum { LOW, HIGH, INPUT, OUTPUT, A0 = 14 };
static int counts, pins[32];
static uint32_t clockMs;
uint32_t millis() { return clockMs; }
int analogRead(int) { return counts; }
void digitalWrite(int pin, int level) { pins[pin] = level; }
void pinMode(int, int) {}
void delay(int) {}
#define F(text) (text)
struct {
  void begin(long) {}
  int available() { return 0; }
  int read() { return -1; }
  template <class... T> void print(T...) {}
  template <class... T> void println(T...) {}
} Serial;
#include "${program}"
int main() {
  setup();
  for (counts = 800; counts > 0; counts -= 10)
    for (int i = 0; i < 500; i++, clockMs++) {
      loop();
      if (pins[8] == HIGH) return printf("sounds at %d", counts), 0;
    }
  return printf("silent"), 0;
}
`;

/** From a rehearsed design to a program that does the same. */
describe('the program of a board', () => {
  const its = visit();
  const text = (): Promise<string> => its.page.text('yu-code-view');

  it('is written from the design, a section for each of its things', async () => {
    const id = await putOnShelf(its.app.address, demoOf('slipway-beam'));
    await its.browser.driver.get(`${its.app.address}design/${id}/code`);
    await its.page.until(text, (t) => t.includes('const int beamThreshold = 380;'));
    await its.page.says('.sections', /Settings.*Beam.*when Beam → Sounder on.*Start/s);
  });

  it('a threshold that is changed is another line, and shown so', async () => {
    await its.page.step('set');
    await its.page.type('Threshold', '300');
    await its.page.step('code');
    await its.page.until(text, (t) => t.includes('const int beamThreshold = 300;'));
    await its.page.view('Changes');
    await its.page.until(text, (t) => /beamThreshold = 380;[^]*beamThreshold = 300;/.test(t));
    await its.page.view('Program');
  });

  it('downloaded, it compiles without a warning, and sounds where the line is now', async () => {
    await its.page.press('Download');
    const zips = async (): Promise<string[]> =>
      readdirSync(its.browser.downloads).filter((name) => name.endsWith('.zip'));
    const [zip] = await its.page.until(zips, (names) => names.length === 1);
    const files = unzipSync(readFileSync(join(its.browser.downloads, zip ?? '')));
    const program = files['slipway-beam/slipway-beam.ino'];
    expect(Object.keys(files)).toContain('slipway-beam/README.md');
    writeFileSync(join(its.folder, 'program.cpp'), strFromU8(program ?? new Uint8Array()));
    writeFileSync(join(its.folder, 'bench.cpp'), bench('program.cpp'));
    const made = join(its.folder, 'bench');
    const options = ['-Wall', '-Wextra', '-Werror', '-o', made];
    execFileSync('g++', [...options, join(its.folder, 'bench.cpp')], { stdio: 'pipe' });
    expect(execFileSync(made, { encoding: 'utf8' })).toBe('sounds at 290');
    // Taken, it is as it was.
    await its.page.view('Changes');
    await its.page.says('.same', /as it was when you last took it/);
    await its.page.view('Program');
  });

  it('goes from a section to its lines, and back', async () => {
    await its.page.press('Sounder');
    await its.page.until(text, (t) => t.includes('digitalWrite(sounderPin'));
    await its.page.says('.sections [aria-current]', /^Sounder$/);
  });

  it('is proven on the scene', async () => {
    await its.page.until(
      () => its.page.text('yu-proof-bar'),
      (t) => t.includes('Runs it on what its pins read'),
    );
    await its.page.press('Prove it');
    await its.page.says('yu-proof-bar', /3,\d\d\d passes of “.*” compared: no difference\./);
  });

  it('says how it is loaded, and shows what a board reads beside what it should', async () => {
    await its.page.view('Load it');
    await its.page.says('.load', /^Firmware first: unplug/);
    await its.page.press('Connect stand-in board');
    await its.page.says('yu-board-check tbody', /^Beam\s+U1\.A0\s+\d+.*\s\d+.* as it should$/s);
    await its.page.press('Disconnect');
  });

  it('what a board has told is taken in Log', async () => {
    await its.page.step('log');
    await its.page.says('.none', /Nothing was told yet/);
    await takeLog(its.page, ['begins', 'ends', 'begins']);
    await its.page.says('yu-log .bar', /told\.txt: 3 events, 0 other lines/);
    await its.page.says(
      'yu-log .both',
      /3\.00 s\s+rule r1 begins.*when Beam .*\s2\s+1\.00 s\s+3\.00 s/s,
    );
    await its.page.press('Save as CSV');
    const saved = join(its.browser.downloads, 'events.csv');
    await its.page.until(
      () => Promise.resolve(existsSync(saved) ? readFileSync(saved, 'utf8') : ''),
      (csv) => csv.startsWith('run,seconds,kind,of,what\r\n1,1,rule,r1,begins'),
    );
    await its.page.step('code');
  });

  it('code of one’s own stands in it', async () => {
    await its.page.view('Own code');
    const field = await its.page.find('#own-pass');
    await field.sendKeys('digitalWrite(13, HIGH);', Key.TAB);
    await its.page.view('Program');
    await its.page.says('.sections', /Your own code/);
    await its.page.says('.remark', /your own code: No rehearsal knows it/);
  });

  it('of a radio board is written in the language that is chosen', async () => {
    const id = await putOnShelf(its.app.address, demoOf('chart-table-light'));
    await its.browser.driver.get(`${its.app.address}design/${id}/code`);
    await its.page.until(text, (t) => t.includes('from machine import'));
    await its.page.view('C++');
    await its.page.until(text, (t) => t.includes('#include'));
  });

  it.each([
    ['bilge-sump', /nothing to load/],
    ['compass-light', /Hand near: Its data line leads to no pin of the board/],
  ])('says what is not written: %s', async (name, reason) => {
    const id = await putOnShelf(its.app.address, { ...demoOf(name), wires: [] });
    await its.browser.driver.get(`${its.app.address}design/${id}/code`);
    await its.page.says('.none', reason);
  });
});
