import { TestBed } from '@angular/core/testing';
import { StandInBoard } from '@yurei/core/bench';
import type { Design, ReadingSet } from '@yurei/core/design';
import { readHappening } from '@yurei/core/exchange';
import { Subject } from 'rxjs';
import { demo, openBench, show, showSolved } from '../../testing/workbench-bed';
import { BenchBoard } from '../data/bench-board';
import type { BoardLink } from '../data/board-link';
import { JudgeView } from '../data/judge-view';
import { Series } from '../data/series';
import { ChannelPanel } from './channel-panel';
import { ReadingsPanel } from './readings-panel';
import { SetStep } from './set';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

const fire = () => demo('varnish-bench-fire');

/** The stand-in board in this thread, with a clock that is set by hand. */
function boardInThread(design: Design) {
  const lines = new Subject<string>();
  const board = new StandInBoard(design, { ambient: {}, seed: 5 }, readHappening);
  const say = (all: string[]): void => all.forEach((line) => lines.next(line));
  let now = 0;
  const link: BoardLink = { lines, send: (line) => say(board.hear(line, now)) };
  return { link, lines, goTo: (t: number) => say(board.goOn((now = t))) };
}

async function connected() {
  const bench = await openBench(fire());
  const set = await showSolved(SetStep);
  const board = TestBed.inject(BenchBoard);
  const stand = boardInThread(fire());
  board.open(stand.link, 'stand-in');
  stand.goTo(0.5);
  await set.settle();
  return { ...bench, set, board, ...stand };
}

const sets = (design: Design | undefined): ReadingSet[] =>
  design?.readings.filter((r) => r.channel === 'east') ?? [];

describe('a board on the bench', () => {
  it('gives a set of the next readings, with what is known of the surroundings', async () => {
    const { set, session, goTo } = await connected();
    expect(set.text('yu-board-state')).toContain('stand-in board, 25 readings/s');
    await set.press('Capture 20 readings');
    goTo(0.9);
    await set.settle();
    expect(set.text('yu-capture-bar')).toMatch(/Capturing 50 %/);
    goTo(1.4);
    await set.settle();
    const [taken] = sets(session.design());
    expect(taken).toMatchObject({ name: 'Quiet', intent: 'quiet', origin: 'stand-in' });
    expect(taken.counts).toHaveLength(20);
    expect(taken.every).toBeCloseTo(0.04, 6);
    expect(taken.conditions).toMatchObject({ light: 5, temperature: 25 });
    await set.until(() => /Fires on Quiet 0 % \(0 of 20, ≤ 14 %\)/.test(set.text('.decide')));
  });

  it('labels a capture by what is let happen, at the distance that was asked for', async () => {
    const { set, session, goTo, board } = await connected();
    set
      .all('[role=tab]')
      .find((t) => t.textContent?.trim() === 'live')
      ?.click();
    await set.settle();
    await set.type('Let happen', 'h2');
    const distance = set.find<HTMLInputElement>('yu-live-strip input[placeholder]');
    distance.value = '1,2 m';
    distance.dispatchEvent(new Event('change'));
    await set.press('Now');
    await set.press('Capture 20 readings');
    goTo(1.6);
    await set.settle();
    const [taken] = sets(session.design());
    expect(taken).toMatchObject({ intent: 'wanted', conditions: { distance: 1.2 } });
    expect(taken.name).toMatch(/^1\.2 m, A rag/);
    expect(Math.min(...taken.counts)).toBeGreaterThan(100);
    await set.press('Stop');
    expect(board.running()).toBeUndefined();
  });

  it('does not name a capture after what the board would not let happen', async () => {
    const { set, board } = await connected();
    const [lamp] = fire().scenes[0].happenings;
    board.start({ ...lamp, path: [{ x: 900, y: 1 }] });
    await set.settle();
    expect(board.said()).toMatch(/^no: .*outside the plan/);
    expect(board.running()).toBeUndefined();
    board.start(lamp);
    expect(board.running()).toEqual(lamp);
  });

  it('says what a capture failed of, and forgets nothing', async () => {
    const { set, session, lines } = await connected();
    await set.press('Capture 20 readings');
    lines.complete();
    await set.settle();
    expect(set.text('yu-capture-bar')).toContain('The board was disconnected');
    expect(set.text('yu-board-state')).toContain('It ended the connection');
    expect(sets(session.design())).toEqual([]);
  });

  it('counts lines that make no sense and goes on', async () => {
    const { set, lines, goTo } = await connected();
    ['?', '1.2,x', ''].forEach((line) => lines.next(line));
    goTo(0.6);
    await set.settle();
    expect(set.text('yu-board-state')).toContain('3 lines not understood');
  });

  it('that says nothing is none', async () => {
    await openBench(fire());
    const board = TestBed.inject(BenchBoard);
    jest.useFakeTimers();
    board.open({ lines: new Subject(), send: () => undefined }, 'board');
    jest.advanceTimersByTime(20_000);
    jest.useRealTimers();
    expect(board.state()).toBe('lost');
    expect(board.said()).toContain('It says nothing');
  });
});

