import { kindOf, paramsOf } from '../../catalog/index.js';
import { terminalRef, type Edit, type Part, type TerminalRef } from '../../design/index.js';
import { Draft, wireAmps, type Wiring } from '../../wiring/index.js';
import { everyState, mainStates, range, solvedIn, type Evidence } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { having } from '../lookup.js';
import { amps } from '../words.js';

/** Rated currents of fuse links, A (IEC 60127; series R10 of ISO 3). */
const sizes = [
  0.1, 0.125, 0.16, 0.2, 0.25, 0.315, 0.4, 0.5, 0.63, 0.8, 1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8,
  10, 12.5, 16, 20, 25,
];

/** A fuse lasts when it is used up to this share of its rating (common practice). */
const lasting = 0.75;
/** A source that can give less than this into a short needs no fuse of ours, A (common practice). */
const harmless = 3;

const sizeFor = (current: number): number =>
  sizes.find((s) => s * lasting >= current) ?? Math.max(...sizes);

/** The largest current out of a part's terminal in either state, with its worst case. */
function current(evidence: Evidence, part: Part, terminal: string): number {
  const found = mainStates(evidence).map(
    (state) => range(state, (s) => Math.abs(s.parts[part.id]?.amps[terminal] ?? NaN)).high,
  );
  return Math.max(0, ...found.filter(Number.isFinite));
}

/** The first fuse that all current from a source has to pass, if there is one before it branches. */
function firstFuse(wiring: Wiring, source: TerminalRef): Part | undefined {
  let here = source;
  for (let i = 0; i < 6; i++) {
    const [only, ...more] = wiring.ends(here).filter((e) => e.ref !== here);
    if (!only || more.length > 0) return undefined;
    if (only.kind.fuse) return only.part;
    const beyond = wiring.beyond(only);
    if (!beyond) return undefined;
    here = beyond;
  }
  return undefined;
}

export const fuseMissing: Rule = {
  code: 'fuse-missing',
  severity: 'caution',
  consequence: 'burns',
  concern: 'drive',
  title: 'A strong source without a fuse',
  bench: 'A short somewhere melts the thinnest wire before anything else gives way.',
  source: 'Fuse at the source (common practice; IEC 60364-4-43 for the principle).',
  find: (evidence) =>
    having(evidence, 'faultSource').flatMap(({ part, has: source, params }): Found[] => {
      const plus = kindOf(part).supplies?.[0]?.at;
      if (plus === undefined) return [];
      const ref = terminalRef(part.id, plus);
      const into = source.shortAmps(params);
      if (into <= harmless || !evidence.wiring.wired(ref)) return [];
      if (firstFuse(evidence.wiring, ref)) return [];
      const working = current(evidence, part, plus);
      const size = sizeFor(working);
      return [
        {
          subject: part.id,
          title: `No fuse at ${part.name}`,
          reason: `Into a short it gives about ${amps(into)}; ${amps(working)} are drawn at most.`,
          about: [part.id],
          fix: { label: `Put ${amps(size)} into its lead`, edit: insertFuse(evidence, ref, size) },
        },
      ];
    }),
};

function insertFuse({ design }: Evidence, plus: TerminalRef, size: number): Edit {
  const draft = new Draft(design);
  const id = draft.add('fuse', 'Fuse', { amps: size });
  draft.rewire(plus, terminalRef(id, 'b')).join(plus, terminalRef(id, 'a'), { colour: 'red' });
  return draft.edit('add fuse');
}

export const fuseSmall: Rule = {
  code: 'fuse-too-small',
  severity: 'error',
  consequence: 'wears out',
  concern: 'drive',
  title: 'A fuse below the working current',
  bench: 'It blows at the first alarm, or ages and blows a year later.',
  source: 'Solved worst-case current against 75 % of the rating (common practice).',
  find: (evidence) =>
    having(evidence, 'fuse').flatMap(({ part, has: fuse, params }): Found[] => {
      const rated = fuse.amps(params);
      const working = current(evidence, part, fuse.through);
      if (working <= lasting * rated) return [];
      const size = sizeFor(working);
      return [
        {
          subject: part.id,
          severity: working > rated ? 'error' : 'caution',
          title: `${part.name} is too small`,
          reason: `It carries up to ${amps(working)}; rated ${amps(rated)}, it lasts up to ${amps(lasting * rated)}.`,
          about: [part.id],
          fix: {
            label: `Take ${amps(size)}`,
            edit: { type: 'set-param', id: part.id, param: fuse.param, value: size },
          },
        },
      ];
    }),
};

