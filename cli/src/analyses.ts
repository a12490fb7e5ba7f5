import { pinConverter } from '@yurei/core/catalog';
import {
  Circuit,
  noiseAt,
  readingNoise,
  runTransient,
  sweep,
  voltsAt,
  worstCase,
  type Halt,
  type Run,
  type Solution,
} from '@yurei/core/circuit';
import type { Design, Scene } from '@yurei/core/design';
import { formatQuantity } from '@yurei/core/quantity';
import { quietScene, snapshot } from '@yurei/core/rehearsal';
import { actedTable, seconds } from './acted-table.js';
import { csv } from './csv.js';
import { BadInput } from './bad-input.js';
import { pickScene } from './load-design.js';
import { celsius, parseDrive, parseSweep, quantity } from './parse-options.js';
import type { Report } from './report.js';
import { sceneReport } from './scene-report.js';
import { table } from './table.js';

export interface SolveOptions {
  scene?: string;
  sweep?: string;
  transient?: string;
  drive?: string[];
  from?: string;
  temperature?: string;
  noise?: string;
  worst?: string;
  budget?: string;
}

/** A circuit that feels what the scene gives it, at the asked temperature. */
function prepared(design: Design, options: SolveOptions): Circuit {
  const circuit = new Circuit(design);
  prepare(design, options)(circuit);
  return circuit;
}

function prepare(design: Design, options: SolveOptions): (circuit: Circuit) => void {
  const { stimulus } = snapshot(design, pickScene(design, options.scene));
  const air = warmth(options);
  return (circuit) => {
    if (air !== undefined) circuit.setTemperature(air);
    for (const [part, values] of Object.entries(stimulus))
      circuit.setState(part, { stimulus: values });
  };
}

/** Temperature of everything, °C, where one is asked for. */
export const warmth = ({ temperature: text }: SolveOptions): number | undefined =>
  text === undefined ? undefined : celsius(text);

/** The scene with the air as warm as asked. */
export function sceneAt(design: Design, options: SolveOptions): Scene | undefined {
  const scene = pickScene(design, options.scene);
  const air = warmth(options);
  if (air === undefined) return scene;
  const { ambient, ...rest } = scene ?? quietScene;
  return { ...rest, ambient: { ...ambient, temperature: air, swing: 0 } };
}

/** One value up and down: trip points in the text, every net in the CSV. */
export function sweepReport(design: Design, options: SolveOptions & { sweep: string }): Report {
  const { part, of, name, unit, from, to, points } = parseSweep(design, options.sweep);
  const circuit = prepared(design, options);
  const set = (value: number): void => {
    if (!part) circuit.setTemperature(value);
    else circuit.change(part.id, of, value);
  };
  const { up, down, trips } = sweep(circuit, set, from, to, points);
  const problems = [...up, ...down].flatMap((p) => p.solution.problems);
  const text = [
    `${name} from ${formatQuantity(from, unit)} to ${formatQuantity(to, unit)} and back, ${points} values each way`,
    trips.length === 0
      ? 'Nothing switches.'
      : table(
          trips.map((t) => [
            `going ${t.way}`,
            `at ${formatQuantity(t.value, unit, 5)}`,
            t.parts.join(', ') || 'feedback',
          ]),
        ),
    ...problemLines(problems),
  ].join('\n');
  const volts = (s: Solution): (number | undefined)[] => s.nets.map((n) => n.volts);
  const header = ['way', name, ...circuit.nets.map((n) => n.name)];
  const rows = [
    ...up.map((p) => ['first', p.value, ...volts(p.solution)]),
    ...down.map((p) => ['back', p.value, ...volts(p.solution)]),
  ];
  const courseOf = (list: typeof up): unknown[] =>
    list.map((p) => ({ value: p.value, volts: volts(p.solution) }));
  const json = {
    sweep: name,
    nets: circuit.nets.map((n) => n.name),
    trips,
    up: courseOf(up),
    down: courseOf(down),
  };
  return { text, json, exitCode: problems.length > 0 ? 1 : 0, csv: csv(header, rows) };
}

/** The circuit in time: what acted when, and how hard every part was pressed. */
export function transientReport(
  design: Design,
  options: SolveOptions & { transient: string },
): Report {
  const until = quantity(options.transient, 's', '--transient');
  if (!(until > 0))
    throw new BadInput(`--transient ${options.transient}: the time must be above 0.`);
  const { from } = options;
  if (from !== undefined && from !== 'rest' && from !== 'dead') {
    throw new BadInput(
      `--from ${from}: write rest (steady before time 0) or dead (power comes on at time 0).`,
    );
  }
  const scene = options.scene === undefined ? undefined : sceneAt(design, options);
  if (scene) {
    if ((options.drive ?? options.budget) !== undefined)
      throw new BadInput(
        '--scene plays what happens in it: leave out --drive and --budget, or let a knob be turned in the scene.',
      );
    return sceneReport(design, scene, { until, from });
  }
  const budget = quantity(options.budget ?? '120', 's', '--budget');
  const deadline = Date.now() + 1000 * budget;
  const run = runTransient(design, {
    keepGoing: () => Date.now() < deadline,
    until,
    from,
    drives: (options.drive ?? []).map((text) => parseDrive(design, text)),
    celsius: warmth(options),
    stimulus: snapshot(design, pickScene(design, undefined)).stimulus,
  });
  const names = Object.keys(run.nets);
  const rows = run.times.map((t, i) => [t, ...names.map((n) => run.nets[n]?.[i] ?? NaN)]);
  const failed = run.halt !== undefined || run.chatters.length > 0 || run.problems.length > 0;
  return {
    text: transientText(run),
    json: run,
    exitCode: failed ? 1 : 0,
    csv: csv(['t', ...names], rows),
  };
}

