import { closeSync, mkdtempSync, openSync, rmSync, ftruncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { visit } from './testing/visit.js';

/**
 * A port of the browser's serial interface that is not there: bytes to and fro, with the stand-in board at the
 * other end. What it sends is cut anywhere, as real ports do.
 */
const fakePort = `
  const socket = () => new WebSocket(location.href.replace('http', 'ws').replace(/design\\/([^/]+)\\/.*/, 'api/designs/$1/bench'));
  const port = {
    async open({ baudRate }) {
      window.baudRate = baudRate;
      const ws = socket();
      await new Promise((done) => (ws.onopen = done));
      const [text, bytes] = [new TextDecoder(), new TextEncoder()];
      port.readable = new ReadableStream({
        start(to) {
          ws.onmessage = ({ data }) => {
            const all = bytes.encode(data.replace('stand-in', 'fake') + '\\r\\n');
            to.enqueue(all.slice(0, 3));
            to.enqueue(all.slice(3));
          };
          ws.onclose = () => to.close();
        },
        cancel: () => ws.close(),
      });
      port.writable = new WritableStream({ write: (chunk) => text.decode(chunk).split('\\n').filter(Boolean).forEach((l) => ws.send(l)) });
    },
    close: async () => { window.portClosed = true; },
  };
  Object.defineProperty(navigator, 'serial', { configurable: true, value: { requestPort: async () => port } });`;

/** From an unset channel to a justified threshold, on the real server and its stand-in board. */
describe('setting a threshold', () => {
  const its = visit();
  const folder = mkdtempSync(join(tmpdir(), 'yurei-logs-'));
  afterAll(() => rmSync(folder, { recursive: true }));

  const file = (name: string, text: string | Buffer): string => {
    const path = join(folder, name);
    writeFileSync(path, text);
    return path;
  };
  const sets = async (): Promise<string[]> => {
    const names = await its.browser.driver.findElements(By.css('.names .name'));
    return Promise.all(names.map((n) => n.getText()));
  };
  const capture = async (named: RegExp): Promise<void> => {
    await its.page.press('Capture 20 readings');
    await its.page.until(sets, (names) => names.some((name) => named.test(name)));
  };
  const tab = (label: string): Promise<void> =>
    its.browser.driver
      .findElement(By.xpath(`//*[@role='tab' and normalize-space(.)='${label}']`))
      .click();
  const decided = (words: RegExp): Promise<string> => its.page.says('.decide', words);
  /** Looks into Rehearse until the rag has come out so, and comes back. */
  const rehearsed = async (outcome: RegExp): Promise<void> => {
    await its.page.step('rehearse');
    const told = async (): Promise<string> => {
      const [, rag] = await its.browser.driver.findElements(By.css('.verdicts button.verdict'));
      return rag.getText();
    };
    await its.page.until(told, (text) => /A rag flares up/.test(text) && outcome.test(text));
    await its.page.step('set');
    await its.page.find('yu-threshold-chart canvas');
  };
  /** Where the line stands, as the chart tells it. */
  const threshold = async (): Promise<number> => {
    const label = await (
      await its.page.find('yu-threshold-chart canvas')
    ).getAttribute('aria-label');
    return Number(/Trips above ([\d.]+)/.exec(label ?? '')?.[1]);
  };

  it('captures quiet and wanted sets from the stand-in and tells both errors with their bounds', async () => {
    await its.browser.driver.get(its.app.address);
    await its.page.find('yu-shelf .designs li a');
    await its.browser.driver.findElement(By.xpath("//a[contains(., 'Varnish')]")).click();
    await its.page.step('set');
    await its.page.says('section .heading', /what was rehearsed, not measured yet/);
    await its.page.press('Connect stand-in board');
    await its.page.says('yu-board-state', /25 readings\/s/);
    await capture(/^Quiet$/);
    // Exact bounds: 1 − 0.025^(1/20) = 16.8 %.
    await decided(/Fires on Quiet\s+0 % \(0 of 20, ≤ 14 %\)/);
    await tab('live');
    await its.page.choose('yu-live-strip', 'Let happen', /^A rag/);
    await (await its.page.find('yu-live-strip input[placeholder]')).sendKeys('1.5', Key.TAB);
    await its.page.press('Now');
    await its.page.until(
      async () => Number(await its.page.text('yu-live-strip .now b')),
      (counts) => counts > 150,
    );
    await capture(/^1\.5 m, A rag/);
    await decided(/Misses 1\.5 m, A rag.*\s+0 % \(0 of 20, ≤ 14 %\)/);
    await its.page.says('aside', /Distance/);
    await its.page.press('Stop');
  });

  it('drags the line, sees both errors follow, and takes the best one', async () => {
    const before = await threshold();
    expect(before).toBe(90);
    const canvas = await its.page.find('yu-threshold-chart canvas');
    const { height } = await canvas.getRect();
    // From the bottom up until a line is in the hand: it then goes along to the top.
    for (let y = height / 2 - 4; y > -height / 2 && (await threshold()) === before; y -= 10) {
      await its.browser.driver
        .actions()
        .move({ origin: canvas, y: Math.round(y) })
        .press()
        .move({ origin: canvas, y: Math.round(-height / 2 + 12) })
        .release()
        .perform();
      await its.browser.driver.sleep(100);
    }
    await its.page.until(threshold, (t) => t > 580);
    await decided(/Misses 1\.5 m, A rag.*\s+[1-9]\d* % \(\d+ of 20/);
    await rehearsed(/missed/);
    await its.browser.driver
      .actions()
      .keyDown(Key.CONTROL)
      .sendKeys('z')
      .keyUp(Key.CONTROL)
      .perform();
    await its.page.until(threshold, (t) => t === before);
    const label = await its.page.until(
      async () =>
        (
          await its.browser.driver.findElement(
            By.xpath("//button[starts-with(normalize-space(.), 'Best line')]"),
          )
        ).getText(),
      (t) => t.startsWith('Best line'),
    );
    const best = Number(/→ (\d+)/.exec(label)?.[1]);
    await its.page.press(label);
    await its.page.until(threshold, (t) => t === best);
    await decided(/The line stands where it costs least/);
  });

  it('the rehearsal is played with the new threshold, and the rag is noticed again', async () => {
    const best = await threshold();
    await rehearsed(/noticed/);
    await its.page.press('show what was rehearsed');
    await decided(new RegExp(`Trips\\s+above ${best} = `));
    await its.page.press('show what was measured');
  });

  it('reads a log with decimal commas and keeps a stretch of it', async () => {
    const rows = Array.from(
      { length: 500 },
      (_, i) => `${(i * 40).toString()};${(0.05 + (i % 7) / 1000).toFixed(3).replace('.', ',')}`,
    );
    await its.page.press('From a file or typed…');
    const input = await its.page.find('yu-bring-dialog input[type=file]');
    await input.sendKeys(file('night.csv', `t (ms);U (V)\n${rows.join('\n')}\n`));
    await its.page.says('yu-bring-dialog table', /0,050/);
    await its.page.press('Read it');
    await its.page.says('yu-bring-dialog', /500 readings over 20\.0 s, one every 40\.0 ms/);
    await its.page.press('Keep 500 readings');
    await its.page.until(sets, (names) => names.includes('night'));
    // 50 to 56 mV of 4.9 mV a count
    await its.page.says('aside', /Lowest … highest\s+10\.\d+ … 11\.\d+/);
  });

  it.each([
    [
      'nan.csv',
      'time,A0\n0,5\n1,NaN\n',
      /nan\.csv: Line 3: "NaN" is not a number\. Nothing was changed/,
    ],
    ['short.csv', 'time,A0\n0,5\n1\n2,7\n', /short\.csv: Line 3 has 1 of the 2 columns/],
    ['photo.csv', Buffer.from([0x50, 0, 1, 0, 2]), /photo\.csv: It is not text/],
    ['huge.csv', 'sparse', /huge\.csv has 2\.1 GB; at most 200 MB/],
  ])('refuses %s with the place, and nothing is lost', async (name, content, reason) => {
    const before = await sets();
    const path = file(name, content);
    if (content === 'sparse') {
      const handle = openSync(path, 'w');
      ftruncateSync(handle, 2 ** 31);
      closeSync(handle);
    }
    await its.page.press('From a file or typed…');
    await (await its.page.find('yu-bring-dialog input[type=file]')).sendKeys(path);
    const text = async (): Promise<string> => its.page.text('yu-bring-dialog');
    const shown = await its.page.until(text, (t) => reason.test(t) || t.includes('Read it'));
    if (!reason.test(shown)) await its.page.press('Read it');
    await its.page.says('yu-bring-dialog .refused', reason);
    await its.browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await its.page.until(sets, (names) => names.join() === before.join());
  });

  it('takes what a meter shows, and says what it cannot take', async () => {
    await its.page.press('From a file or typed…');
    await its.page.opened('yu-bring-dialog');
    const field = await its.page.find('yu-bring-dialog textarea');
    await field.sendKeys('40 mV 45 mV ten');
    await its.page.press('Keep what is typed');
    await its.page.says('yu-bring-dialog .refused', /"ten" is no reading/);
    await field.sendKeys(Key.BACK_SPACE, Key.BACK_SPACE, Key.BACK_SPACE);
    await its.page.press('Keep what is typed');
    await its.page.until(sets, (names) => names.includes('Quiet 2'));
  });

  it('reads a board over a serial line that is made up', async () => {
    await its.page.press('Disconnect');
    await its.browser.driver.executeScript(fakePort);
    await its.page.press('Connect a board…');
    await its.page.says('yu-board-state', /^board, 25 readings\/s/);
    expect(await its.browser.driver.executeScript('return window.baudRate')).toBe(115200);
    await capture(/^Quiet 3$/);
    await its.page.says('aside', /20 readings over .* from a board/);
    expect(await its.page.text('yu-board-state')).not.toMatch(/not understood/);
    await its.page.press('Disconnect');
    await its.page.until(
      () => its.browser.driver.executeScript('return window.portClosed'),
      Boolean,
    );
  });

  it('keeps all of it: the page loaded again shows the same sets', async () => {
    await its.page.saved();
    const before = await sets();
    await its.browser.driver.navigate().refresh();
    await its.page.until(sets, (names) => names.join() === before.join());
  });
});
