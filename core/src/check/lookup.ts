import { kindOf, paramsOf, type Facets, type Params } from '../catalog/index.js';
import type { Solution } from '../circuit/index.js';
import { terminalRef, type Part, type TerminalRef } from '../design/index.js';
import { formatNominal, preferredValues, type Unit } from '../quantity/index.js';
import { branchOf, Draft, elementsOf, type End, type Wiring } from '../wiring/index.js';
import {
  everyState,
  mainStates,
  range,
  type Evidence,
  type Range,
  type State,
} from './evidence.js';
import type { Fix } from './finding.js';

/** Something read off a solution. */
export type Reading = (solution: Solution) => number | undefined;

/** Volts from one terminal of a part to another. */
export const across =
  (part: Part, plus: string, minus: string): Reading =>
  (solution) => {
    const volts = solution.parts[part.id]?.volts;
    return volts && (volts[plus] ?? 0) - (volts[minus] ?? 0);
  };

/** Current into a terminal of a part, A. */
export const into =
  (part: Part, terminal: string): Reading =>
  (solution) =>
    solution.parts[part.id]?.amps[terminal];

export const size =
  (of: Reading): Reading =>
  (solution) => {
    const value = of(solution);
    return value === undefined ? undefined : Math.abs(value);
  };

/** The main state in which a quantity is largest, worst case counted; undefined where nothing is solved. */
export function largest(
  evidence: Evidence,
  of: Reading,
  states: readonly State[] = mainStates(evidence),
): { state: State; at: Range } | undefined {
  return states
    .map((state) => ({ state, at: range(state, of) }))
    .filter(({ at }) => Number.isFinite(at.value))
    .sort((a, b) => b.at.high - a.at.high)[0];
}

/** "11.8 mA while firing, 13.0 mA at worst". */
export function withWorst(
  { state, at }: { state: State; at: Range },
  say: (value: number) => string,
  side: 'high' | 'low' = 'high',
): string {
  const worst = say(at[side]);
  const usual = say(at.value);
  return `${usual} ${state.when}${worst === usual ? '' : `, ${worst} at worst`}`;
}

/** Parts with a facet: what it says, and the values it says it with. */
export const having = <F extends keyof Facets>(
  { design }: Evidence,
  facet: F,
): { part: Part; has: NonNullable<Facets[F]>; params: Params }[] =>
  design.parts.flatMap((part) => {
    const has = kindOf(part)[facet];
    return has ? [{ part, has, params: paramsOf(part) }] : [];
  });

/** The resistors between two nets, Ω. */
export const resistancesBetween = (
  wiring: Wiring,
  a: TerminalRef,
  b: TerminalRef,
): { part: Part; ohms: number }[] =>
  wiring.between(a, b).flatMap((part) => {
    const ohms = ohmsOf(part);
    return ohms === undefined ? [] : [{ part, ohms }];
  });

/** The resistance of a part that is a resistor. */
export const ohmsOf = (part: Part): number | undefined =>
  kindOf(part).resistance?.ohms(paramsOf(part));

export const refOf = (part: Part, terminal: string): TerminalRef => terminalRef(part.id, terminal);

/** A fix that gives a part another value. */
export const setValue = (part: Part, param: string, value: number, unit: Unit): Fix => ({
  label: `${part.id} → ${formatNominal(value, unit)}`,
  edit: { type: 'set-param', id: part.id, param, value },
});

/** A fix that gives a resistor another resistance. */
export const setOhms = (part: Part, ohms: number): Fix =>
  setValue(part, kindOf(part).resistance?.param ?? '', ohms, 'Ω');

/** The next E12 resistance at or below, or above, a wanted one. */
export const e12 = (ohms: number, side: 'below' | 'above' | 'nearest' = 'nearest'): number =>
  preferredValues(Math.min(10e6, Math.max(1, ohms)), 'E12')[side];

/** The resistors with one end on the net of a terminal. */
export const resistorsAt = (wiring: Wiring, ref: TerminalRef): End[] =>
  wiring.ends(ref).filter((e) => e.kind.resistance);

