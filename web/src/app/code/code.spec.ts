import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import type { Design } from '@yurei/core/design';
import { Observable, of, Subject, throwError } from 'rxjs';
import { unzipSync } from 'fflate';
import { demo, openBench, show, type Screen } from '../../testing/workbench-bed';
import * as downloads from '../common/download';
import { FileButton } from '../common/file-button';
import { BenchBoard } from '../data/bench-board';
import { DesignSession } from '../data/design-session';
import { BoardCheck } from './board-check';
import { CodeStep } from './code';
import { Proving, type Proven } from './proving';

const beam = demo('slipway-beam');
// jsdom lays nothing out.
Range.prototype.getClientRects = () => [] as unknown as DOMRectList;

const opened = async (
  design: Design,
  told: Observable<Proven> = of(),
): Promise<Screen<CodeStep>> => {
  TestBed.overrideProvider(Proving, { useValue: { prove: () => told } });
  await openBench(design);
  return show(CodeStep);
};
/** A demo design without any of its wires. */
const unwired = (name: string): Design => ({ ...demo(name), wires: [] });
const text = (screen: Screen<CodeStep>): string =>
  screen
    .all('yu-code-view')
    .map((view) => view.textContent)
    .join('');
const session = (): DesignSession => TestBed.inject(DesignSession);

beforeEach(() => localStorage.clear());

it('shows the program, its sections, and what a section is about', async () => {
  const screen = await opened(beam);
  expect(screen.text('.bar')).toMatch(/5 V 8-bit board, C\+\+/);
  expect(text(screen)).toMatch(/const int beamThreshold = 380;/);
  expect(screen.text('.sections')).toMatch(/Settings.*Rule r1.*when Beam → Sounder on.*Sounder/s);
  await screen.press('Sounder');
  expect(screen.text('.sections [aria-current]')).toBe('Sounder');
});

it('a changed threshold is another line, shown against what was taken last', async () => {
  const screen = await opened(beam);
  await screen.press('Changes');
  expect(screen.text('.same')).toMatch(/as it was when you came here/);
  const [channel] = beam.channels;
  if (!channel) throw new Error('It has no channel.');
  session().edit({ type: 'put-channel', channel: { ...channel, threshold: 300 } });
  await screen.until(() => text(screen).includes('beamThreshold = 300;'));
  expect(text(screen)).toMatch(/beamThreshold = 380;[^]*beamThreshold = 300;/);
});

it('a download has the program and how it is loaded, and is what changes are told against', async () => {
  const screen = await opened(beam);
  const taken = jest.spyOn(downloads, 'download').mockReturnValue();
  await screen.press('Download');
  const [name, blob] = taken.mock.calls[0] ?? [];
  expect(name).toBe('slipway-beam.zip');
  const bytes = await new Promise<Uint8Array>((done) => {
    const reader = new FileReader();
    reader.onload = () => done(new Uint8Array(reader.result as ArrayBuffer));
    reader.readAsArrayBuffer(blob as Blob);
  });
  expect(Object.keys(unzipSync(new Uint8Array(bytes)))).toEqual([
    'slipway-beam/slipway-beam.ino',
    'slipway-beam/README.md',
  ]);
  await screen.press('Changes');
  expect(screen.text('.same')).toMatch(/as it was when you last took it/);
});

it('says how it is loaded', async () => {
  const screen = await opened(beam);
  await screen.press('Load it');
  expect(screen.text('.load')).toMatch(/Firmware first.*send “hello”/s);
});

it.each([
  ['without a controller', { ...beam, parts: [] }, /Nothing is wired yet/],
  ['no bus', unwired('mooring-boom'), /channel Boom turned ?: Its data line leads to no pin/],
  ['of two channels', unwired('compass-light'), /Hand near ?: .*Daylight ?: .*Go there/s],
])('says why there is none: %s', async (_, design, reason) => {
  const screen = await opened(design);
  expect(screen.text('.none')).toMatch(reason);
  expect(screen.all('yu-code-view')).toHaveLength(0);
  // It would help nothing.
  expect(screen.all('.quiet')).toHaveLength(0);
});

it('too large a program may be tried quiet', async () => {
  const [rule] = beam.rules;
  const [channel] = beam.channels;
  if (!rule || !channel) throw new Error('It has none.');
  const when = { is: 'flickers', channel: channel.id, from: 1, to: 10, over: 60 } as const;
  const screen = await opened({ ...beam, rules: [{ ...rule, when }] });
  expect(screen.text('.none')).toMatch(/memory ?: Its variables and texts take \d+ bytes/);
  expect(screen.all('.quiet')).toHaveLength(1);
});

it('a time of day is told where the board does not know it', async () => {
  const [rule] = beam.rules;
  if (!rule) throw new Error('It has no rule.');
  const night = { is: 'time', from: 79_200, to: 21_600 } as const;
  const screen = await opened({ ...beam, rules: [{ ...rule, while: night }] });
  expect(screen.text('.remark')).toMatch(/takes the moment it gets power for midnight/);
  expect(text(screen)).toMatch(/clockStart/);
});

