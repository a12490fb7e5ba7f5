import { everyState, type Evidence, type State } from '../check/index.js';
import { splitRef, type TerminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';

/** A smaller difference is not worth going for the meter, V. */
const least = 0.1;

const voltsAt = (state: State, ref: TerminalRef): number | undefined => {
  const { part, terminal } = splitRef(ref);
  return state.solution.parts[part]?.volts[terminal];
};

/**
 * Where a meter tells a cured circuit from one that is not: the place and the state in which its terminals differ most.
 *
 * @param about ids of parts and refs of terminals that are looked at
 * @returns nothing where no terminal differs by a tenth of a volt
 */
export function meterShows(
  before: Evidence,
  after: Evidence,
  about: readonly string[],
): string | undefined {
  const places = new Set(about.map((place) => splitRef(place).part));
  const [was, is] = [everyState(before), everyState(after)];
  const seen = was.flatMap((state, i) => {
    const other = is[i] as State | undefined;
    if (other?.when !== state.when) return [];
    return [...places].flatMap((part) =>
      Object.keys(state.solution.parts[part]?.volts ?? {}).flatMap((terminal) => {
        const ref = `${part}.${terminal}`;
        const [now, then] = [voltsAt(state, ref), voltsAt(other, ref)];
        return terminal.startsWith('#') || now === undefined || then === undefined
          ? []
          : [{ ref, when: state.when, now, then, by: Math.abs(then - now) }];
      }),
    );
  });
  // At rest is where one measures first.
  const worth = ({ by, when }: (typeof seen)[number]): number =>
    when === before.quiet.when ? 2 * by : by;
  const [most] = seen.sort((a, b) => worth(b) - worth(a));
  if (!most || most.by < least) return undefined;
  const [now, then] = [most.now, most.then].map((v) => formatQuantity(v, 'V'));
  return `${most.when}, a meter at ${most.ref} shows ${now}; it should show ${then}`;
}
