import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApp, type AppServer } from '../app-server.js';
import { openBrowser, type Browser } from '../browser.js';
import { Page } from '../page.js';

/** A server with the demo data and a browser looking at it; both are there from `beforeAll` on. */
export interface Visit {
  app: AppServer;
  browser: Browser;
  page: Page;
  /** A folder for this visit alone. */
  folder: string;
  /** Starts the server again on the same data and port. */
  restart: () => Promise<void>;
}

/** Sets a visit up before the tests of the present suite and clears it away after them. */
export function visit(width = 1280, height = 800): Visit {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-visit-'));
  const data = join(folder, 'data');
  const visit = { folder } as Visit;
  visit.restart = async () => {
    visit.app = await startApp(data, Number(new URL(visit.app.address).port));
  };
  beforeAll(async () => {
    visit.app = await startApp(data);
    visit.browser = await openBrowser(width, height);
    visit.page = new Page(visit.browser.driver);
    await visit.browser.driver.get(visit.app.address);
  });
  afterAll(async () => {
    await visit.browser?.close();
    await visit.app?.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  return visit;
}
