import { kindOf, paramsOf, type Feed, type Params } from '../../catalog/index.js';
import { splitRef, terminalRef, type Part, type TerminalRef } from '../../design/index.js';
import { Draft, swapEnds } from '../../wiring/index.js';
import { mainStates, range, solvedIn, voltsIn, type Evidence, type State } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import { inUse } from '../lookup.js';
import { list, volts } from '../words.js';

/** A part that takes power, with what it takes it by. */
interface Fed {
  part: Part;
  params: Params;
  feed: Feed;
  plus: TerminalRef;
  minus: TerminalRef;
}

/** Parts that must have power all the time: what acts is switched, and judged by what it does. */
const fedParts = ({ design }: Evidence): Fed[] =>
  design.parts.flatMap((part) => {
    const { feed, stage } = kindOf(part);
    if (!feed || stage === 'acts') return [];
    const [plus, minus] = [terminalRef(part.id, feed.plus), terminalRef(part.id, feed.minus)];
    return [{ part, params: paramsOf(part), feed, plus, minus }];
  });

/** A board fed past its regulator, at the terminal where its own voltage comes out: that is above what it is fed with then. */
function fedBehind({ part, feed }: Fed, state: State): boolean {
  const at = solvedIn(state, part.id)?.volts ?? {};
  const before = at[feed.plus] ?? 0;
  return kindOf(part).terminals.some(
    (t) => t.role === 'supply-out' && (at[t.id] ?? 0) > Math.max(2.5, before),
  );
}

/** Volts a part is fed with in a state, with their worst case. */
const fedWith = ({ part, feed }: Fed, state: State) =>
  range(state, (solution) => {
    const at = solution.parts[part.id]?.volts;
    return at && (at[feed.plus] ?? 0) - (at[feed.minus] ?? 0);
  });

const isSwitched = ({ design, wiring }: Evidence, { plus, minus }: Fed): boolean =>
  [plus, minus].some(
    (ref) =>
      design.outputs.some((o) => wiring.same(o.pin, ref)) ||
      wiring.ends(ref).some((e) => e.terminal.role === 'signal-out' && e.kind.stage === 'drives'),
  );

/** The most a part may be fed with. */
function most({ part, feed, params }: Fed): number {
  const rating = kindOf(part).ratings.find(
    ({ across }) => across?.from === feed.plus && across.to === feed.minus,
  );
  return rating ? rating.limit(params) : Infinity;
}

/** A supply of the design whose voltage suits. */
function suitable(evidence: Evidence, fed: Fed): TerminalRef | undefined {
  const supplies = evidence.wiring
    .all()
    .filter((n) => n.nature === 'supply')
    .flatMap((n) => {
      const at = voltsIn(evidence.quiet, n.id);
      const ref = n.terminals.find((t) => evidence.wiring.end(t)?.terminal.role === 'supply-out');
      return at === undefined || !ref ? [] : [{ at, ref }];
    })
    .filter(({ at, ref }) => {
      const own = splitRef(ref).part === fed.part.id;
      return !own && at >= fed.feed.least(fed.params) && at <= 0.97 * most(fed);
    })
    .sort((a, b) => a.at - b.at);
  return supplies[0]?.ref;
}

function feedFix(evidence: Evidence, fed: Fed): { fix?: Fix } {
  const ref = suitable(evidence, fed);
  if (!ref) return {};
  const draft = new Draft(evidence.design);
  for (const wire of evidence.design.wires) {
    if (wire.from === fed.plus || wire.to === fed.plus)
      draft.make({ type: 'remove-wire', id: wire.id });
  }
  draft.join(ref, fed.plus);
  return { fix: { label: `Feed ${fed.plus} from ${ref}`, edit: draft.edit('feed part') } };
}

export const partUnpowered: Rule = {
  code: 'part-unpowered',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A part without power',
  bench: 'It is dead, or lives on what leaks in through its signal pins and answers nonsense.',
  source: 'Follows from the solved voltages.',
  find: (evidence) =>
    fedParts(evidence).flatMap((fed): Found[] => {
      const { part, plus, minus } = fed;
      const used = inUse(evidence, part);
      const at = Math.max(...mainStates(evidence).map((s) => fedWith(fed, s).value));
      const fine = at > 0.5 || isSwitched(evidence, fed) || fedBehind(fed, evidence.quiet);
      if (!used || at < -0.3 || fine) return [];
      const open = [plus, minus].filter((ref) => !evidence.wiring.wired(ref));
      const missing = open.length > 0 ? ` Nothing is wired to ${list(open)}.` : '';
      return [
        {
          subject: part.id,
          title: `${part.name} has no power`,
          reason: `${volts(Number.isNaN(at) ? 0 : at)} between ${plus} and ${minus}; it works from ${volts(fed.feed.least(fed.params))}.${missing}`,
          about: [part.id, plus, minus],
          ...(open.includes(minus) ? groundFix(evidence, minus) : feedFix(evidence, fed)),
        },
      ];
    }),
};

