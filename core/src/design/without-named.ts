import { withoutParts } from '../condition/index.js';
import type { Action, Drive, Notice, Rule, Transition } from './program.js';
import type { Design } from './types.js';

/** What conditions and actions name. */
export type NamedThing =
  'channel' | 'counter' | 'machine' | 'rule' | 'sequence' | 'output' | 'notice' | 'part';

/** Everything that runs on the controller without what names a thing that goes, and so on for what goes with it. */
export function withoutNamed(design: Design, thing: NamedThing, id: string): Design {
  const names = (part: object): boolean => (part as Record<string, unknown>)[thing] === id;
  return alsoWithout(design, pruned(design, names));
}

/** Rules and notices that have gone may be named elsewhere. */
function alsoWithout(before: Design, after: Design): Design {
  const gone = <T extends { id: string }>(was: readonly T[], is: readonly T[]): string[] =>
    was.map((item) => item.id).filter((id) => !is.some((item) => item.id === id));
  const rules = gone(before.rules, after.rules);
  const notices = gone(before.notices, after.notices);
  const ruled = rules.reduce((d, id) => withoutNamed(d, 'rule', id), after);
  return notices.reduce((d, id) => withoutNamed(d, 'notice', id), ruled);
}

function pruned(design: Design, names: Names): Design {
  return {
    ...design,
    controller: withoutInSleep(design, names),
    scenes: withoutSigns(design, names),
    machines: design.machines.map((m) => ({
      ...m,
      transitions: m.transitions.flatMap((t) => keptTransition(t, names)),
    })),
    rules: design.rules.flatMap((rule) => keptRule(rule, names)),
    notices: design.notices.flatMap((notice) => keptNotice(notice, names)),
    sequences: design.sequences.map((s) => ({
      ...s,
      lanes: s.lanes
        .filter((lane) => !names(lane))
        .map((lane) => ({
          ...lane,
          ...(lane.ambient ? { ambient: keptDrive(lane.ambient, names) } : {}),
          blocks: lane.blocks.map((b) => ({ ...b, drive: keptDrive(b.drive, names) })),
        })),
    })),
  };
}

/** The same without one mode of a machine: transitions from and to it go as well. */
export function withoutMode(design: Design, machine: string, mode: string): Design {
  const names = (part: object): boolean => {
    const { is, by, ...named } = part as Record<string, unknown>;
    return (is ?? by) === 'mode' && named['machine'] === machine && named['mode'] === mode;
  };
  const after = pruned(design, names);
  const machines = after.machines.map((m) =>
    m.id === machine
      ? { ...m, transitions: m.transitions.filter((t) => t.from !== mode && t.to !== mode) }
      : m,
  );
  return alsoWithout(design, { ...after, machines });
}

type Names = (part: object) => boolean;

/** Happenings that no longer name what is gone as their sign; without any left, the usual ones count. */
const withoutSigns = ({ scenes }: Design, names: Names): Design['scenes'] =>
  scenes.some((s) => s.happenings.some((h) => h.signs?.some(names)))
    ? scenes.map((s) => ({
        ...s,
        happenings: s.happenings.map(({ signs, ...happening }) => {
          const kept = signs?.filter((sign) => !names(sign)) ?? [];
          return kept.length > 0 ? { ...happening, signs: kept } : happening;
        }),
      }))
    : scenes;

function withoutInSleep({ controller }: Design, names: Names): Design['controller'] {
  if (!controller.sleep?.unless) return controller;
  const { unless, ...sleep } = controller.sleep;
  const kept = withoutParts(unless, names);
  return { ...controller, sleep: kept ? { ...sleep, unless: kept } : sleep };
}

function keptTransition(transition: Transition, names: Names): Transition[] {
  const when = transition.when && withoutParts(transition.when, names);
  if (transition.when && !when) return [];
  const then = transition.then?.filter((act) => !names(act));
  return [{ ...transition, ...(when ? { when } : {}), ...(then ? { then } : {}) }];
}

function keptRule(rule: Rule, names: Names): Rule[] {
  const when = withoutParts(rule.when, names);
  const then = rule.then.filter((act) => !names(act)).map((act) => keptAction(act, names));
  if (!when || then.length === 0) return [];
  const { while: besides, until, ...rest } = rule;
  const [guard, reset] = [besides, until].map((c) => c && withoutParts(c, names));
  return [
    { ...rest, when, then, ...(guard ? { while: guard } : {}), ...(reset ? { until: reset } : {}) },
  ];
}

const keptAction = (act: Action, names: Names): Action =>
  act.do === 'drive' ? { ...act, drive: keptDrive(act.drive, names) } : act;

/** A level or a number of times that came from what is gone becomes plainly on, or without end. */
function keptDrive(drive: Drive, names: Names): Drive {
  if (drive.as === 'level' && typeof drive.level === 'object' && names(drive.level))
    return { as: 'on' };
  if (drive.as === 'pattern' && typeof drive.times === 'object' && names(drive.times)) {
    return { as: 'pattern', beats: drive.beats };
  }
  return drive;
}

function keptNotice(notice: Notice, names: Names): Notice[] {
  const { tells } = notice;
  if (names(tells)) return [];
  if (tells.tell !== 'condition') return [notice];
  const condition = withoutParts(tells.condition, names);
  return condition ? [{ ...notice, tells: { ...tells, condition } }] : [];
}
