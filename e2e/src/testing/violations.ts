import { readFileSync } from 'node:fs';
import type { WebDriver } from 'selenium-webdriver';

const axe = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/** What axe-core finds against WCAG 2.2 AA in what is shown, each with the first elements it is found on. */
export async function violations(driver: WebDriver): Promise<string[]> {
  await driver.executeScript(axe);
  return driver.executeAsyncScript(
    `const done = arguments[arguments.length - 1];
     axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] }).then((r) =>
       done(r.violations
         .map((v) => v.id + ': ' + v.nodes.map((n) => n.html.slice(0, 160)).slice(0, 3).join(' | '))));`,
  );
}