describe('measured sets', () => {
  const opened = async () => {
    const bench = await openBench(fire());
    const set = await showSolved(SetStep);
    await set.press('North-west');
    await set.until(() => TestBed.inject(JudgeView).current() !== undefined);
    await set.settle();
    return { ...bench, set };
  };

  it('tell errors with bounds, and where the line stands best', async () => {
    const { set, session } = await opened();
    expect(set.text('.decide')).toMatch(/Fires on Bench lamp 100 % \(26 of 26, ≥ 89 %\), 66 over/);
    const label = set.all('button').find((b) => b.textContent?.includes('Best line'))?.textContent;
    await set.press(label?.trim() ?? '');
    await set.until(() => set.text('.decide').includes('stands where it costs least'));
    const own = session.design()?.channels.find((c) => c.id === 'northwest');
    // Between the lamp (at most 156) and the weakest flame (215).
    expect(own?.threshold).toBe(185);
  });

  it('weigh a miss against false alarms', async () => {
    const { set, session } = await opened();
    const field = set.find<HTMLInputElement>('.cost input');
    field.value = '20';
    field.dispatchEvent(new Event('change'));
    await set.settle();
    expect(session.design()?.channels[1].missCost).toBe(20);
  });

  it('show what is noticed against what is false', async () => {
    const { set } = await opened();
    await set.press('ROC');
    expect(set.text('.decide')).toContain('noticed against false');
    await set.press('errors');
    expect(set.text('.decide')).toContain('threshold against both errors');
  });

  it('can be shown beside what was rehearsed', async () => {
    const { set } = await opened();
    await set.press('show what was rehearsed');
    expect(set.text('section .heading')).toContain('what was rehearsed');
    await set.press('show what was measured');
    expect(set.text('section .heading')).toContain('what was measured');
  });

  it('are listed with the worst channel first, and settings are copied', async () => {
    const { set, session } = await opened();
    set
      .all('[role=tab]')
      .find((t) => t.textContent?.trim() === 'all channels')
      ?.click();
    await set.settle();
    const names = set.all('yu-margins tbody tr').map((r) => r.children[0].textContent?.trim());
    expect(names).toEqual(['East', 'South-west', 'North-west']);
    session.edit({ type: 'put-channel', channel: { ...fire().channels[1], threshold: 185 } });
    await set.settle();
    set.find<HTMLElement>('yu-margins tbody tr p-button button').click();
    await set.settle();
    expect(session.design()?.channels[0]).toMatchObject({
      id: 'east',
      name: 'East',
      threshold: 185,
    });
  });
});

