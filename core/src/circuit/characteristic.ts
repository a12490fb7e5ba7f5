import { surroundings, type Curve, type PartKind, type Numbers } from '../catalog/index.js';
import { emptyDesign, terminalRef, type Design, type Part, type Wire } from '../design/index.js';
import type { Unit } from '../quantity/index.js';
import { Circuit } from './circuit.js';
import { voltsAt, type Solution } from './solution.js';

/** A measured curve: what was changed and what was read, with the way back where it differs. */
export interface Characteristic {
  x: { label: string; unit: Unit; scale: Curve['scale']; choices?: readonly string[] };
  y: { label: string; unit: Unit };
  xs: number[];
  ys: number[];
  /** Read on the way back down, where the part remembers. */
  back?: number[];
  operating: readonly [number, number];
}

/** The part on the bench, the supply that is varied, and a resistor with next to nothing. */
const part = 'X';
const varied = 'V';
const stiff = { ohms: 1e-3, maxAmps: 30 };

/** Whether there is a curve to take: nothing beyond the boundary to mains is computed. */
export const hasCurve = (kind: PartKind): boolean =>
  !kind.terminals.some((t) => t.role === 'mains');

/** Kinds without a curve of their own show the current from their first terminal to their ground or second one. */
export function curveOf(kind: PartKind): Curve {
  if (kind.curve) return kind.curve;
  const find = (role: string): string | undefined =>
    kind.terminals.find((t) => t.role === role)?.id;
  const [first, second] = kind.terminals;
  const minus = find('ground') ?? second?.id ?? '';
  const plus = find('supply-in') ?? first?.id ?? '';
  return {
    vary: { plus, minus },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [0, 5],
    reads: { amps: plus },
  };
}

/**
 * The circuit in which a part's curve is taken: the part with its supplies, its load resistors and, where a
 * voltage is varied or resistance is read, a supply for that.
 */
export function testBench(kind: PartKind, params: Numbers): Design {
  const { feeds = [], loads = [], vary, reads } = curveOf(kind);
  const parts: Part[] = [{ id: part, kind: kind.kind, name: kind.label, params: { ...params } }];
  const wires: Wire[] = [];
  const joints = new Map<string, string>();
  /** A terminal of the part, or the first end that was joined there. */
  const at = (name: string, end: string): string => {
    if (kind.terminals.some((t) => t.id === name)) return terminalRef(part, name);
    const first = joints.get(name);
    if (first === undefined) joints.set(name, end);
    return first ?? end;
  };
  const join = (end: string, name: string): void => {
    const other = at(name, end);
    if (other !== end) wires.push({ id: `w${wires.length}`, from: end, to: other });
  };
  let grounded = false;
  const supply = (id: string, plus: string, minus: string, volts: number): void => {
    grounded = true;
    parts.push({ id, kind: 'adapter', name: id, params: { volts, ...stiff } });
    join(`${id}.plus`, plus);
    join(`${id}.minus`, minus);
  };
  feeds.forEach(([plus, minus, volts], i) => supply(`G${i}`, plus, minus, volts));
  if ('plus' in vary) supply(varied, vary.plus, vary.minus, 0);
  loads.forEach(([a, b, ohms], i) => {
    parts.push({ id: `R${i}`, kind: 'resistor', name: `R${i}`, params: { ohms } });
    join(`R${i}.a`, a);
    join(`R${i}.b`, b);
  });
  // Something must be ground.
  if (!grounded) {
    const last = kind.terminals.at(-1)?.id ?? '';
    const second = 'ohms' in reads ? reads.ohms[1] : last;
    parts.push({ id: 'G0', kind: 'adapter', name: 'G0', params: { volts: 0, ...stiff } });
    join('G0.minus', second);
  }
  return { ...emptyDesign(kind.label), parts, wires };
}

/** A part on its test bench, ready to be read at any point of its curve; it remembers what came before. */
export function readings(kind: PartKind, params: Numbers = {}): (x: number) => number {
  const curve = curveOf(kind);
  const design = testBench(kind, params);
  const circuit = new Circuit(design);
  return (x) => {
    change(circuit, curve, x);
    return read(circuit, kind, curve, circuit.solve());
  };
}

