import { Subject } from 'rxjs';
import { demo, openBench, show, type Screen } from '../../testing/workbench-bed';
import { BenchBoard } from '../data/bench-board';
import { LogStep } from './log';

const atLog = async (): Promise<Screen<LogStep>> => {
  await openBench(demo('slipway-beam'));
  return show(LogStep);
};

const bring = async (screen: Screen<LogStep>, name: string, text: string): Promise<void> => {
  const input = screen.find<HTMLInputElement>('yu-file-button input');
  const file = Object.assign(new File([text], name), { text: () => Promise.resolve(text) });
  Object.defineProperty(input, 'files', { configurable: true, value: [file] });
  input.dispatchEvent(new Event('change'));
  await screen.fixture.whenStable();
};

it('takes what a connected board tells of, and what a terminal has kept', async () => {
  const screen = await atLog();
  expect(screen.text('.none')).toMatch(/Nothing was told yet/);
  const lines = new Subject<string>();
  const board = screen.fixture.debugElement.injector.get(BenchBoard);
  board.open({ lines, send: () => undefined }, 'board');
  for (const line of ['# event 1.2 rule r1: begins', '# event 9.2 rule r1: ends']) lines.next(line);
  await screen.until(() => screen.all('.both td').length > 0);
  expect(screen.text('.both')).toMatch(/when Beam.*1\s*8\.00\ss\s*9\.20\ss/);
  board.disconnect();
  await bring(screen, 'night.txt', '# event 3 rule r1: begins\n# event 1 rule r1: begins\nhum\n');
  await screen.until(() => screen.text('.bar').includes('2 events, 1 other lines'));
  expect(screen.text('.both')).toMatch(/run 2, 1\.00\ss.*run 1, 3\.00\ss/s);
});

it('refuses a file without events, and says what one looks like', async () => {
  const screen = await atLog();
  await bring(screen, 'readings.csv', 'time,A0\n1,2\n');
  await screen.until(() => /readings\.csv: None of 2 lines/.test(screen.text('.bar')));
});
