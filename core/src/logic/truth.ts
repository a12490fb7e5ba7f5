import { isEvent, kindOfCondition, sayCondition, sayMode } from '../condition/index.js';
import { outerConditions, type Condition, type Machine, type Rule } from '../design/index.js';
import {
  holdsIn,
  jointKey,
  nextJoints,
  reach,
  waysOut,
  type Joint,
  type Reached,
  type World,
} from './possible.js';
import type { Program } from './program.js';

/** Something that is true of a program, whatever happens, and that its maker may not have meant. */
export interface Truth {
  kind:
    | 'never reached'
    | 'never left'
    | 'no way back'
    | 'left at once'
    | 'circle'
    | 'fight'
    | 'never active'
    | 'no time';
  text: string;
  /** What it is about: machine, rule and output ids. */
  about: string[];
}

/** Truths of a program; or why they were not looked for. */
export type Truths = { ok: true; truths: Truth[] } | { ok: false; reason: string };

/**
 * Looks through every mode and every answer that can come about. Channels are free of each other, times may or may
 * not have passed, counts may be anything: what is said to be impossible is so, what is said to be possible is
 * so as far as the sensors can give those answers.
 */
export function truthsOf(program: Program): Truths {
  const conditions = outerConditions(program).map(([, condition]) => condition);
  const reached = reach(program, conditions);
  if (!reached) {
    const reason =
      'There are too many answers and modes to look through them all; split charts or use fewer conditions.';
    return { ok: false, reason };
  }
  return {
    ok: true,
    truths: [
      ...program.machines.flatMap((m, i) => aboutModes(program, m, i, reached)),
      ...leftAtOnce(program, reached),
      ...circles(program, reached),
      ...aboutRules(program, reached),
      ...fights(program, reached),
    ],
  };
}

function aboutModes(program: Program, machine: Machine, m: number, reached: Reached): Truth[] {
  const name = (mode: string): string => sayMode(program, machine.id, mode);
  const about = [machine.id];
  const after = (mode: string): Set<string> => {
    const found = new Set([mode]);
    const open = reached.joints.filter((j) => j[m] === mode);
    const seen = new Set(open.map(jointKey));
    for (let joint = open.pop(); joint; joint = open.pop())
      for (const world of reached.worlds)
        for (const next of nextJoints(program, joint, world)) {
          for (const mode of next.slice(m, m + 1)) found.add(mode);
          if (!seen.has(jointKey(next))) open.push(next);
          seen.add(jointKey(next));
        }
    return found;
  };
  return machine.modes.flatMap(({ id }): Truth[] => {
    if (!reached.joints.some((j) => j[m] === id))
      return [{ kind: 'never reached', text: `${name(id)} is never reached.`, about }];
    if (machine.modes.length < 2) return [];
    const others = after(id);
    if (others.size === 1)
      return [{ kind: 'never left', text: `${name(id)} is never left, but by a reset.`, about }];
    if (others.has(machine.start)) return [];
    const text = `From ${name(id)} there is no way back to ${name(machine.start)}, but by a reset.`;
    return [{ kind: 'no way back', text, about }];
  });
}

/** Channels that answer yes in a world, in words. */
const because = (program: Program, world: World): string => {
  const names = [...world.yes]
    .map((text) => JSON.parse(text) as Condition)
    .filter((c) => !kindOfCondition(c).event)
    .map((c) => sayCondition(program, c));
  return names.length > 0 ? ` with ${names.join(' and ')}` : '';
};

/** A world in which nothing happens just now. */
const eventless = (world: World): boolean =>
  ![...world.yes].some((text) => isEvent(JSON.parse(text) as Condition));

/** Modes that can begin when what ends them at once holds already. */
function leftAtOnce(program: Program, { joints, worlds }: Reached): Truth[] {
  const found = new Map<string, Truth>();
  for (const joint of joints)
    for (const world of worlds)
      for (const next of nextJoints(program, joint, world)) {
        program.machines.forEach((machine, m) => {
          const begun = next[m];
          if (begun === undefined || begun === joint[m]) return;
          const still = {
            ...world,
            yes: new Set([...world.yes].filter((t) => !isEvent(JSON.parse(t) as Condition))),
          };
          const { ways, forced } = waysOut(program, machine, next, still);
          const last = ways.at(-1);
          if (!forced || !last) return;
          const mode = sayMode(program, machine.id, begun);
          const to = sayMode(program, machine.id, last.to);
          const text = `${mode} can be reached${because(program, still)}, and is left at once for ${to}.`;
          const place = `${machine.id} ${begun} ${last.to}`;
          if (!found.has(place))
            found.set(place, { kind: 'left at once', text, about: [machine.id] });
        });
      }
  return [...found.values()];
}