describe('proven', () => {
  const proven = async (told: Observable<Proven>): Promise<Screen<CodeStep>> => {
    const screen = await opened(beam, told);
    await screen.until(() => /Runs it on what its pins read/.test(screen.text('yu-proof-bar')));
    await screen.press('Prove it');
    return screen;
  };

  it.each<[string, Observable<Proven>, RegExp]>([
    ['passes', of({ passes: 3001 }), /3,001 passes of “.*” compared: no difference\./],
    [
      'a circle',
      of({ passes: 5, circles: 550 }),
      /5 passes agree, up to 550 ms: there modes or rules go/,
    ],
    ['a difference', of({ passes: 5, difference: 'at 3 ms' }), /It differs: at 3 ms\./],
    ['an error', throwError(() => new Error('no memory')), /no memory/],
  ])('tells %s', async (_, told, says) => {
    const screen = await proven(told);
    await screen.until(() => says.test(screen.text('yu-proof-bar')));
  });

  it('tells how far it has come, and can be ended', async () => {
    let ended = false;
    const screen = await proven(
      new Observable((observer) => {
        observer.next({ passes: 1000, of: 4000 });
        return () => (ended = true);
      }),
    );
    await screen.until(() => /1,000 of 4,000 passes/.test(screen.text('yu-proof-bar')));
    await screen.press('Cancel');
    expect(ended).toBe(true);
    expect(screen.text('yu-proof-bar')).toMatch(/Runs it on/);
  });

  it('an edit takes back what was proven', async () => {
    const screen = await proven(of({ passes: 3001 }));
    await screen.until(() => /no difference/.test(screen.text('yu-proof-bar')));
    session().edit({ type: 'describe', fields: { title: 'Another' } });
    await screen.until(() => !/no difference/.test(screen.text('yu-proof-bar')));
  });
});

describe('code of one’s own', () => {
  const own = async (): Promise<Screen<CodeStep>> => {
    const screen = await opened(beam);
    await screen.press('Own code');
    return screen;
  };

  it('is kept in the design and stands in the program', async () => {
    const screen = await own();
    await screen.type('In each pass', 'blink();');
    expect(session().design()?.controller.code).toEqual({ pass: 'blink();' });
    await screen.press('Program');
    expect(screen.text('.sections')).toMatch(/Your own code/);
    expect(screen.text('.remark')).toMatch(/your own code ?: No rehearsal knows it/);
  });

  it('is taken from a program that was changed, and said of one without marks', async () => {
    const screen = await own();
    const bring = async (lines: string): Promise<void> => {
      const file = { text: () => Promise.resolve(lines) } as File;
      const found = screen.fixture.debugElement.query(By.directive(FileButton));
      (found.componentInstance as FileButton).taken.emit([file]);
      await screen.fixture.whenStable();
    };
    await bring('int x;');
    await screen.until(() => screen.text('yu-own-code').includes('no marked lines'));
    await bring('// >>> your own code: start\n  one();\n    two();\n// <<< until here\n');
    await screen.until(() => screen.text('yu-own-code').includes('Taken: at the start.'));
    expect(session().design()?.controller.code).toEqual({ start: 'one();\n  two();' });
  });
});

describe('a board of two languages', () => {
  it('is written in the one that is chosen, and remembers it', async () => {
    const screen = await opened(demo('chart-table-light'));
    expect(text(screen)).toMatch(/^\d*.*# ---- /s);
    await screen.press('C++');
    await screen.until(() => text(screen).includes('#include'));
    expect(localStorage.getItem('yurei.code.language')).toBe('C++');
    await screen.press('MicroPython');
    await screen.until(() => text(screen).includes('import '));
  });

  it('tells how large the program is and how long a pass may take', async () => {
    const screen = await opened(beam);
    expect(screen.text('.bar')).toMatch(
      /RAM \d+ of 1448 B · flash ≈ \d of 32 kB · pass ≤ 0?\.?\d+ ?[mµ]s/,
    );
  });
});

describe('a board that is connected', () => {
  it('is shown channel by channel beside what it should read, with what its program tells', async () => {
    const screen = await opened(beam);
    await screen.press('Load it');
    expect(screen.text('yu-board-check')).toMatch(/Does it answer\?.*Connect stand-in board/s);
    const lines = new Subject<string>();
    const sent: string[] = [];
    const board = screen.fixture.debugElement
      .query(By.directive(BoardCheck))
      .injector.get(BenchBoard);
    board.open({ lines, send: (line) => sent.push(line) }, 'board');
    for (const line of ['time,A0', '1.0,795', '# event 1.2 rule r1: begins']) lines.next(line);
    await screen.until(() => screen.text('yu-board-check').includes('rule r1: begins'));
    expect(screen.text('yu-board-check tbody')).toMatch(/Beam\s*U1\.A0\s*795/);
    await screen.press('Try all outputs');
    expect(sent).toContain('test');
    board.disconnect();
  });
});
