import { kindOf, paramsOf, pinLevel, type Rating } from '../../catalog/index.js';
import { type Part, splitRef, terminalRef, type TerminalRef } from '../../design/index.js';
import { Draft } from '../../wiring/index.js';
import { allStates, voltsIn, type Evidence, type State } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import { bridge, e12, having, modeOf, refOf, withFix } from '../lookup.js';
import { amps, ohms, volts } from '../words.js';

/** Current that the clamps of an input stand for good, A (common practice). */
const harmlessInto = 0.1e-3;
const destroysFrom = 1e-3;

/** Wired inputs of a part that must not stand above its supply, with the rating that says so. */
const guarded = ({ wiring }: Evidence, part: Part): { id: string; rating: Rating }[] =>
  kindOf(part).terminals.flatMap(({ id, role }) => {
    if (!['pin', 'signal-in', 'signal-out'].includes(role) || !wiring.wired(refOf(part, id)))
      return [];
    const rating = kindOf(part).ratings.find(
      (r) => r.across?.from === id && r.limit(paramsOf(part)) <= 0.5,
    );
    return rating ? [{ id, rating }] : [];
  });

export const pinOvervoltage: Rule = {
  code: 'pin-overvoltage',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'A signal above the supply of the input it goes to',
  bench:
    'Current flows through the input’s protection into its supply: the chip latches up or its pin dies.',
  source:
    'Absolute maximum of inputs, 0.3 to 0.5 V above their supply; 1 mA into the clamp (common practice).',
  find: (evidence) =>
    evidence.design.parts.flatMap((part): Found[] => {
      const worst = new Map<string, { above: number; current: number; state: State }>();
      const inputs = guarded(evidence, part);
      for (const state of inputs.length > 0 ? allStates(evidence) : []) {
        const solved = state.solution.parts[part.id];
        if (!solved) continue;
        for (const { id, rating } of inputs) {
          const above = rating.stress(solved, paramsOf(part));
          const current = solved.amps[id] ?? 0;
          const over = above > rating.limit(paramsOf(part)) && current > harmlessInto;
          if (over && above > (worst.get(id)?.above ?? 0)) worst.set(id, { above, current, state });
        }
      }
      const pulsed = pulsesAbove(evidence, part).filter(
        ({ subject }) => !worst.has(splitRef(subject).terminal),
      );
      return [
        ...pulsed,
        ...[...worst].map(([id, { above, current, state }]): Found => {
          const ref = refOf(part, id);
          const at = voltsIn(state, ref) ?? 0;
          const fix = divider(evidence, ref, at - above);
          return {
            subject: ref,
            severity: current > destroysFrom ? 'error' : 'caution',
            title: `${ref} is driven above its supply`,
            reason: `It stands at ${volts(at)} ${state.when}, ${volts(above)} above what ${part.name} runs on, and takes ${amps(current)}.`,
            about: [part.id, evidence.wiring.net(ref)],
            ...withFix(fix),
          };
        }),
      ];
    }),
};

/** Pins that an output reaches whose pulses the steady state does not show, and which is fed more than the board. */
function pulsesAbove(evidence: Evidence, part: Part): Found[] {
  const { inputs, terminals } = kindOf(part);
  const solved = evidence.quiet.solution.parts[part.id];
  if (!inputs || !solved) return [];
  const supply = inputs.supply(solved);
  return terminals
    .filter((t) => t.role === 'pin')
    .map((t) => refOf(part, t.id))
    .filter((ref) => evidence.wiring.wired(ref))
    .flatMap((ref) =>
      evidence.wiring.ends(ref).flatMap((end): Found[] => {
        const high =
          end.terminal.highAt && voltsIn(evidence.quiet, refOf(end.part, end.terminal.highAt));
        if (!high || high <= supply + 0.5) return [];
        return [
          {
            subject: ref,
            title: `${ref} is driven above its supply`,
            reason: `Pulses of ${end.part.name} reach ${volts(high)}; ${part.name} runs on ${volts(supply)}.`,
            about: [part.id, end.part.id],
            ...withFix(divider(evidence, ref, supply)),
          },
        ];
      }),
    );
}

/** A divider in front of an input, from the highest voltage about down to the input's supply. */
function divider(evidence: Evidence, ref: TerminalRef, supply: number): Fix | undefined {
  const ground = evidence.wiring.ground();
  const source = sourceVolts(evidence, ref);
  if (!ground || !(source > supply) || !(supply > 0.5)) return undefined;
  const upper = e12((10e3 * (source - 0.95 * supply)) / (0.95 * supply), 'above');
  const draft = new Draft(evidence.design);
  const top = draft.add('resistor', 'Divider, upper', { ohms: upper });
  draft.rewire(ref, terminalRef(top, 'a')).join(terminalRef(top, 'b'), ref);
  draft.between('resistor', 'Divider, lower', { ohms: 10e3 }, ref, ground);
  return {
    label: `Divide by ${ohms(upper)} over ${ohms(10e3)}`,
    edit: draft.edit('add divider'),
  };
}

/** What a net can rise to: the supply of whatever drives it, else the highest voltage of the design. */
function sourceVolts({ wiring, quiet }: Evidence, ref: TerminalRef): number {
  const driver = wiring
    .ends(ref)
    .find((e) => e.ref !== ref && e.kind.feed && e.terminal.role === 'signal-out');
  const fed = driver?.kind.feed && voltsIn(quiet, refOf(driver.part, driver.kind.feed.plus));
  return fed ?? Math.max(...quiet.solution.nets.map((n) => n.volts ?? 0));
}

