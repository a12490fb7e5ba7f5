import { kindOf, paramsOf } from '../../catalog/index.js';
import { terminalRef, type Part } from '../../design/index.js';
import { everyState, mainStates, range, solvedIn, type Evidence, type State } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { across, having } from '../lookup.js';
import { amps, list, percent, volts } from '../words.js';

export const suppliesJoined: Rule = {
  code: 'supplies-joined',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'Two supplies on one net',
  bench: 'The higher one pushes current backwards into the lower one and heats it.',
  source: 'Kirchhoff’s voltage law; back-feeding of regulators (common practice).',
  find: ({ wiring }) =>
    wiring.all().flatMap((net): Found[] => {
      const outs = wiring.ends(net.id).filter((e) => e.terminal.role === 'supply-out');
      // A board may take its own voltage in where it would give it out.
      const stiff = outs.filter((e) => {
        const { feed } = e.kind;
        return !feed || wiring.wired(terminalRef(e.part.id, feed.plus));
      });
      if (stiff.length < 2) return [];
      return [
        {
          subject: net.id,
          title: `${list(stiff.map((e) => e.ref))} feed one net`,
          reason: `${list(stiff.map((e) => e.part.name))} are joined at ${net.name}: their voltages differ by at least their tolerances. Separate them, or put a diode into each lead.`,
          about: [...stiff.map((e) => e.part.id), net.id],
        },
      ];
    }),
};

export const regulatorDropsOut: Rule = {
  code: 'regulator-drops-out',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A regulator with too little above its output',
  bench: 'Its output follows the input downwards: what it feeds sags with every load.',
  source: 'Drop-out voltage in the data sheet against the solved input.',
  find: (evidence) =>
    having(evidence, 'regulator').flatMap(({ part, has: regulator, params }): Found[] => {
      const [nominal, dropOut] = [regulator.volts(params), regulator.dropOut(params)];
      const above = across(part, regulator.input, regulator.ground);
      const worst = mainStates(evidence)
        .map((state) => ({
          state,
          over: range(state, (s) => {
            const at = above(s);
            return at === undefined ? undefined : at - nominal;
          }),
        }))
        .filter(({ over }) => over.low < dropOut && over.value > -nominal)
        .sort((a, b) => a.over.low - b.over.low)[0];
      if (!worst) return [];
      return [
        {
          subject: part.id,
          severity: worst.over.value < dropOut ? 'error' : 'caution',
          title: `${part.name} drops out`,
          reason: `Its input stands ${volts(worst.over.value)} above ${volts(nominal)} ${worst.state.when}, ${volts(worst.over.low)} at worst; it needs ${volts(dropOut)}.`,
          about: [part.id],
        },
      ];
    }),
};

/** From this many times its rating on a supply is called shorted; and where so little of its voltage is left. */
const shorted = 5;
const collapsed = 0.3;
/** A supply with less of its voltage left than this is said to sag. */
const sagged = 0.95;

/** What each source gives in its heaviest state, over what it is rated for: a button may short it as well as an output. */
function drawn(evidence: Evidence) {
  return evidence.design.parts.flatMap((part) => {
    const { ratings, stage } = kindOf(part);
    const params = paramsOf(part);
    const rating = stage === 'feeds' ? ratings.find((r) => r.outOf !== undefined) : undefined;
    if (!rating) return [];
    const limit = rating.limit(params);
    const states = everyState(evidence).map((state) => ({
      state,
      at: range(state, (s) => {
        const solved = s.parts[part.id];
        return solved && rating.stress(solved, params);
      }),
    }));
    const worst = states
      .filter(({ at }) => Number.isFinite(at.value))
      .sort((a, b) => b.at.value - a.at.value)[0];
    if (!worst) return [];
    const left = share(worst.state, part);
    const isShorted = worst.at.value > (left < collapsed ? 1 : shorted) * limit;
    return [{ part, limit, left, isShorted, ...worst }];
  });
}

/** What is left of a source's voltage in a state, as a share. */
function share(state: State, part: Part): number {
  const { supplies: [output] = [], terminals } = kindOf(part);
  const ground = terminals.find((t) => t.role === 'ground');
  if (!output || !ground) return 1;
  const volts = across(part, output.at, ground.id)(state.solution);
  return volts === undefined ? 1 : volts / output.volts(paramsOf(part));
}

export const supplyOverloaded: Rule = {
  code: 'supply-overloaded',
  severity: 'error',
  consequence: 'burns',
  concern: 'drive',
  title: 'A supply that gives more than it is rated for',
  bench: 'It sags, hums, shuts down or overheats when everything is on.',
  source: 'The supply’s rating against the sum of solved currents, tolerances included.',
  find: (evidence) =>
    drawn(evidence).flatMap(({ part, limit, left, isShorted, at, state }): Found[] => {
      if (at.high <= limit || isShorted) return [];
      const sags = left < sagged ? ` Only ${percent(left)} of its voltage is left.` : '';
      return [
        {
          subject: part.id,
          severity: at.value > limit ? 'error' : 'caution',
          title: `${part.name} gives too much`,
          reason: `${amps(at.value)} ${state.when}, ${amps(at.high)} at worst, of ${amps(limit)}.${sags}`,
          about: [part.id],
        },
      ];
    }),
};

export const supplyShorted: Rule = {
  code: 'supply-shorted',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'A short across a supply',
  bench: 'The supply shuts down, or wires and parts in its path burn. Do not switch it on.',
  source:
    'In the solved circuit, at rest, firing, in each happening and with each sensor through its range, more than five times the supply’s rating flows, or all it can give with less than a third of its voltage left.',
  find: (evidence) =>
    drawn(evidence).flatMap(({ part, limit, isShorted, at, state }): Found[] => {
      if (!isShorted) return [];
      const path = culprits(evidence, state, at.value, part.id);
      return [
        {
          subject: part.id,
          title: `${part.name} is shorted`,
          reason: `${amps(at.value)} would flow ${state.when}, of ${amps(limit)} it is made for${path.length > 0 ? `, through ${list(path)}` : ''}.`,
          about: [part.id, ...path],
        },
      ];
    }),
};

/** Parts through which more than half of a current passes. */
function culprits({ design }: Evidence, state: State, current: number, source: string): string[] {
  return design.parts
    .filter((p) => p.id !== source)
    .filter((p) =>
      Object.values(solvedIn(state, p.id)?.amps ?? {}).some((a = 0) => Math.abs(a) > current / 2),
    )
    .map((p) => p.id);
}
