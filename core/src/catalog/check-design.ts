import { splitRef, type Design, type Part, type TerminalRef } from '../design/index.js';
import { findKind } from './catalog.js';
import { checkProgram } from './check-program.js';
import { checkParam } from './check-param.js';
import { readoutOf } from './part-readout.js';

/** Something a document says that cannot stand, or is doubtful: where, why, and what to do. */
export interface Problem {
  /** Place in the document, for example "parts[3] (R2)". */
  place: string;
  reason: string;
  cure: string;
  severity: 'refuse' | 'doubt';
}

/**
 * Holds a well-formed document against the catalogue and against itself: unknown kinds, parameters
 * out of range, duplicate ids, wires and pins that lead nowhere.
 *
 * @returns problems in document order; none for a sound design
 */
export function checkDesign(design: Design): Problem[] {
  const problems: Problem[] = [];
  const report = (place: string, reason: string, cure: string): void => {
    problems.push({ place, reason, cure, severity: 'refuse' });
  };
  checkIds(design, report);
  problems.push(...design.parts.flatMap(partProblems));
  checkEnds(design, report);
  problems.push(...design.parts.flatMap((part, i) => armProblems(design, part, i)));
  checkGroups(design, report);
  checkChannels(design, report);
  checkProgram(design, report);
  return problems;
}

type Report = (place: string, reason: string, cure: string) => void;

function checkIds(design: Design, report: Report): void {
  const lists = {
    parts: design.parts,
    wires: design.wires,
    groups: design.groups,
    channels: design.channels,
    outputs: design.outputs,
    counters: design.counters,
    machines: design.machines,
    rules: design.rules,
    sequences: design.sequences,
    notices: design.notices,
    scenes: design.scenes,
    readings: design.readings,
    ...Object.fromEntries(
      design.scenes.map((s, i) => [`scenes[${i}].happenings`, s.happenings] as const),
    ),
  };
  for (const [list, items] of Object.entries(lists)) {
    const first = new Map<string, number>();
    items.forEach(({ id }, i) => {
      const earlier = first.get(id);
      if (earlier === undefined) first.set(id, i);
      else
        report(
          `${list}[${i}] (${id})`,
          `The id ${id} is already used by ${list}[${earlier}]`,
          'Give one of the two another id.',
        );
    });
  }
}

function partProblems(part: Part, index: number): Problem[] {
  const place = `parts[${index}] (${part.id})`;
  const kind = findKind(part.kind);
  if (!kind) {
    const reason = `There is no part kind "${part.kind}"`;
    const cure = 'Use a kind that "yurei catalog" lists, or remove the part and its wires.';
    return [{ place, reason, cure, severity: 'refuse' }];
  }
  return Object.entries(part.params).flatMap(([id, value]): Problem[] => {
    const param = kind.params.find((p) => p.id === id);
    const at = `${place}.params.${id}`;
    if (!param) {
      const cure = `Use ${kind.params.map((p) => p.id).join(', ')}, or leave it out.`;
      const reason = `${kind.label} has no parameter "${id}"`;
      return [{ place: at, reason, cure, severity: 'refuse' }];
    }
    const verdict = checkParam(param, value);
    if (verdict.verdict === 'fine') return [];
    return [{ place: at, reason: verdict.reason, cure: verdict.cure, severity: verdict.verdict }];
  });
}

/** What a part is said to be fixed to has to have an arm. */
function armProblems({ parts }: Design, part: Part, index: number): Problem[] {
  const { on } = part.place ?? {};
  const arm = parts.find((p) => p.id === on);
  if (on === undefined || (arm && findKind(arm.kind)?.arm)) return [];
  const place = `parts[${index}] (${part.id}).place.on`;
  const reason = arm ? `${arm.name} has no arm that turns` : `There is no part ${on}`;
  return [{ place, reason, cure: 'Name a servo, or leave it out.', severity: 'doubt' }];
}

function checkEnds(design: Design, report: Report): void {
  const parts = new Map(design.parts.map((p) => [p.id, p]));
  const check = (place: string, ref: TerminalRef): void => {
    const { part: id, terminal } = splitRef(ref);
    const part = parts.get(id);
    if (!part) {
      report(
        place,
        `"${ref}" leads to no part: there is no ${id}`,
        'Connect it to a part that exists, or remove it.',
      );
      return;
    }
    const kind = findKind(part.kind);
    if (kind && !kind.terminals.some((t) => t.id === terminal)) {
      const names = kind.terminals.map((t) => t.id).join(', ');
      report(
        place,
        `${kind.label} ${id} has no terminal "${terminal}"`,
        `Its terminals are ${names}.`,
      );
    }
  };
  design.wires.forEach((w, i) => {
    check(`wires[${i}] (${w.id}).from`, w.from);
    check(`wires[${i}] (${w.id}).to`, w.to);
    if (w.from === w.to)
      report(`wires[${i}] (${w.id})`, 'Both ends are the same terminal', 'Remove it.');
  });
  design.controller.pins.forEach((p, i) => check(`controller.pins[${i}].pin`, p.pin));
  design.channels.forEach((c, i) => {
    if (!readoutOf(design, c.pin)) check(`channels[${i}] (${c.id}).pin`, c.pin);
  });
  design.outputs.forEach((o, i) => check(`outputs[${i}] (${o.id}).pin`, o.pin));
}

function checkGroups(design: Design, report: Report): void {
  const known = new Set(design.parts.map((p) => p.id));
  const taken = new Map<string, string>();
  design.groups.forEach((group, i) => {
    const place = `groups[${i}] (${group.id}).parts`;
    for (const id of group.parts) {
      const other = taken.get(id);
      if (!known.has(id))
        report(place, `There is no part ${id}`, 'Name a part of this design, or leave it out.');
      else if (other !== undefined)
        report(place, `${id} is in the group ${other} already`, 'Leave it in one of the two.');
      taken.set(id, group.id);
    }
  });
}

function checkChannels(design: Design, report: Report): void {
  design.channels.forEach((channel, i) => {
    const place = `channels[${i}] (${channel.id})`;
    if (channel.trips === 'away' && !channel.baseline)
      report(
        `${place}.trips`,
        'It trips away from a baseline and has none',
        'Give it a baseline, or let it trip above or below a count.',
      );
    if ((channel.powerUp ?? 0) > channel.every)
      report(
        `${place}.powerUp`,
        `It powers sensors for ${channel.powerUp} s before each reading and reads every ${channel.every} s`,
        'Read less often, or power them for a shorter time.',
      );
  });
  design.readings.forEach((set, i) => {
    const place = `readings[${i}] (${set.id})`;
    if (!design.channels.some((c) => c.id === set.channel))
      report(`${place}.channel`, `There is no channel ${set.channel}`, 'Name one of this design.');
    if (set.excluded.some((x) => x.at >= set.counts.length))
      report(
        `${place}.excluded`,
        `A reading is left out that is not there: it has ${set.counts.length}`,
        'Leave that exclusion out.',
      );
  });
}