describe('the panel of a set', () => {
  const panel = async () => {
    const bench = await openBench(fire());
    TestBed.inject(JudgeView).chosen.set('northwest');
    const shown = await show(ReadingsPanel, { id: 'set1' });
    const set = () => bench.session.design()?.readings.find((r) => r.id === 'set1');
    return { ...bench, shown, set };
  };

  it.each([
    ['Name', 'Dark, wet floor', { name: 'Dark, wet floor' }],
    ['It is', 'nuisance', { intent: 'nuisance' }],
    [
      'Surface',
      'white tiles',
      { conditions: { light: 5, temperature: 25, surface: 'white tiles' } },
    ],
  ])('changes %s', async (label, value, expected) => {
    const { shown, set } = await panel();
    await shown.type(label, value);
    expect(set()).toMatchObject(expected);
  });

  it('notes conditions with or without their unit, and gives back what makes no sense', async () => {
    const { shown, set } = await panel();
    const field = shown.find<HTMLInputElement>('yu-conditions-fields input');
    const type = async (text: string) => {
      field.value = text;
      field.dispatchEvent(new Event('change'));
      await shown.settle();
    };
    await type('80 ells');
    expect(set()?.conditions.distance).toBeUndefined();
    await type('80 cm');
    expect(set()?.conditions.distance).toBe(0.8);
    await type('1.2 m');
    expect(set()?.conditions.distance).toBe(1.2);
    await type('');
    expect(set()?.conditions.distance).toBeUndefined();
  });

  it('leaves a reading out with a reason, and takes it in again', async () => {
    const { shown, set } = await panel();
    const reason = shown.find<HTMLInputElement>('.why input');
    reason.value = 'bumped';
    reason.dispatchEvent(new Event('change'));
    const reading = () => shown.all('.list button')[6];
    reading().click();
    await shown.settle();
    expect(set()?.excluded).toEqual([{ at: 6, reason: 'bumped' }]);
    reading().click();
    await shown.settle();
    expect(set()?.excluded).toEqual([]);
  });

  it('removes the set, and undo brings it back', async () => {
    const { shown, set, session, selection } = await panel();
    await shown.press('Remove set');
    expect(set()).toBeUndefined();
    expect(selection.is('channel', 'northwest')).toBe(true);
    session.undo();
    expect(set()).toBeDefined();
  });
});

describe('the steps between reading and answer', () => {
  const panel = async () => {
    const bench = await openBench(fire());
    const shown = await showSolved(ChannelPanel, { id: 'east' });
    return { shown, channel: () => bench.session.design()?.channels[0] };
  };

  it.each([
    [[['Filter', 'median']], { filter: { by: 'median', n: 5 } }],
    [
      [
        ['Filter', 'mean'],
        ['Of the last', '9'],
      ],
      { filter: { by: 'mean', n: 9 } },
    ],
    [[['Stays tripped at least', '2 s']], { stretch: 2 }],
    [[['Locked out after clearing', '500 ms']], { lockOut: 0.5 }],
    [[['Tells rules the opposite', 'yes']], { invert: true }],
  ] as [string[][], object][])('%j', async (typed, expected) => {
    const { shown, channel } = await panel();
    for (const [label, value] of typed) await shown.type(label, value);
    expect(channel()).toMatchObject(expected);
  });

  it('a baseline keeps the level where it is: a count becomes a distance and back', async () => {
    const { shown, channel } = await panel();
    await shown.type('Baseline', 'learnt');
    // At rest it reads 8, and trips above 90.
    expect(channel()).toMatchObject({ threshold: 82, hysteresis: 12 });
    await shown.type('Trips', 'away');
    expect(channel()?.trips).toBe('away');
    await shown.type('Threshold is in', 'per cent');
    expect(channel()?.threshold).toBe(1025);
    await shown.type('Threshold is in', 'counts');
    await shown.type('Baseline', '');
    expect(channel()).toMatchObject({ trips: 'above', threshold: 90, hysteresis: 12 });
    expect(channel()?.baseline).toBeUndefined();
  });

  it('names what was never measured once something was', async () => {
    await openBench(fire());
    const shown = await showSolved(ChannelPanel, { id: 'northwest' });
    await shown.until(() => shown.text().includes('Range used'));
    expect(shown.text()).toContain('No reading in the sun');
    expect(shown.text()).not.toContain('No wanted readings');
  });
});

it('a long record is drawn in few pieces and no peak is lost', () => {
  const series = new Series();
  for (let i = 0; i < 90_000; i++) series.push(i / 25, i === 51_234 ? 900 : i % 7);
  const points = series.extremes(0, 3600, 500);
  expect(points.length).toBeLessThanOrEqual(1002);
  expect(points).toContainEqual({ x: 51_234 / 25, y: 900 });
  expect(points.every((p, i) => i === 0 || p.x >= points[i - 1].x)).toBe(true);
});
