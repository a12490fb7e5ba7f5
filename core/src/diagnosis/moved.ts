import { kindOf } from '../catalog/index.js';
import { voltsAt } from '../circuit/index.js';
import { type Evidence, type State } from '../check/index.js';
import { splitRef, terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { islandsOf } from '../wiring/index.js';

/** Less than this, as a share of itself and in V, is no difference for what rules find. */
const slight = { share: 5e-3, volts: 5e-3, counts: 1 };

/** Terminals of a design at which volts are not what they were, in any state but those of sweeps. */
export function movedAt(design: Design, was: Evidence, is: Evidence): TerminalRef[] {
  const states = inPairs(was, is);
  return design.parts
    .flatMap((part) => kindOf(part).terminals.map(({ id }) => terminalRef(part.id, id)))
    .filter((ref) =>
      states.some(
        ([a, b]) => !isAlike(voltsAt(a.solution, ref), voltsAt(b.solution, ref), slight.volts),
      ),
    );
}

/**
 * The islands on which something is not what it was, in any state but those of sweeps: volts, what is read, and all that a hub
 * leads to at which something has moved or is changed.
 *
 * @param places where the change is made
 */
export function movedIslands(
  design: Design,
  places: readonly string[],
  was: Evidence,
  is: Evidence,
): Set<string> {
  const islands = islandsOf(design);
  const refs = [...movedAt(design, was, is), ...places];
  const hubs = new Set(
    refs.filter((ref) => islands.of([ref]).size === 0).map((ref) => splitRef(ref).part),
  );
  const ofHubs = design.parts
    .filter((part) => hubs.has(part.id))
    .flatMap((part) => kindOf(part).terminals.map(({ id }) => terminalRef(part.id, id)));
  const states = inPairs(was, is);
  const read = design.channels
    .map(({ id }) => id)
    .filter((id) =>
      states.some(([a, b]) => !isAlike(a.counts.get(id), b.counts.get(id), slight.counts)),
    );
  return islands.of([...refs, ...ofHubs, ...read]);
}

/** The states that are looked at of two designs, each of one with that of the other. */
function inPairs(one: Evidence, other: Evidence): (readonly [State, State])[] {
  const states = ({ quiet, off, fired, happening, alone }: Evidence): State[] => [
    ...[quiet, off, fired],
    ...happening,
    ...alone.values(),
  ];
  const others = states(other);
  return states(one).flatMap((state, i) => (others[i] ? [[state, others[i]] as const] : []));
}

const isAlike = (a = 0, b = 0, least: number): boolean =>
  Math.abs(a - b) <= least + slight.share * Math.abs(a);
