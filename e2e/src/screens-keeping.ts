import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { constants, tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { startApp } from './app-server.js';
import type { Browser } from './browser.js';
import { Page } from './page.js';

/** A picture of what keeps a design from being kept: a server of its own, with a disk that fills up. */
export async function screensOfKeeping(
  { driver }: Browser,
  shoot: (name: string) => Promise<void>,
  theme: string,
): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-keeping-'));
  const within = (name: string): string => join(folder, name);
  const [data, library, faults] = [within('data'), within('faults.so'), within('faults')];
  const page = new Page(driver);
  const visit = async (address: string): Promise<void> => {
    await driver.get(address.replace('0.0.0.0', '127.0.0.1'));
    await driver.executeScript("localStorage.setItem('yurei.theme', arguments[0])", theme);
    await driver.navigate().refresh();
  };
  const source = 'server/src/testing/faults.c';
  execFileSync('gcc', ['-shared', '-fPIC', '-O1', '-o', library, source, '-ldl']);
  const app = await startApp(data, 0, { LD_PRELOAD: library, YUREI_FAULTS: faults });
  try {
    await visit(app.address);
    await page.click('yu-shelf .designs li a');
    await page.saved();
    writeFileSync(faults, `1 ${constants.errno.ENOSPC} 0 999999999`);
    const title = await page.find('input.title');
    await title.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Slipway beam, moved', Key.ENTER);
    await page.find('.conflict');
    await shoot('disk-full');
    rmSync(faults);
    await page.press('Try now');
    await page.saved();
  } finally {
    await app.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}
