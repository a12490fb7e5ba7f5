import {
  kindOf,
  paramsOf,
  type PartKind,
  type Rating,
  type TerminalRole,
} from '../../catalog/index.js';
import type { PeakStress } from '../../circuit/index.js';
import type { Part } from '../../design/index.js';
import { formatQuantity } from '../../quantity/index.js';
import { mainStates, range, type Evidence, type Range, type State } from '../evidence.js';
import type { Found, Rule } from '../finding.js';

/**
 * Above this share of a rating there is little left for heat and ageing. A regulated supply of 5 V is
 * meant to stand at nine tenths of a limit of 5.5 V: voltages are close only nearer than that.
 */
const close = 0.8;
const closeVolts = 0.95;

/** Whether little of a rating is left. */
export const isClose = ({ unit, share }: Pick<PeakStress, 'unit' | 'share'>): boolean =>
  share > (unit === 'V' ? closeVolts : close);

/** A rated quantity of a part in one state. */
export interface Stress {
  part: Part;
  rating: Rating;
  label: string;
  state: State;
  /** Stress over limit; above 1 the rating is exceeded. */
  share: number;
  close: boolean;
}

/** Every rated stress of every part in some states, in both main ones where none are named; steady values only. */
export function stresses(
  evidence: Evidence,
  states: readonly State[] = mainStates(evidence),
): Stress[] {
  return states.flatMap((state) =>
    evidence.design.parts.flatMap((part) => {
      const solved = state.solution.parts[part.id];
      if (!solved) return [];
      const params = paramsOf(part);
      return kindOf(part).ratings.map((rating): Stress => {
        const share = rating.stress(solved, params) / rating.limit(params);
        const near = isClose({ unit: rating.unit, share });
        return { part, rating, label: rating.label, state, share, close: near };
      });
    }),
  );
}

/** Ratings that other rules speak of, in words that fit better. */
function elsewhere({ part, rating }: Stress): boolean {
  const kind = kindOf(part);
  const roleOf = (id: string | undefined): TerminalRole | undefined =>
    kind.terminals.find((t) => t.id === id)?.role;
  const { across, into } = rating;
  const supply = [kind.feed?.plus, kind.feed?.minus];
  return (
    (rating.outOf !== undefined && kind.stage === 'feeds') ||
    rating.ofAllPins === true ||
    (across !== undefined && supply.includes(across.from) && supply.includes(across.to)) ||
    roleOf(into) === 'pin' ||
    (roleOf(into) === 'contact' && kind.stage !== 'feels') ||
    roleOf(across?.from) === 'pin' ||
    kind.fuse !== undefined ||
    kind.capacitance !== undefined ||
    isJunction(kind)
  );
}

/** Whether a part is light-emitting junctions and nothing else. */
const isJunction = ({ junctions = [], terminals }: PartKind): boolean =>
  junctions.length > 0 &&
  terminals.every((t) => junctions.some((j) => j.anode === t.id || j.cathode === t.id));

/** A stress with its worst case. */
interface Judged extends Stress {
  value: Range;
  limit: number;
  worst: number;
}

/** Below this share of a rating no spread of values leads beyond it. */
const farAway = 0.25;

const judged = new WeakMap<Evidence, Judged[]>();

/** The worst of each part among the stresses that are judged here; worked out once. */
function worstOfEach(evidence: Evidence): Judged[] {
  const known = judged.get(evidence);
  if (known) return known;
  const worst = new Map<string, Judged>();
  for (const stress of stresses(evidence)) {
    const { part, rating, state, share } = stress;
    if (!(share > farAway) || elsewhere(stress)) continue;
    const params = paramsOf(part);
    const limit = rating.limit(params);
    const value = range(state, (s) => {
      const solved = s.parts[part.id];
      return solved && rating.stress(solved, params);
    });
    const found = { ...stress, value, limit, worst: value.high / limit };
    if (found.worst > (worst.get(part.id)?.worst ?? 0)) worst.set(part.id, found);
  }
  judged.set(evidence, [...worst.values()]);
  return [...worst.values()];
}

const say = ({ value, limit, rating, state }: Judged): string =>
  `${formatQuantity(value.value, rating.unit)} ${state.when}, ${formatQuantity(value.high, rating.unit)} at worst, of ${formatQuantity(limit, rating.unit)}.`;

export const ratingExceeded: Rule = {
  code: 'rating-exceeded',
  severity: 'error',
  consequence: 'burns',
  concern: 'drive',
  title: 'A part beyond its rating',
  bench: 'It runs too hot or breaks through; it may last a while and fail on the day it is needed.',
  source: 'The part’s absolute maximum against the solved value, tolerances included.',
  find: (evidence) =>
    worstOfEach(evidence)
      .filter((s) => s.worst > 1)
      .map((s): Found => ({
        subject: s.part.id,
        severity: s.share > 1 ? 'error' : 'caution',
        title: s.share > 1 ? `${s.part.name} is overloaded` : `${s.part.name} can be overloaded`,
        reason: `Its ${s.label}: ${say(s)}`,
        about: [s.part.id],
        ...biggerResistor(s),
      })),
};

/** Resistors are sold for these powers, W. */
const powers = [0.125, 0.25, 0.5, 1, 2, 3, 5, 10];

/** A resistor that gets too hot wants a larger body. */
function biggerResistor({ part, value }: Judged): Pick<Found, 'fix'> {
  const watts = powers.find((w) => w >= 2 * value.high);
  if (!kindOf(part).resistance || watts === undefined) return {};
  return {
    fix: {
      label: `${part.id} for ${watts} W`,
      edit: { type: 'set-param', id: part.id, param: 'watts', value: watts },
    },
  };
}

export const ratingClose: Rule = {
  code: 'rating-close',
  severity: 'caution',
  consequence: 'wears out',
  concern: 'drive',
  title: 'A part close to its rating',
  bench: 'It holds on the bench and fails early in a warm enclosure.',
  source: '80 % of a rating, 95 % for voltages (common practice).',
  find: (evidence) =>
    worstOfEach(evidence)
      .filter((s) => s.close && s.worst <= 1)
      .map((s): Found => ({
        subject: s.part.id,
        title: `${s.part.name} is close to its limit`,
        reason: `Its ${s.label}: ${say(s)}`,
        about: [s.part.id],
        ...biggerResistor(s),
      })),
};
