import { kindOf, paramsOf } from '../../catalog/index.js';
import { solveOnce, voltsAt } from '../../circuit/index.js';
import { splitRef, type TerminalRef } from '../../design/index.js';
import {
  Draft,
  elementsOf,
  outputDrive,
  type End,
  type OutputDrive,
  type Wiring,
} from '../../wiring/index.js';
import { allStates, type Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { bridge, into, largest, modeOf, refOf, size, withFix, withWorst } from '../lookup.js';
import { amps, list, volts } from '../words.js';
import { pullUp } from './inputs.js';

const drive = (end: End): OutputDrive | undefined => outputDrive(end.part, end.terminal.id);

/** Where the rest of a net stands with one terminal taken off it; undefined where nothing holds it. */
function without({ design }: Evidence, ref: TerminalRef): number | undefined {
  const draft = new Draft(design);
  const wires = design.wires.filter((w) => w.from === ref || w.to === ref);
  const [first, ...others] = wires.map((w) => (w.from === ref ? w.to : w.from));
  if (first === undefined) return undefined;
  for (const { id } of wires) draft.make({ type: 'remove-wire', id });
  for (const other of others) draft.join(first, other);
  const solution = solveOnce(draft.design);
  const { part, terminal } = splitRef(first);
  return voltsAt(solution, first) ?? solution.parts[part]?.volts[terminal];
}

export const pullUpMissing: Rule = {
  code: 'pull-up-missing',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'An open-collector output without a pull-up',
  bench: 'It can pull low and never goes high: the input behind it reads low for ever, or hum.',
  source:
    'Open-collector outputs only sink current (data sheets of the 393-type and of Hall switches).',
  find: (evidence) => {
    const { wiring } = evidence;
    return wiring.all().flatMap((net) =>
      wiring.ends(net.id).flatMap((end): Found[] => {
        if (drive(end) !== 'open-collector') return [];
        const others = wiring.ends(end.ref).filter((e) => e.part !== end.part);
        const pulled = others.some(
          (e) => modeOf(evidence, e.ref) === 'pull-up' || toSupply(wiring, e),
        );
        if (others.length === 0 || pulled || ownPullUp(end)) return [];
        const at = without(evidence, end.ref);
        const leaksOnly = others.every((e) => e.terminal.role === 'pin');
        if (!leaksOnly && at !== undefined && at > 0.5) return [];
        const pin = others.find((e) => e.terminal.role === 'pin')?.ref;
        const feed = end.kind.feed && refOf(end.part, end.kind.feed.plus);
        return [
          {
            subject: end.ref,
            title: `${end.ref} has no pull-up`,
            reason: `Without ${end.part.name} its net ${leaksOnly || at === undefined ? 'is held by nothing' : `stands at ${volts(at)}`}.`,
            about: [end.part.id, net.id],
            ...withFix(
              pin
                ? pullUp(evidence, pin)
                : feed &&
                    bridge(
                      evidence,
                      'resistor',
                      'Pull-up',
                      { ohms: 10e3 },
                      [feed, end.ref],
                      `Add 10 kΩ from ${feed}`,
                    ),
            ),
          },
        ];
      }),
    );
  },
};

/** Whether a resistor leads from an end to a supply. */
function toSupply(wiring: Wiring, end: End): boolean {
  const far = end.kind.resistance ? wiring.beyond(end) : undefined;
  return far !== undefined && wiring.nature(far) === 'supply';
}

/** Whether a module brings its own pull-up: a resistor inside from the output towards its supply. */
const ownPullUp = (end: End): boolean =>
  elementsOf(end.part).some(
    (e) =>
      e.type === 'resistor' &&
      [e.a, e.b].includes(end.terminal.id) &&
      [e.a, e.b].includes(end.kind.feed?.plus ?? ''),
  );

export const outputsFight: Rule = {
  code: 'outputs-fight',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'Two outputs on one net',
  bench:
    'Where they differ, one drives its full current into the other; both get hot and neither is right.',
  source: 'Kirchhoff’s current law; outputs that drive both ways are not joined (common practice).',
  find: (evidence) =>
    evidence.wiring.all().flatMap((net): Found[] => {
      const ends = evidence.wiring
        .ends(net.id)
        .filter(
          (e) =>
            modeOf(evidence, e.ref) === 'output' || ['logic', 'linear'].includes(drive(e) ?? ''),
        );
      if (ends.length < 2) return [];
      const between = Math.max(
        ...allStates(evidence).flatMap((s) =>
          ends.map((e) => Math.abs(s.solution.parts[e.part.id]?.amps[e.terminal.id] ?? 0)),
        ),
      );
      return [
        {
          subject: net.id,
          title: `${list(ends.map((e) => e.ref))} fight`,
          reason: `They drive one net; up to ${amps(between)} flow between them in the states looked at.`,
          about: [...new Set(ends.map((e) => e.part.id)), net.id],
        },
      ];
    }),
};

export const pinOvercurrent: Rule = {
  code: 'pin-overcurrent',
  severity: 'error',
  consequence: 'burns',
  concern: 'drive',
  title: 'A controller pin that gives more than it may',
  bench: 'The pin sags, later it sticks; the load never gets what it needs.',
  source: 'Absolute maximum current of a pin; 80 % of it for good (common practice).',
  find: (evidence) =>
    evidence.design.controller.pins.flatMap(({ pin, mode }): Found[] => {
      const { part: id, terminal } = splitRef(pin);
      const part = evidence.wiring.part(id);
      const rating = part && kindOf(part).ratings.find((r) => r.into === terminal);
      if (!part || !rating || mode !== 'output') return [];
      const limit = rating.limit(paramsOf(part));
      const worst = largest(evidence, size(into(part, terminal)));
      if (!worst || worst.at.high <= 0.8 * limit) return [];
      return [
        {
          subject: pin,
          severity: worst.at.value > limit ? 'error' : 'caution',
          title: `${pin} gives too much current`,
          reason: `${withWorst(worst, amps)}, of ${amps(limit)}. A transistor, MOSFET or relay board in between takes the load.`,
          about: [part.id, evidence.wiring.net(pin)],
        },
      ];
    }),
};

export const pinsOvercurrent: Rule = {
  code: 'pins-overcurrent',
  severity: 'error',
  consequence: 'burns',
  concern: 'drive',
  title: 'A controller whose pins together give more than it may',
  bench: 'The chip gets hot and resets when several outputs are on together.',
  source: 'Absolute maximum of the sum over all pins.',
  find: (evidence) =>
    evidence.design.parts.flatMap((part): Found[] => {
      const rating = kindOf(part).ratings.find((r) => r.ofAllPins);
      if (!rating) return [];
      const params = paramsOf(part);
      const limit = rating.limit(params);
      const worst = largest(evidence, (s) => {
        const solved = s.parts[part.id];
        return solved && rating.stress(solved, params);
      });
      if (!worst || worst.at.high <= limit) return [];
      return [
        {
          subject: part.id,
          severity: worst.at.value > limit ? 'error' : 'caution',
          title: `The pins of ${part.name} give too much together`,
          reason: `${withWorst(worst, amps)}, of ${amps(limit)}.`,
          about: [part.id],
        },
      ];
    }),
};