const halts: Readonly<Record<Halt, string>> = {
  'too many steps': 'it took more than five million steps. Ask for a shorter time.',
  stopped:
    'the time allowed for computing is used up. Ask for a shorter time, or give more by --budget.',
  'no solution': 'no voltages could be found from there on. Check the parts that act just before.',
};

function transientText(run: Run): string {
  const pressed = run.peaks.flatMap(({ part, ratings, energy }) => {
    const worst = [...ratings].sort((a, b) => b.share - a.share)[0];
    if (!worst || !(worst.share > 0)) return [];
    const { value, unit, limit, label, share, at } = worst;
    return [
      [
        part,
        label,
        `${formatQuantity(value, unit)} of ${formatQuantity(limit, unit)}`,
        `${(100 * share).toFixed(0)} %`,
        `at ${seconds(at)}`,
        `took ${formatQuantity(energy, 'J')}`,
      ],
    ];
  });
  return [
    `${seconds(run.end)} in ${run.steps} steps, ${run.events} changes of mode`,
    ...actedTable(run.acting),
    '\nHardest moment of each part against its ratings',
    table(pressed),
    ...run.chatters.map(
      (c) =>
        `\n${c.part} chatters from ${seconds(c.at)}: it switches every ${seconds(c.every)}. Give it hysteresis.`,
    ),
    ...(run.halt ? [`\nEnded early at ${seconds(run.end)}: ${halts[run.halt]}`] : []),
    ...problemLines(run.problems),
  ].join('\n');
}

/** Thermal and shot noise at a terminal's net, from 0.1 Hz to 100 kHz. */
export function noiseReport(design: Design, options: SolveOptions & { noise: string }): Report {
  const circuit = prepared(design, options);
  const solution = circuit.solve();
  const net = netOf(solution, options.noise, '--noise');
  const noise = noiseAt(circuit.network, net, [0.1, 1e5]);
  const reading = readingLine(design, solution, options.noise, noise.volts);
  const text = [
    `Noise at ${options.noise}, 0.1 Hz to 100 kHz: ${(1e6 * noise.volts).toPrecision(3)} µV r.m.s. (thermal and shot)`,
    table(
      noise.shares
        .filter((s) => s.square > 1e-4 * noise.volts ** 2)
        .map((s) => [s.part, `${((100 * s.square) / noise.volts ** 2).toFixed(1)} %`]),
    ),
    ...reading,
    ...problemLines(solution.problems),
  ].join('\n');
  return { text, json: noise, exitCode: solution.problems.length > 0 ? 1 : 0 };
}

/** What noise makes of a reading, where a converter reads there. */
function readingLine(design: Design, solution: Solution, pin: string, volts: number): string[] {
  const converter = pinConverter(design, pin);
  const solved = converter && solution.parts[converter.part];
  if (!solved) return [];
  const perCount = converter.reference(solved) / converter.full;
  const counts = readingNoise(volts, perCount, converter.noise);
  return [
    `A reading there has ${counts.toPrecision(3)} counts r.m.s. with the converter's own noise and rounding.`,
  ];
}

/** Spread of a terminal's voltage over all tolerances. */
export function worstReport(design: Design, options: SolveOptions & { worst: string }): Report {
  netOf(prepared(design, options).solve(), options.worst, '--worst');
  const spread = worstCase(
    design,
    (solution) => voltsAt(solution, options.worst),
    prepare(design, options),
  );
  if (!spread) throw new BadInput(`--worst ${options.worst}: no voltage can be told there.`);
  const volts = (v: number): string => formatQuantity(v, 'V', 4);
  const text = [
    `${options.worst}: ${volts(spread.nominal)}, worst case ${volts(spread.low)} to ${volts(spread.high)}, likely ±${volts(spread.likely)}`,
    table(
      spread.contributions
        .slice(0, 12)
        .map((c) => [
          `${c.part}.${c.param}`,
          `±${100 * c.tolerance} %`,
          `${volts(c.atLow)} … ${volts(c.atHigh)}`,
        ]),
    ),
  ].join('\n');
  return { text, json: spread, exitCode: 0 };
}

function netOf(solution: Solution, ref: string, option: string): string {
  const net = solution.nets.find((n) => n.terminals.includes(ref) || n.name === ref);
  if (!net) {
    throw new BadInput(
      `${option}: no wire is at "${ref}". Name a wired terminal, for example ${solution.nets[0]?.terminals[0] ?? 'R1.a'}.`,
    );
  }
  return net.id;
}

function problemLines(problems: readonly { message: string; cure: string }[]): string[] {
  return [...new Set(problems.map((p) => `\n${p.message} ${p.cure}`))];
}
