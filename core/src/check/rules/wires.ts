import { kindOf, paramsOf } from '../../catalog/index.js';
import { splitRef, type TerminalRef, type Wire } from '../../design/index.js';
import { Draft, potentials, wireAmps, wireOhms } from '../../wiring/index.js';
import { mainStates, voltsIn, type Evidence, type State } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { formatNominal, toDigits } from '../../quantity/index.js';
import { amps, percent, volts } from '../words.js';

/** Copper areas that are sold, m² (IEC 60228 and hook-up wire). */
const gauges = [0.14, 0.22, 0.34, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10].map((mm2) => mm2 * 1e-6);
const mm2 = (area: number): string => `${toDigits(area * 1e6, 3)} mm²`;

/** The current in a wire and the state in which it is largest. */
function heaviest(evidence: Evidence, wire: Wire): { at: number; state: State } {
  return mainStates(evidence)
    .map((state) => ({ at: Math.abs(state.solution.wires[wire.id] ?? 0), state }))
    .reduce((a, b) => (b.at > a.at ? b : a));
}

export const wireThin: Rule = {
  code: 'wire-thin',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'A wire too thin for its current',
  bench: 'Its insulation softens; in a bundle it takes its neighbours with it.',
  source: '6 A/mm² for hook-up wire in a bundle (common practice).',
  find: (evidence) =>
    evidence.design.wires.flatMap((wire): Found[] => {
      const carries = wireAmps(wire);
      const { at, state } = heaviest(evidence, wire);
      if (carries === undefined || at <= carries) return [];
      const gauge = gauges.find((g) => (wireAmps({ ...wire, gauge: g }) ?? 0) >= 1.25 * at);
      return [
        {
          subject: wire.id,
          title: `The wire ${wire.from} – ${wire.to} is too thin`,
          reason: `It carries ${amps(at)} ${state.when}; ${mm2(wire.gauge ?? 0)} are good for ${amps(carries)}.`,
          about: [wire.id],
          ...(gauge === undefined
            ? {}
            : {
                fix: {
                  label: `Take ${mm2(gauge)}`,
                  edit: { type: 'set-wire', id: wire.id, fields: { gauge } },
                },
              }),
        },
      ];
    }),
};

/** Of what is fed, this much may be lost on the way (common practice). */
const mostDrop = 0.05;

export const wireDrop: Rule = {
  code: 'wire-drop',
  severity: 'caution',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'Volts lost along a wire',
  bench: 'The lamp is dim, the relay hesitates, the sounder is quieter than on the bench.',
  source: 'ρ·l/A of copper (IEC 60028) times the solved current; 5 % (common practice).',
  find: (evidence) =>
    evidence.design.wires.flatMap((wire): Found[] => {
      const { at, state } = heaviest(evidence, wire);
      const drop = at * wireOhms(wire);
      const fed = Math.abs(voltsIn(state, wire.from) ?? 0) || largest(state);
      if (drop <= mostDrop * fed || drop < 0.05) return [];
      const gauge = gauges.find((g) => at * wireOhms({ ...wire, gauge: g }) < 0.6 * mostDrop * fed);
      return [
        {
          subject: wire.id,
          title: `${volts(drop)} are lost along ${wire.from} – ${wire.to}`,
          reason: `${amps(at)} ${state.when} over ${formatNominal(wire.length ?? 0, 'm')}: ${percent(drop / fed)} of ${volts(fed)}.`,
          about: [wire.id],
          ...(gauge === undefined
            ? {}
            : {
                fix: {
                  label: `Take ${mm2(gauge)}`,
                  edit: { type: 'set-wire', id: wire.id, fields: { gauge } },
                },
              }),
        },
      ];
    }),
};

const largest = (state: State): number =>
  Math.max(...state.solution.nets.map((n) => Math.abs(n.volts ?? 0)));

export const wireShared: Rule = {
  code: 'wire-shared',
  severity: 'caution',
  consequence: 'cries wolf',
  concern: 'wiring',
  title: 'A load and a sensor share a wire',
  bench: 'When the load switches on, the reading jumps; near the threshold it switches off again.',
  source:
    'Solved wire currents times wire resistance, at rest and fired; star grounding (common practice).',
  find: (evidence) => {
    const { design, wiring, quiet, fired } = evidence;
    const boards = new Set(design.channels.map((c) => splitRef(c.pin).part));
    return wiring.all().flatMap((net): Found[] => {
      if (net.nature === 'signal') return [];
      const board = net.terminals.find((t) => boards.has(splitRef(t).part));
      if (!board) return [];
      const before = potentials(net, quiet.solution.wires);
      const after = potentials(net, fired.solution.wires);
      const step = step1(evidence, board);
      return wiring
        .ends(net.id)
        .filter((e) => e.kind.stage === 'feels')
        .flatMap(({ ref, part }) => {
          const gap = (at: Map<TerminalRef, number>): number =>
            (at.get(ref) ?? 0) - (at.get(board) ?? 0);
          const shift = Math.abs(gap(after) - gap(before));
          if (!(shift > 2 * step)) return [];
          return [
            {
              subject: ref,
              title: `${part.name} shares a wire with a load`,
              reason: `Between ${ref} and ${board} the volts move by ${volts(shift)} when the outputs switch on: ${Math.round(shift / step)} counts.`,
              about: [part.id, net.id],
              fix: {
                label: `A wire of its own from ${ref} to ${board}`,
                edit: ownWire(evidence, ref, board),
              },
            },
          ];
        });
    });
  },
};

/** One count of the board's converter, V. */
function step1({ design, quiet }: Evidence, ref: TerminalRef): number {
  const part = design.parts.find((p) => p.id === splitRef(ref).part);
  const { converter } = part ? kindOf(part) : {};
  const solved = part && quiet.solution.parts[part.id];
  if (!part || !converter || !solved) return 5e-3;
  const params = paramsOf(part);
  return converter.reference(solved, params) / (2 ** converter.bits(params) - 1);
}

/** Takes the sensor off the shared wire: what hung on its terminal hangs on the board's from now on. */
function ownWire({ design }: Evidence, ref: TerminalRef, board: TerminalRef) {
  const draft = new Draft(design);
  const own = design.wires.filter((w) => w.from === ref || w.to === ref);
  for (const wire of own) {
    draft.make({ type: 'remove-wire', id: wire.id });
    const far = wire.from === ref ? wire.to : wire.from;
    if (far !== board && own.length > 1)
      draft.join(board, far, { colour: wire.colour, length: wire.length, gauge: wire.gauge });
  }
  return draft.join(board, ref, { length: own[0]?.length, gauge: own[0]?.gauge }).edit('own wire');
}
