import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, type WebDriver } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

export interface Browser {
  driver: WebDriver;
  /** Folder into which the browser saves files. */
  downloads: string;
  close: () => Promise<void>;
}

/** Debian's Chromium without a window, in a profile of its own. */
export async function openBrowser(width = 1280, height = 800): Promise<Browser> {
  const profile = mkdtempSync(join(tmpdir(), 'yurei-browser-'));
  const downloads = join(profile, 'downloads');
  const options = new chrome.Options();
  options.setChromeBinaryPath('/usr/bin/chromium');
  options.setUserPreferences({ 'download.default_directory': downloads });
  options.addArguments(
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--hide-scrollbars',
    '--force-device-scale-factor=1',
    `--user-data-dir=${profile}`,
    `--window-size=${width},${height}`,
  );
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
    .build();
  // The window's own frame is not part of the page.
  await (driver as chrome.Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: false,
  });
  return {
    driver,
    downloads,
    close: async () => {
      await driver.quit();
      rmSync(profile, { recursive: true, force: true });
    },
  };
}