function groundFix({ design, wiring }: Evidence, minus: TerminalRef): { fix?: Fix } {
  const ground = wiring.ground();
  if (!ground) return {};
  const edit = new Draft(design).join(minus, ground).edit('join ground');
  return { fix: { label: `Join ${minus} and ${ground}`, edit } };
}

export const supplyLow: Rule = {
  code: 'supply-low',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A supply below what a part works at',
  bench: 'It starts and stops, or answers wrongly, most of all when a load pulls the supply down.',
  source: 'The part’s published range against the solved voltage, tolerances included.',
  find: (evidence) =>
    fedParts(evidence).flatMap((fed): Found[] => {
      if (fed.feed.heater || fedBehind(fed, evidence.quiet) || isSwitched(evidence, fed)) return [];
      const least = fed.feed.least(fed.params);
      const worst = mainStates(evidence)
        .map((state) => ({ state, at: fedWith(fed, state) }))
        .filter(({ at }) => at.value > 0.5 && at.low < least)
        .sort((a, b) => a.at.low - b.at.low)[0];
      if (!worst) return [];
      const { at, state } = worst;
      return [
        {
          subject: fed.part.id,
          severity: at.value < least ? 'error' : 'caution',
          title: `${fed.part.name} is fed too little`,
          reason: `${volts(at.value)} ${state.when}, ${volts(at.low)} at worst; it works from ${volts(least)}.`,
          about: [fed.part.id],
          ...feedFix(evidence, fed),
        },
      ];
    }),
};

export const heaterWeak: Rule = {
  code: 'heater-weak',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A heated element without enough supply',
  bench:
    'The element stays cool: it reads gas in clean air and misses it later, without any sign of trouble.',
  source: 'Heater voltage 5.0 ± 0.1 V in the data sheets of heated gas elements (from memory).',
  find: (evidence) =>
    fedParts(evidence).flatMap((fed): Found[] => {
      const at = fedWith(fed, evidence.quiet);
      const least = fed.feed.least(fed.params);
      if (!fed.feed.heater || !(at.value > 0.5) || at.low >= 0.97 * least) return [];
      return [
        {
          subject: fed.part.id,
          title: `The heater of ${fed.part.name} is too cool`,
          reason: `${volts(at.value)} at rest, ${volts(at.low)} at worst; it wants ${volts(least)}.`,
          about: [fed.part.id],
          ...feedFix(evidence, fed),
        },
      ];
    }),
};

export const supplyHigh: Rule = {
  code: 'supply-high',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'A supply above what a part survives',
  bench: 'The part fails, often at once and sometimes with smoke.',
  source: 'The part’s absolute maximum against the solved voltage, tolerances included.',
  find: (evidence) =>
    feedsOfAll(evidence).flatMap((fed): Found[] => {
      const limit = most(fed);
      const worst = mainStates(evidence)
        .map((state) => ({ state, at: fedWith(fed, state) }))
        .filter(({ at }) => at.high > limit)
        .sort((a, b) => b.at.high - a.at.high)[0];
      if (!worst) return [];
      const { at, state } = worst;
      return [
        {
          subject: fed.part.id,
          severity: at.value > limit ? 'error' : 'caution',
          title: `${fed.part.name} is fed too much`,
          reason: `${volts(at.value)} ${state.when}, ${volts(at.high)} at worst; it survives ${volts(limit)}.`,
          about: [fed.part.id],
          ...feedFix(evidence, fed),
        },
      ];
    }),
};

/** As `fedParts`, with what acts. */
const feedsOfAll = ({ design }: Evidence): Fed[] =>
  design.parts.flatMap((part) => {
    const { feed } = kindOf(part);
    if (!feed) return [];
    const [plus, minus] = [terminalRef(part.id, feed.plus), terminalRef(part.id, feed.minus)];
    return [{ part, params: paramsOf(part), feed, plus, minus }];
  });

export const supplyReversed: Rule = {
  code: 'supply-reversed',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'A part fed the wrong way round',
  bench: 'A module plugged in back to front gets hot within seconds and does not recover.',
  source: 'Absolute maximum ratings; a module’s plug fits both ways (common practice).',
  find: (evidence) =>
    feedsOfAll(evidence).flatMap((fed): Found[] => {
      const { part, plus, minus } = fed;
      const at = Math.min(...mainStates(evidence).map((s) => fedWith(fed, s).value));
      if (!(at < -0.3)) return [];
      const swap = new Draft(evidence.design);
      swapEnds(swap, plus, minus);
      return [
        {
          subject: part.id,
          title: `${part.name} is fed the wrong way round`,
          reason: `${plus} stands ${volts(-at)} below ${minus}.`,
          about: [part.id],
          fix: { label: `Swap ${plus} and ${minus}`, edit: swap.edit('swap supply') },
        },
      ];
    }),
};
