import type { Action, Amount, Design, Drive } from '@yurei/core/design';
import { patternOf, patterns } from '@yurei/core/logic';
import type { Choice } from '../common/choice-field';

/** Ways of driving an output as they are offered; "pattern evacuation" and the like are patterns with a name. */
export function driveChoices(design: Design, drive: Drive): Choice[] {
  const own = drive.as === 'pattern' && !patternOf(drive);
  return [
    { value: 'on', label: 'on' },
    { value: 'off', label: 'off, whatever follows' },
    { value: 'level', label: 'at a level' },
    ...patterns.map((p) => ({ value: `pattern ${p.id}`, label: `pattern ${p.name}` })),
    { value: 'pattern own', label: own ? 'pattern of its own' : 'pattern …' },
    ...design.counters.map((c) => ({
      value: `flash ${c.id}`,
      label: `flash ${c.name || c.id} times`,
    })),
    ...design.counters.map((c) => ({
      value: `counter ${c.id}`,
      label: `level by ${c.name || c.id}`,
    })),
    ...design.channels.map((c) => ({
      value: `channel ${c.id}`,
      label: `level follows ${c.name || c.id}`,
    })),
  ];
}

/** The offered way that a drive is. */
export function driveChoice(drive: Drive): string {
  if (drive.as === 'on' || drive.as === 'off') return drive.as;
  if (drive.as === 'level') {
    if (typeof drive.level === 'number') return 'level';
    return 'counter' in drive.level
      ? `counter ${drive.level.counter}`
      : `channel ${drive.level.channel}`;
  }
  if (typeof drive.times === 'object') return `flash ${drive.times.counter}`;
  return `pattern ${patternOf(drive)?.id ?? 'own'}`;
}

/** The drive of an offered way, to begin with. */
export function driveFrom(design: Design, choice: string): Drive {
  const [what, which = ''] = choice.split(' ');
  switch (what) {
    case 'off':
      return { as: 'off' };
    case 'level':
      return { as: 'level', level: 0.5 };
    case 'pattern':
      return {
        as: 'pattern',
        beats: [...(patterns.find((p) => p.id === which)?.beats ?? [0.3, 0.7])],
      };
    case 'flash':
      return { as: 'pattern', beats: [0.2, 0.3], times: { counter: which }, pause: 2 };
    case 'counter':
      return { as: 'level', level: byCounter(design, which) };
    case 'channel':
      return { as: 'level', level: { channel: which, from: 0, to: 1023 } };
    default:
      return { as: 'on' };
  }
}

const byCounter = (design: Design, counter: string): Amount => ({
  counter,
  of: Math.max(1, design.counters.find((c) => c.id === counter)?.most ?? 1),
});

/** What can be done, as it is offered: drive an output, count, set, play, stop. */
export function actChoices(design: Design, momentary: boolean): Choice[] {
  const name = (item: { id: string; name: string }): string => item.name || item.id;
  return [
    ...(momentary ? [] : design.outputs.map((o) => ({ value: `drive ${o.id}`, label: name(o) }))),
    ...design.counters.flatMap((c) => [
      { value: `count ${c.id}`, label: `count ${name(c)}` },
      { value: `set ${c.id}`, label: `set ${name(c)}` },
    ]),
    ...design.sequences.flatMap((s) => [
      { value: `play ${s.id}`, label: `play ${name(s)}` },
      { value: `stop ${s.id}`, label: `stop ${name(s)}` },
    ]),
  ];
}

/** The offered act that an action is. */
export function actChoice(act: Action): string {
  if (act.do === 'drive') return `drive ${act.output}`;
  return `${act.do} ${'counter' in act ? act.counter : act.sequence}`;
}

/** The action of an offered act, with what it kept of the one before. */
export function actFrom(choice: string, before?: Action): Action {
  const [what, which = ''] = choice.split(' ');
  switch (what) {
    case 'count':
      return { do: 'count', counter: which, by: 1 };
    case 'set':
      return { do: 'set', counter: which, to: 0 };
    case 'play':
      return { do: 'play', sequence: which };
    case 'stop':
      return { do: 'stop', sequence: which };
    default: {
      const drive: Drive = before?.do === 'drive' ? before.drive : { as: 'on' };
      return { do: 'drive', output: which, drive };
    }
  }
}