/** A fix that puts a new two-terminal part between two terminals. */
export function bridge(
  { design }: Evidence,
  kind: string,
  name: string,
  params: Record<string, number>,
  [from, to]: readonly [TerminalRef, TerminalRef],
  label: string,
): Fix {
  const draft = new Draft(design);
  draft.between(kind, name, params, from, to);
  return { label, edit: draft.edit(`add ${name.toLowerCase()}`) };
}

/** A fix that puts a new resistor between a terminal and everything wired to it. */
export function inLine({ design }: Evidence, ref: TerminalRef, ohms: number, name: string): Fix {
  const draft = new Draft(design);
  const id = draft.add('resistor', name, { ohms });
  draft.rewire(ref, terminalRef(id, 'a')).join(terminalRef(id, 'b'), ref);
  const label = `Put ${formatNominal(ohms, 'Ω')} into the lead of ${ref}`;
  return { label, edit: draft.edit(`add ${name.toLowerCase()}`) };
}

/** Whether anything is wired to a part. */
export const inUse = ({ wiring }: Pick<Evidence, 'wiring'>, part: Part): boolean =>
  kindOf(part).terminals.some((t) => wiring.wired(refOf(part, t.id)));

/** The controller's setting of a pin. */
export const modeOf = ({ design }: Evidence, pin: TerminalRef) =>
  design.controller.pins.find((p) => p.pin === pin)?.mode;

/**
 * Whether a terminal has a path to another through parts, parts of some kinds not counting.
 * A part is passed from any terminal to any other.
 */
export function reaches(
  wiring: Wiring,
  from: TerminalRef,
  to: (end: End) => boolean,
  blocks: (part: Part) => boolean,
): boolean {
  const seen = new Set<TerminalRef>();
  const open = [from];
  for (let here = open.pop(); here !== undefined; here = open.pop()) {
    const net = wiring.net(here);
    if (seen.has(net)) continue;
    seen.add(net);
    for (const end of wiring.ends(net)) {
      if (to(end)) return true;
      if (blocks(end.part) || end.terminal.role === 'ground') continue;
      for (const t of end.kind.terminals) {
        const next = refOf(end.part, t.id);
        if (t.role !== 'ground' && next !== end.ref && wiring.wired(next)) open.push(next);
      }
    }
  }
  return false;
}

/** Whether a part answers to change alone, by charge or by pulses: nothing of that is in a circuit that has settled. */
export const tellsInTime = (part: Part): boolean => {
  const { frontEnd, stage } = kindOf(part);
  return frontEnd === 'charge' || (stage === 'feels' && hasWave(part));
};

const hasWave = (part: Part): boolean =>
  elementsOf(part).some((e) => e.type === 'voltage-source' && e.wave !== undefined);

/** Whether what hangs on a terminal is such a part, so that only a rehearsal in time tells what follows. */
export const answersInTime = ({ design, wiring }: Evidence, ref: TerminalRef): boolean =>
  branchOf(design, ref).some((id) => {
    const part = wiring.part(id);
    return part !== undefined && tellsInTime(part);
  });

/** Whether something beside a part swings by itself, in time: a player, a generator, or what never comes to rest. */
export function swungBy(evidence: Evidence, part: Part): boolean {
  const { design } = evidence;
  const ends = kindOf(part).terminals.map((t) => refOf(part, t.id));
  const beside = new Set(ends.flatMap((ref) => branchOf(design, ref)));
  const swings = design.parts.some((other) => {
    const { waves } = kindOf(other);
    const swung = waves ? waves(paramsOf(other)) : hasWave(other);
    return other !== part && beside.has(other.id) && swung;
  });
  return (
    swings ||
    everyState(evidence).some(({ solution }) =>
      solution.problems.some((p) => p.kind === 'oscillates'),
    )
  );
}

/** For a finding whose fix may not be known. */
export const withFix = (fix: Fix | '' | undefined): { fix?: Fix } => (fix ? { fix } : {});
