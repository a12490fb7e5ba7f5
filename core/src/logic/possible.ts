import { kindOfCondition, partsOf, wholeOf, type Condition } from '../condition/index.js';
import type { Machine, Transition } from '../design/index.js';
import type { Program } from './program.js';

/** The mode of each machine, in the order of the program's machines. */
export type Joint = readonly string[];

/** One way the world may be at a moment: what each thing that is not told by modes answers. */
export interface World {
  /** By the text of a condition: whether it holds, as far as that is free. */
  yes: ReadonlySet<string>;
  counts: Readonly<Record<string, number>>;
}

/** More worlds, or worlds times modes, than this are not looked through. */
const mostWorlds = 1 << 14;
const mostLooks = 4e6;

const key = (condition: Condition): string => JSON.stringify(condition);
/**
 * Every way the world may be, as far as some conditions ask: answers are free of each other, times may or may not
 * have passed, counts stand below, at or above what they are compared with. Fewest that hold first.
 *
 * @returns undefined when there are more than 16,384
 */
export function worldsOf(program: Program, conditions: readonly Condition[]): World[] | undefined {
  const all = conditions.flatMap(wholeOf);
  const free = [...new Set(all.filter((c) => !kindOfCondition(c).told).map(key))];
  const counts = countsIn(program, all);
  const ways = Object.values(counts).reduce((n, list) => n * list.length, 2 ** free.length);
  if (!(ways <= mostWorlds)) return undefined;
  let worlds: World[] = [{ yes: new Set(), counts: {} }];
  for (const one of free)
    worlds = worlds.flatMap((w) => [w, { ...w, yes: new Set([...w.yes, one]) }]);
  for (const [id, list] of Object.entries(counts))
    worlds = worlds.flatMap((w) => list.map((n) => ({ ...w, counts: { ...w.counts, [id]: n } })));
  return worlds.sort((a, b) => a.yes.size - b.yes.size);
}

function countsIn(program: Program, all: readonly Condition[]): Record<string, number[]> {
  const found: Record<string, number[]> = {};
  for (const c of all) {
    const turns = kindOfCondition(c).turnsAt?.(c);
    if (!turns) continue;
    const counter = program.counters.find((k) => k.id === turns.counter);
    const near = turns.counts.filter(
      (n) => counter !== undefined && n >= counter.least && n <= counter.most,
    );
    found[turns.counter] = [...new Set([...(found[turns.counter] ?? []), ...near])];
  }
  return found;
}

/** Whether a condition holds in a world and modes. What waits or happens can hold only if its parts let it. */
export function holdsIn(
  program: Program,
  condition: Condition,
  joint: Joint,
  world: World,
): boolean {
  const holds = (c: Condition): boolean => holdsIn(program, c, joint, world);
  const kind = kindOfCondition(condition);
  if (kind.told)
    return kind.told(condition, {
      holds,
      mode: (machine) => joint[program.machines.findIndex(({ id }) => id === machine)],
      count: (counter) => world.counts[counter] ?? 0,
    });
  if (!world.yes.has(key(condition))) return false;
  return kind.lets?.(condition, holds) ?? partsOf(condition).slice(-1).every(holds);
}

/** Transitions of a chart that can be taken; `forced` when one of them must be, as it waits for no time. */
export function waysOut(
  program: Program,
  machine: Machine,
  joint: Joint,
  world: World,
): { ways: Transition[]; forced: boolean } {
  const mode = joint[program.machines.indexOf(machine)];
  const ways: Transition[] = [];
  for (const transition of machine.transitions) {
    const leaves =
      transition.from === undefined ? transition.to !== mode : transition.from === mode;
    if (!leaves) continue;
    if (transition.when && !holdsIn(program, transition.when, joint, world)) continue;
    ways.push(transition);
    if (transition.after === undefined) return { ways, forced: true };
  }
  return { ways, forced: false };
}

/** How modes came about: from which, in which world; nothing for those after a reset. */
export interface Step {
  from?: Joint;
  world?: World;
}

/** All modes that charts can be in together, and one shortest way to each. */
export interface Reached {
  steps: ReadonlyMap<string, Step>;
  joints: readonly Joint[];
  worlds: readonly World[];
}

export const jointKey = (joint: Joint): string => joint.join(' ');

/**
 * Looks through all modes that can come about, breadth first.
 *
 * @param begin modes after a reset or at the start of a scene
 * @returns undefined when there would be too many
 */
export function reach(
  program: Program,
  conditions: readonly Condition[],
  begin: Joint = program.machines.map((m) => m.start),
): Reached | undefined {
  const worlds = worldsOf(program, conditions);
  if (!worlds) return undefined;
  const steps = new Map<string, Step>([[jointKey(begin), {}]]);
  const joints: Joint[] = [begin];
  // Grows while it is gone through.
  for (const from of joints) {
    if (joints.length * worlds.length > mostLooks) return undefined;
    for (const world of worlds)
      for (const next of nextJoints(program, from, world)) {
        if (steps.has(jointKey(next))) continue;
        steps.set(jointKey(next), { from, world });
        joints.push(next);
      }
  }
  return { steps, joints, worlds };
}

/** What one round can make of some modes: each chart stays, if it may, or takes one of its ways. */
export function nextJoints(program: Program, joint: Joint, world: World): Joint[] {
  let next: string[][] = [[]];
  program.machines.forEach((machine, m) => {
    const { ways, forced } = waysOut(program, machine, joint, world);
    const modes = [...(forced ? [] : joint.slice(m, m + 1)), ...ways.map((w) => w.to)];
    next = next.flatMap((before) => [...new Set(modes)].map((mode) => [...before, mode]));
  });
  return next.filter((n) => jointKey(n) !== jointKey(joint));
}