export const pinBelowGround: Rule = {
  code: 'pin-below-ground',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'A signal below ground at an input',
  bench: 'The input’s substrate diode conducts: readings of other pins jump, and the pin may die.',
  source: 'Absolute maximum of inputs, 0.3 V below ground.',
  find: (evidence) =>
    evidence.design.parts.flatMap((part): Found[] => {
      const inputs = kindOf(part)
        .terminals.filter((t) => t.role === 'pin' || t.role === 'signal-in')
        .filter((t) => evidence.wiring.wired(refOf(part, t.id)));
      const ground = evidence.wiring.terminalWith(part, 'ground');
      if (!ground || kindOf(part).stage === 'drives') return [];
      return inputs.flatMap(({ id }): Found[] => {
        const ref = refOf(part, id);
        const low = allStates(evidence)
          .map((state) => ({
            state,
            at: (voltsIn(state, ref) ?? 0) - (voltsIn(state, ground) ?? 0),
          }))
          .sort((a, b) => a.at - b.at)[0];
        if (!low || low.at > -0.3) return [];
        return [
          {
            subject: ref,
            title: `${ref} is pulled below ground`,
            reason: `It stands at ${volts(low.at)} ${low.state.when}; inputs stand 0.3 V below ground at most.`,
            about: [part.id, evidence.wiring.net(ref)],
          },
        ];
      });
    }),
};

/** Channels that read their pin as high or low. */
const levelPins = (evidence: Evidence): TerminalRef[] => {
  const pins = evidence.design.channels.map((c) => c.pin);
  return [...new Set(pins)].filter((p) => ['input', 'pull-up'].includes(modeOf(evidence, p) ?? ''));
};

export const inputUndecided: Rule = {
  code: 'input-undecided',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'wiring',
  title: 'A digital input between low and high',
  bench: 'It reads the one or the other as it pleases, and differently on the next board.',
  source: 'Input thresholds of the controller as shares of its supply.',
  find: (evidence) =>
    levelPins(evidence).flatMap((pin): Found[] => {
      const owner = evidence.wiring.owner(pin);
      const { inputs } = owner ? kindOf(owner) : {};
      if (!owner || !inputs) return [];
      const found = allStates(evidence).find((state) => {
        const at = voltsIn(state, pin);
        const solved = state.solution.parts[owner.id];
        return (
          at !== undefined && solved && pinLevel(evidence.design, pin, at, solved) === 'either'
        );
      });
      const solved = found?.solution.parts[owner.id];
      if (!found || !solved) return [];
      const supply = inputs.supply(solved);
      const [low, high] = [inputs.low, inputs.high].map((of) =>
        volts(of(paramsOf(owner)) * supply),
      );
      return [
        {
          subject: pin,
          title: `${pin} is neither low nor high`,
          reason: `It stands at ${volts(voltsIn(found, pin) ?? 0)} ${found.when}; low is below ${low}, high above ${high}.`,
          about: [owner.id, evidence.wiring.net(pin)],
        },
      ];
    }),
};

/** Seen into the circuit above this, a digital input follows every hand that comes near, Ω (common practice). */
const floating = 1e6;

export const inputFloating: Rule = {
  code: 'input-floating',
  severity: 'error',
  consequence: 'cries wolf',
  concern: 'wiring',
  title: 'A digital input that nothing holds',
  bench: 'It picks up hum and hands: presses appear that nobody made.',
  source: 'Resistance seen into the solved circuit at the pin; 1 MΩ (common practice).',
  find: (evidence) =>
    levelPins(evidence).flatMap((pin): Found[] => {
      const seen = evidence.seen(pin);
      if (modeOf(evidence, pin) === 'pull-up' || seen === undefined || seen < floating) return [];
      return [
        {
          subject: pin,
          title: `Nothing holds ${pin}`,
          reason: `At rest ${ohms(seen)} are seen at it.`,
          about: [splitRef(pin).part, evidence.wiring.net(pin)],
          ...withFix(pullUp(evidence, pin)),
        },
      ];
    }),
};

/** The pin's own pull-up where it has one, else a resistor to the board's supply. */
export function pullUp(evidence: Evidence, pin: TerminalRef): Fix | undefined {
  const end = evidence.wiring.end(pin);
  if (end?.terminal.modes?.includes('pull-up')) {
    return {
      label: `Set ${pin} to pull-up`,
      edit: { type: 'set-pin', pin, mode: 'pull-up' },
    };
  }
  const supply = end && evidence.wiring.terminalWith(end.part, 'supply-out', 'supply-in');
  if (!supply) return undefined;
  const label = `Add 10 kΩ from ${supply}`;
  return bridge(evidence, 'resistor', 'Pull-up', { ohms: 10e3 }, [supply, pin], label);
}

export const gateFloating: Rule = {
  code: 'gate-floating',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'drive',
  title: 'A MOSFET gate that floats while the controller starts',
  bench:
    'At power-on, and while firmware is loaded, the load comes on by itself or half on, and the part gets hot.',
  source: 'Pins are inputs after reset; 10 to 100 kΩ from gate to source (common practice).',
  find: (evidence) =>
    having(evidence, 'mosfet').flatMap(({ part, has: mosfet }): Found[] => {
      const [gate, source] = [refOf(part, mosfet.gate), refOf(part, mosfet.source)];
      const seen = evidence.seen(gate);
      if (!evidence.wiring.wired(gate) || seen === undefined || seen < floating) return [];
      return [
        {
          subject: part.id,
          title: `The gate of ${part.name} is held by nothing but a pin`,
          reason: `With every pin an input, ${ohms(seen)} are seen at ${gate}.`,
          about: [part.id],
          fix: bridge(
            evidence,
            'resistor',
            'Gate pull-down',
            { ohms: 100e3 },
            [gate, source],
            'Add 100 kΩ to its source',
          ),
        },
      ];
    }),
};
