/** What boards have told, as a log takes it: against the compiled programs themselves, and line by line. */
import type { Design } from '../design/index.js';
import { writeLogCsv } from '../exchange/index.js';
import { eightBitBoard, type Course } from '../firmware/index.js';
import { followCourse } from '../firmware/proof/course.js';
import { onEightBitBoard } from '../firmware/testing/boards-on.js';
import { tellOnHost } from '../firmware/testing/host.js';
import { randomJobs } from '../firmware/testing/random-jobs.js';
import type { LogicEvent } from '../logic/index.js';
import { demo } from '../testing/demo.js';
import { calledIn, eventOf, logged, noLog, readLog, summaryOf, type BoardEvent } from './index.js';

type Happened = Pick<BoardEvent, 't' | 'kind' | 'what'> & { id?: string };

/**
 * What the rehearsed logic brings about in a course, as a board would tell it; of modes what stands after a pass. Undefined where it
 * goes round in a circle.
 */
function happenedIn(design: Design, course: Course): Happened[] | undefined {
  const all: Happened[] = [];
  const { circles } = followCourse(design, course, (t, events) => {
    const pass = events.flatMap((e) => tellable(design, e)).map((e) => ({ t, ...e }));
    const last = (event: Happened): boolean =>
      event === pass.filter((e) => e.kind === 'mode' && e.id === event.id).at(-1);
    all.push(...pass.filter((e) => e.kind !== 'mode' || last(e)));
  });
  return circles === undefined ? all : undefined;
}

function tellable(design: Design, event: LogicEvent): Omit<Happened, 't'>[] {
  const { kind } = event;
  const named = (machine: string, mode: string): string =>
    design.machines.find((m) => m.id === machine)?.modes.find((m) => m.id === mode)?.name ?? '';
  if (kind === 'rule') return [{ kind, id: event.id, what: event.begins ? 'begins' : 'ends' }];
  if (kind === 'mode') return [{ kind, id: event.id, what: named(event.id, event.to) }];
  if (kind !== 'notice') return [];
  const tells = design.notices.find((n) => n.id === event.id)?.tells;
  const what = tells?.tell === 'mode' ? named(tells.machine, event.told) : event.told;
  return [{ kind, id: event.id, what }];
}

/** Within a pass rules, modes and notices are told in an order of their own; numbers in as many digits as the board has. */
const comparable = (events: readonly Happened[]): string[] =>
  events.map(({ t, kind, id, what }) => `${t.toFixed(3)} ${kind} ${id}: ${rounded(what)}`).sort();
const rounded = (what: string): string =>
  /^-?\d+(\.\d+)?$/.test(what) ? Number(what).toFixed(1) : what;

it('takes all that compiled programs tell: what was rehearsed, at the same times, by the same names', () => {
  const asked = { programs: 40, each: 1, length: 4000 };
  const jobs = randomJobs(onEightBitBoard, eightBitBoard, asked);
  const told = tellOnHost(jobs);
  let many = 0;
  for (const [i, { design, courses }] of jobs.entries()) {
    const lines = told[i];
    const expected = happenedIn(design, courses[0]);
    if (!expected) continue;
    const { events } = lines.length === 0 ? noLog : readLog(lines.join('\n'), design);
    expect([i, comparable(events)]).toEqual([i, comparable(expected)]);
    many += events.length;
  }
  expect(many).toBeGreaterThan(500);
});

/** One rule, one chart, two notices of one name, and one whose name has a colon in it. */
const design: Design = {
  ...demo('slipway-beam'),
  machines: [{ id: 'm1', name: 'Guard', start: 'a', modes: [], transitions: [] }],
  notices: ['Tide', 'Tide', 'Gate', 'Gate: north'].map((name, i) => ({
    ...{ id: `n${i}`, name },
    tells: { tell: 'counter', counter: 'k' },
  })),
};
const called = calledIn(design);

it.each<[string, Partial<BoardEvent> | undefined]>([
  ['event 12.040 rule r1: begins', { t: 12.04, kind: 'rule', of: 'r1', id: 'r1', what: 'begins' }],
  ['event 0 mode Guard: Armed: all', { kind: 'mode', of: 'Guard', id: 'm1', what: 'Armed: all' }],
  // The longest name that fits.
  ['event 1 notice Gate: north: 3', { of: 'Gate: north', id: 'n3', what: '3' }],
  ['event 1 notice Gate: south: 3', { of: 'Gate', id: 'n2', what: 'south: 3' }],
  // Called by two, and by none.
  ['event 1 notice Tide: 3', { of: 'Tide', id: undefined, what: '3' }],
  ['event 1 rule r9: begins', { of: 'r9', id: undefined }],
  ['event 1 notice : 3', undefined],
  ['event -1 rule r1: begins', undefined],
  ['event 1e5 rule r1: begins', undefined],
  ['event 1 horn r1: begins', undefined],
  ['test Sounder', undefined],
])('%s', (said, event) => {
  const taken = eventOf(said, called);
  if (event) expect({ id: undefined, ...taken }).toMatchObject(event);
  else expect(taken).toBeUndefined();
});

const kept = [
  '2026-11-30 09:00:01 # event 1.000 rule r1: begins',
  'time,A0',
  '1.1,512',
  '# event 3.500 rule r1: ends',
  '# event 9.000 rule r1: begins',
  // Begun anew: what was on when power failed has no end.
  '\u0000# event 0.500 rule r1: begins',
  '# event 0.750 rule r1: ends',
  '# event 2.000 notice Gate: =1+1',
].join('\r\n');

it('a file of a terminal is read line by line, by runs, and counted', () => {
  const log = readLog(kept, design);
  expect(log).toMatchObject({ runs: 2, others: 2, gone: 0 });
  expect(log.events.map(({ run }) => run)).toEqual([1, 1, 1, 2, 2, 2]);
  expect(summaryOf(log).map(({ of, times, active }) => [of, times, active])).toEqual([
    ['r1', 3, 2.75],
    ['Gate', 1, undefined],
  ]);
  expect(writeLogCsv(log).split('\r\n').slice(0, 2)).toEqual([
    'run,seconds,kind,of,what',
    '1,1,rule,r1,begins',
  ]);
  // No spreadsheet runs what a board tells.
  expect(writeLogCsv(log)).toContain("2,2,notice,Gate,'=1+1");
});

it('what is heard line by line makes the same log', () => {
  const { events, runs } = readLog(kept, design);
  expect(events.reduce((log, { run: _, ...event }) => logged(log, event), noLog)).toEqual({
    ...{ events, runs, gone: 0 },
  });
});

it('a file without an event is refused with what one looks like', () => {
  expect(() => readLog('time,A0\n1,2\n', design)).toThrow(/None of 2 lines is an event, as/);
  expect(() => readLog('', design)).toThrow(/None of 0 lines/);
});
