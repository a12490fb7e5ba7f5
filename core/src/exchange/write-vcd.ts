import type { Design } from '../design/index.js';
import type { Rehearsal, Trace } from '../rehearsal/index.js';

/** Time steps of the file; a change falls on the nearest. */
const stepsPerSecond = 1e6;
const timescale = '1 us';

interface Signal {
  name: string;
  scope: string;
  kind: 'real' | 'wire';
  trace: Trace;
}

/**
 * A rehearsal as a value change dump (IEEE 1364-2005, clause 18): readings and volts as reals, outputs as wires, each in
 * a scope of its own, with all changes in order of time.
 */
export function writeVcd(design: Design, rehearsal: Rehearsal): string {
  const signals = signalsOf(design, rehearsal);
  const codes = signals.map((_, i) => codeOf(i));
  const scopes = [...new Set(signals.map((s) => s.scope))];
  const declared = scopes.flatMap((scope) => [
    `$scope module ${scope} $end`,
    ...signals.flatMap((s, i) =>
      s.scope === scope
        ? [`$var ${s.kind} ${s.kind === 'real' ? 64 : 1} ${codes[i]} ${nameOf(s.name)} $end`]
        : [],
    ),
    '$upscope $end',
  ]);
  return [
    `$comment ${nameOf(design.title)}: scene ${nameOf(rehearsal.scene)}, seed ${rehearsal.seed} $end`,
    `$timescale ${timescale} $end`,
    ...declared,
    '$enddefinitions $end',
    ...changes(signals, codes),
    `#${Math.round(rehearsal.duration * stepsPerSecond)}`,
    '',
  ].join('\n');
}

function signalsOf(design: Design, { readings, nets, outputs }: Rehearsal): Signal[] {
  const named = (list: readonly { id: string; name: string }[], id: string): string =>
    list.find((item) => item.id === id)?.name ?? id;
  return [
    ...Object.entries(readings).map(([id, trace]): Signal => ({
      name: named(design.channels, id),
      scope: 'counts',
      kind: 'real',
      trace,
    })),
    ...Object.entries(outputs).map(([id, trace]): Signal => ({
      name: named(design.outputs, id),
      scope: 'outputs',
      kind: 'wire',
      trace,
    })),
    ...Object.entries(nets).map(([id, trace]): Signal => ({
      name: id,
      scope: 'volts',
      kind: 'real',
      trace,
    })),
  ];
}

/** Every change of every signal, a line each, under its time. */
function changes(signals: readonly Signal[], codes: readonly string[]): string[] {
  const all = signals.flatMap(({ kind, trace }, i) =>
    trace.times.map((t, k) => ({
      t: Math.round(t * stepsPerSecond),
      line: kind === 'wire' ? `${trace.values[k]}${codes[i]}` : `r${trace.values[k]} ${codes[i]}`,
    })),
  );
  all.sort((a, b) => a.t - b.t);
  const lines: string[] = [];
  let now = -1;
  for (const { t, line } of all) {
    if (t !== now) lines.push(`#${t}`);
    now = t;
    lines.push(line);
  }
  return lines;
}

/** Identifier codes are printable characters from ! to ~, as few as it takes. */
function codeOf(index: number): string {
  let code = '';
  for (let rest = index + 1; rest > 0; rest = Math.floor((rest - 1) / 94))
    code += String.fromCharCode(33 + ((rest - 1) % 94));
  return code;
}

/** A name without what would end or split it. */
const nameOf = (name: string): string => name.replace(/[^\w.+-]+/g, '_') || '_';