/** Takes the curve of a part kind with given values, by solving its test bench at every point. */
export function characteristic(kind: PartKind, params: Numbers = {}, points = 81): Characteristic {
  const curve = curveOf(kind);
  const { from, to, scale } = curve;
  const even = Array.from({ length: points }, (_, i) => {
    const share = i / (points - 1);
    return scale === 'log' ? from * (to / from) ** share : from + (to - from) * share;
  });
  const whole = 'param' in curve.vary && isWhole(kind, curve.vary.param);
  const xs = whole ? [...new Set(even.map(Math.round))] : even;
  const at = readings(kind, params);
  const ys = xs.map(at);
  const back = [...xs].reverse().map(at).reverse();
  const size = Math.max(...ys.map(Math.abs)) || 1;
  const differs = back.some((y, i) => Math.abs(y - (ys[i] ?? y)) > 1e-3 * size);
  return {
    x: { ...axisOf(kind, curve), scale },
    y: yAxis(kind, curve),
    xs,
    ys,
    ...(differs ? { back } : {}),
    operating: curve.operating,
  };
}

const isWhole = (kind: PartKind, id: string): boolean =>
  kind.params.find((p) => p.id === id)?.whole === true;

function change(circuit: Circuit, { vary }: Curve, x: number): void {
  if ('stimulus' in vary) circuit.setState(part, { stimulus: { [vary.stimulus]: x } });
  else if ('param' in vary) circuit.setParams(part, { [vary.param]: x });
  else circuit.setParams(varied, { volts: x });
}

/** Volts at a terminal of the part, wired or not, or at a joint of the bench. */
function volts(solution: Solution, kind: PartKind, curve: Curve, name: string): number {
  if (kind.terminals.some((t) => t.id === name)) return solution.parts[part]?.volts[name] ?? 0;
  const load = (curve.loads ?? []).findIndex(([a, b]) => a === name || b === name);
  const end = curve.loads?.[load]?.[0] === name ? 'a' : 'b';
  return voltsAt(solution, `R${load}.${end}`) ?? 0;
}

function read(circuit: Circuit, kind: PartKind, curve: Curve, solution: Solution): number {
  const { reads } = curve;
  const solved = solution.parts[part];
  if ('readout' in reads) {
    const readout = kind.reads?.find((r) => r.id === reads.readout);
    const now = circuit.paramsOf(part) ?? {};
    if (!solved || !readout?.works(solved, now)) return 0;
    return Math.min(readout.full(now), readout.counts(circuit.stimulusOf(part), now, solved));
  }
  if ('inner' in reads) return solved?.volts[reads.inner] ?? 0;
  if ('amps' in reads) return solved?.amps[reads.amps] ?? 0;
  const [a, b] = 'volts' in reads ? reads.volts : reads.ohms;
  const across = volts(solution, kind, curve, a) - volts(solution, kind, curve, b);
  return 'volts' in reads ? across : across / (solved?.amps[a] || 1e-15);
}

function axisOf(
  kind: PartKind,
  { vary }: Curve,
): Pick<Characteristic['x'], 'label' | 'unit' | 'choices'> {
  if ('stimulus' in vary) {
    const { label, unit } = surroundings[vary.stimulus];
    return { label, unit };
  }
  if ('param' in vary) {
    const found = kind.params.find((p) => p.id === vary.param);
    const { label = vary.param, unit = '', choices } = found ?? {};
    return { label, unit, ...(choices ? { choices } : {}) };
  }
  return {
    label: `Voltage from ${labelOf(kind, vary.plus)} to ${labelOf(kind, vary.minus)}`,
    unit: 'V',
  };
}

function yAxis(kind: PartKind, { reads }: Curve): { label: string; unit: Unit } {
  if ('readout' in reads) {
    const readout = kind.reads?.find((r) => r.id === reads.readout);
    return { label: readout?.label ?? reads.readout, unit: 'counts' };
  }
  if ('inner' in reads) return { label: reads.label, unit: reads.unit };
  if ('amps' in reads) return { label: `Current into ${labelOf(kind, reads.amps)}`, unit: 'A' };
  if ('volts' in reads) {
    const [a, b] = reads.volts.map((id) => labelOf(kind, id));
    return { label: `Voltage from ${a} to ${b}`, unit: 'V' };
  }
  return { label: 'Resistance', unit: 'Ω' };
}

/** A terminal's label; a joint of the bench by its own name. */
const labelOf = (kind: PartKind, id: string): string =>
  kind.terminals.find((t) => t.id === id)?.label ?? id;