export const fuseMelts: Rule = {
  code: 'fuse-melts',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A fuse that melts',
  bench: 'It melts once, and from then on all behind it is dead; the next fuse melts as well.',
  source:
    'Solved at rest, firing, in each happening and with each sensor through its range: a fuse that carries more than it bears for good is open, as IEC 60127 rates a fuse-link.',
  find: (evidence) =>
    having(evidence, 'fuse').flatMap(({ part, has: { melted } }): Found[] => {
      const when = everyState(evidence).find((state) => {
        const solved = solvedIn(state, part.id);
        return solved && melted(solved);
      })?.when;
      if (when === undefined) return [];
      const { id, name } = part;
      const reason = `More flows through it ${when} than it bears: it opens, and nothing flows any more.`;
      return [{ subject: id, title: `${name} melts`, reason, about: [id] }];
    }),
};

/** From this many times the working current on a fuse no longer sits just above it. */
const generous = 10;

export const fuseLarge: Rule = {
  code: 'fuse-too-large',
  severity: 'caution',
  consequence: 'burns',
  concern: 'drive',
  title: 'A fuse above what the wire carries, or far above the working current',
  bench: 'The wire is the fuse: a fault heats it for as long as the battery lasts.',
  source:
    'Fuse below what the thinnest wire carries, just above the working current (common practice).',
  find: (evidence) =>
    having(evidence, 'fuse').flatMap(({ part, has: fuse, params }): Found[] => {
      const rated = fuse.amps(params);
      const working = current(evidence, part, fuse.through);
      const thinnest = weakest(evidence, part);
      const size = sizeFor(working);
      const peak = Math.max(working, stallOf(evidence));
      const overWire = thinnest !== undefined && rated > thinnest.amps;
      if (!overWire && !(working > 1e-3 && rated > generous * peak && size < rated)) return [];
      const fits = thinnest === undefined || size <= thinnest.amps;
      return [
        {
          subject: part.id,
          severity: overWire ? 'error' : 'caution',
          title: `${part.name} is too large`,
          reason: overWire
            ? `Rated ${amps(rated)}, but ${thinnest.name} carries only ${amps(thinnest.amps)}.`
            : `Rated ${amps(rated)}, with at most ${amps(working)} to carry.`,
          about: [part.id],
          ...(fits
            ? {
                fix: {
                  label: `Take ${amps(size)}`,
                  edit: { type: 'set-param', id: part.id, param: fuse.param, value: size },
                },
              }
            : {}),
        },
      ];
    }),
};

/** What the motors of a design take while they start, A. */
const stallOf = ({ design }: Evidence): number =>
  design.parts.reduce((sum, p) => sum + (kindOf(p).stall?.(paramsOf(p)) ?? 0), 0);

/** The wire or cable behind a fuse that carries least, as far as gauges are recorded. */
function weakest({ wiring }: Evidence, fuse: Part): { name: string; amps: number } | undefined {
  const behind = kindOf(fuse).terminals.flatMap(({ id: t }) => {
    const net = wiring.named(terminalRef(fuse.id, t));
    const wires = (net?.wires ?? []).flatMap((w) => {
      const carries = wireAmps(w);
      return carries === undefined ? [] : [{ name: `${w.from} – ${w.to}`, amps: carries }];
    });
    const cables = wiring
      .ends(terminalRef(fuse.id, t))
      .flatMap(({ part, kind: { conductor } }) =>
        conductor ? [{ name: part.name, amps: conductor.maxAmps(paramsOf(part)) }] : [],
      );
    return [...wires, ...cables];
  });
  return behind.sort((a, b) => a.amps - b.amps)[0];
}
