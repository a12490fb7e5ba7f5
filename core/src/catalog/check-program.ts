import { kindOfCondition } from '../condition/index.js';
import {
  everyCondition,
  type Amount,
  type Condition,
  type Design,
  type Drive,
  type Machine,
  type Rule,
} from '../design/index.js';

type Report = (place: string, reason: string, cure: string) => void;

/** What a program may name, by the field that names it. */
type Names = Readonly<Record<string, { what: string; ids: ReadonlySet<string> }>>;

/** Holds what runs on the controller against itself: names that lead nowhere, times that contradict each other. */
export function checkProgram(design: Design, report: Report): void {
  const names = namesIn(design);
  const seek = (place: string, value: object): void => checkNames(names, place, value, report);
  for (const [place, condition] of everyCondition(design)) {
    seek(place, condition);
    checkCondition(design, place, condition, report);
  }
  design.rules.forEach((rule, i) => {
    const place = `rules[${i}] (${rule.id})`;
    rule.then.forEach((act, n) => seek(`${place}.then[${n}]`, act));
    for (const act of rule.then)
      if (act.do === 'drive') checkDrive(`${place}.then`, act.drive, seek);
    checkTimes(place, rule, report);
  });
  design.machines.forEach((m, i) => checkMachine(names, `machines[${i}] (${m.id})`, m, report));
  design.counters.forEach(({ id, least, most, start }, i) => {
    if (least <= start && start <= most) return;
    const reason = `It begins at ${start} and goes from ${least} to ${most}`;
    report(`counters[${i}] (${id})`, reason, 'Let it begin between the two.');
  });
  checkSequences(design, seek, report);
  design.notices.forEach(({ id, tells, heartbeat = Infinity, gap = 0 }, i) => {
    const place = `notices[${i}] (${id})`;
    seek(`${place}.tells`, tells);
    if (heartbeat >= gap) return;
    const reason = `It is to be sent every ${heartbeat} s and not more often than every ${gap} s`;
    report(place, reason, 'Lengthen the heartbeat or shorten the gap.');
  });
  checkStarts(design, report);
}

const namesIn = (design: Design): Names =>
  Object.fromEntries(
    (
      [
        ['channel', 'channel', design.channels],
        ['counter', 'counter', design.counters],
        ['machine', 'mode chart', design.machines],
        ['rule', 'rule', design.rules],
        ['sequence', 'sequence', design.sequences],
        ['output', 'output', design.outputs],
      ] as const
    ).map(([field, what, list]) => [field, { what, ids: new Set(list.map((x) => x.id)) }]),
  );

function checkNames(names: Names, place: string, value: object, report: Report): void {
  for (const [field, { what, ids }] of Object.entries(names)) {
    const id = (value as Record<string, unknown>)[field];
    if (typeof id === 'string' && !ids.has(id))
      report(place, `There is no ${what} ${id}`, `Name a ${what} of this design.`);
  }
}

function checkCondition(design: Design, place: string, condition: Condition, report: Report): void {
  if ('machine' in condition) {
    const machine = design.machines.find((m) => m.id === condition.machine);
    if (machine && !machine.modes.some((m) => m.id === condition.mode))
      report(place, `${machine.id} has no mode ${condition.mode}`, 'Name one of its modes.');
  }
  const every = (channel: string): number =>
    design.channels.find((c) => c.id === channel)?.every ?? Infinity;
  const slip = kindOfCondition(condition).slip?.(condition, every);
  if (slip) report(place, slip.reason, slip.cure);
}

function checkTimes(place: string, rule: Rule, report: Report): void {
  const { atLeast = 0, atMost = Infinity, latch, once, hold } = rule;
  if (atMost < atLeast)
    report(place, `It is active at least ${atLeast} s and at most ${atMost} s`, 'Swap the two.');
  if (once && !(hold > 0))
    report(`${place}.hold`, 'Once, for no time, is never', 'Give it a time to hold.');
  if (once && latch)
    report(place, 'It ends after its hold and is latched as well', 'Leave out one of the two.');
}

function checkMachine(names: Names, place: string, machine: Machine, report: Report): void {
  const has = (mode: string): boolean => machine.modes.some((m) => m.id === mode);
  const ids = machine.modes.map((m) => m.id);
  const twice = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twice !== undefined)
    report(`${place}.modes`, `Two modes have the id ${twice}`, 'Give one of them another id.');
  if (!has(machine.start))
    report(
      `${place}.start`,
      `It has no mode ${machine.start}`,
      'Let it begin in one of its modes.',
    );
  machine.transitions.forEach(({ from, to, then = [] }, i) => {
    const at = `${place}.transitions[${i}]`;
    for (const mode of [from, to])
      if (mode !== undefined && !has(mode))
        report(at, `It has no mode ${mode}`, 'Lead from and to modes that it has.');
    if (from === to) report(at, 'It leads back to where it begins', 'Lead it to another mode.');
    for (const act of then) checkNames(names, `${at}.then`, act, report);
  });
}

type Seek = (place: string, value: object) => void;

function checkSequences(design: Design, seek: Seek, report: Report): void {
  design.sequences.forEach(({ id, length, lanes }, i) => {
    const place = `sequences[${i}] (${id})`;
    lanes.forEach((lane, n) => {
      const at = `${place}.lanes[${n}]`;
      seek(at, lane);
      if (lanes.findIndex((l) => l.output === lane.output) < n)
        report(at, `${lane.output} has a lane already`, 'Put its blocks on one lane.');
      if (lane.ambient) checkDrive(`${at}.ambient`, lane.ambient, seek);
      for (const [b, block] of lane.blocks.entries()) {
        checkDrive(`${at}.blocks[${b}]`, block.drive, seek);
        if (block.start + block.length <= length + 1e-9) continue;
        const reason = `It ends at ${block.start + block.length} s, the sequence at ${length} s`;
        report(`${at}.blocks[${b}]`, reason, 'Shorten the block or lengthen the sequence.');
      }
    });
  });
}

function checkDrive(place: string, drive: Drive, seek: Seek): void {
  const amount: Amount | object | undefined =
    drive.as === 'level' ? drive.level : drive.as === 'pattern' ? drive.times : undefined;
  if (typeof amount === 'object') seek(place, amount);
}

function checkStarts(design: Design, report: Report): void {
  const names = {
    ...namesIn(design),
    part: { what: 'part', ids: new Set(design.parts.map((p) => p.id)) },
    notice: { what: 'notice', ids: new Set(design.notices.map((n) => n.id)) },
  };
  design.scenes.forEach(({ id, modes = {}, happenings }, i) => {
    for (const happening of happenings)
      for (const sign of happening.signs ?? [])
        checkNames(names, `scenes[${i}] (${id}) ${happening.id}.signs`, sign, report);
    for (const [machine, mode] of Object.entries(modes)) {
      const found = design.machines.find((m) => m.id === machine);
      if (found?.modes.some((m) => m.id === mode)) continue;
      const reason = found ? `${machine} has no mode ${mode}` : `There is no mode chart ${machine}`;
      report(`scenes[${i}] (${id}).modes`, reason, 'Let it begin in a mode of this design.');
    }
  });
}