/** Modes that follow each other without end while nothing changes. */
function circles(program: Program, { joints, worlds }: Reached): Truth[] {
  const found = new Map<string, Truth>();
  for (const world of worlds.filter(eventless))
    for (const joint of joints) {
      const way = followed(program, joint, world);
      if (!way) continue;
      const ids = program.machines.filter((_, m) => new Set(way.map((j) => j[m])).size > 1);
      const names = [...way, ...way.slice(0, 1)].map((joint) =>
        joint
          .flatMap((mode, m) => {
            const machine = program.machines[m];
            return machine && ids.includes(machine) ? [sayMode(program, machine.id, mode)] : [];
          })
          .join(', '),
      );
      const about = ids.map((machine) => machine.id);
      const text = `Modes go round in a circle${because(program, world)}: ${names.join(' → ')}.`;
      if (!found.has(about.join())) found.set(about.join(), { kind: 'circle', text, about });
    }
  return [...found.values()];
}

/** The circle that modes run into while a world stays as it is; undefined if they come to rest. */
function followed(program: Program, start: Joint, world: World): Joint[] | undefined {
  const way: Joint[] = [start];
  // Grows while it is gone through.
  for (const joint of way) {
    const next = joint.map((stays, m) => {
      const machine = program.machines[m];
      const { ways, forced } = machine
        ? waysOut(program, machine, joint, world)
        : { ways: [], forced: false };
      return (forced ? ways.at(-1)?.to : undefined) ?? stays;
    });
    if (jointKey(next) === jointKey(joint)) return undefined;
    const seen = way.findIndex((j) => jointKey(j) === jointKey(next));
    if (seen >= 0) return way.slice(seen);
    way.push(next);
  }
  return undefined;
}

const met = (program: Program, rule: Rule, joint: Joint, world: World): boolean =>
  [rule.when, rule.while].every((c) => c === undefined || holdsIn(program, c, joint, world));

function aboutRules(program: Program, { joints, worlds }: Reached): Truth[] {
  return program.rules.flatMap((rule): Truth[] => {
    const about = [rule.id];
    const text = `when ${sayCondition(program, rule.when)}`;
    if (!joints.some((joint) => worlds.some((world) => met(program, rule, joint, world))))
      return [{ kind: 'never active', text: `Rule “${text}” is never active.`, about }];
    const drives = rule.then.some((act) => act.do === 'drive');
    const stays = rule.hold > 0 || rule.latch || (rule.atLeast ?? 0) > 0;
    if (!drives || stays || !isEvent(rule.when)) return [];
    const cure = 'what happens in a moment needs a hold';
    return [
      { kind: 'no time', text: `Rule “${text}” drives its outputs for no time: ${cure}.`, about },
    ];
  });
}

/** Rules that drive one output differently and can be active together. */
function fights(program: Program, { joints, worlds }: Reached): Truth[] {
  const truths: Truth[] = [];
  const lasts = (rule: Rule): boolean => rule.latch || rule.hold > 0 || (rule.atLeast ?? 0) > 0;
  program.rules.forEach((first, i) =>
    program.rules.slice(i + 1).forEach((second) => {
      const output = program.outputs.find((o) => differ(first, second, o.id));
      if (!output) return;
      const together =
        lasts(first) ||
        lasts(second) ||
        joints.some((j) =>
          worlds.some((w) => met(program, first, j, w) && met(program, second, j, w)),
        );
      if (!together) return;
      const text = `Two rules want ${output.name} differently at once: “when ${sayCondition(program, first.when)}” and “when ${sayCondition(program, second.when)}”. The first decides.`;
      truths.push({ kind: 'fight', text, about: [first.id, second.id, output.id] });
    }),
  );
  return truths;
}

function differ(first: Rule, second: Rule, output: string): boolean {
  const drive = (rule: Rule): string | undefined => {
    const act = rule.then.find((a) => a.do === 'drive' && a.output === output);
    return act?.do === 'drive' ? JSON.stringify(act.drive) : undefined;
  };
  const [one, other] = [drive(first), drive(second)];
  return one !== undefined && other !== undefined && one !== other;
}
