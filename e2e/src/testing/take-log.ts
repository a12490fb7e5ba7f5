import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '../page.js';

/** Opens in Log what a terminal would have kept of a board: at each second, how its first rule turned. */
export async function takeLog(page: Page, turned: readonly string[]): Promise<void> {
  const file = join(mkdtempSync(join(tmpdir(), 'yurei-told-')), 'told.txt');
  writeFileSync(file, turned.map((what, i) => `# event ${i + 1}.000 rule r1: ${what}\n`).join(''));
  await (await page.find('yu-log input[type=file]')).sendKeys(file);
}
