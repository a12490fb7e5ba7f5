import { sayCondition, sayDuration } from '../condition/index.js';
import type {
  Action,
  Amount,
  Condition,
  Drive,
  Machine,
  Notice,
  Rule,
  Transition,
} from '../design/index.js';
import { formatNominal } from '../quantity/index.js';
import { patternOf } from './patterns.js';
import type { Program } from './program.js';

type Named = Pick<Program, 'channels' | 'outputs' | 'counters' | 'machines' | 'sequences'>;

const nameIn = (list: readonly { id: string; name: string }[], id: string): string =>
  list.find((item) => item.id === id)?.name || id;

/** How an output is driven: "on", "at 40 %", "follows knob", "in the pattern evacuation". */
export function sayDrive(program: Named, drive: Drive): string {
  if (drive.as === 'on' || drive.as === 'off') return drive.as;
  if (drive.as === 'level') return sayAmount(program, drive.level);
  const pattern =
    patternOf(drive)?.name ?? drive.beats.map((b) => formatNominal(b, 's')).join(' · ');
  const { times, pause } = drive;
  if (times === undefined) return `pattern ${pattern}`;
  const often =
    typeof times === 'number' ? `${times}` : `${nameIn(program.counters, times.counter)}`;
  const again = pause === undefined ? '' : `, again after ${sayDuration(pause)}`;
  return `flashes ${often} times (${pattern})${again}`;
}

function sayAmount(program: Named, amount: Amount): string {
  if (typeof amount === 'number') return `at ${Math.round(amount * 100)} %`;
  if ('counter' in amount) return `at ${nameIn(program.counters, amount.counter)} of ${amount.of}`;
  return `follows ${nameIn(program.channels, amount.channel)}`;
}

/** What is done: "siren on", "count visitors up by 1", "play show". */
export function sayAction(program: Named, act: Action): string {
  switch (act.do) {
    case 'drive':
      return `${nameIn(program.outputs, act.output)} ${sayDrive(program, act.drive)}`;
    case 'count': {
      const way = act.by < 0 ? 'down' : 'up';
      return `count ${nameIn(program.counters, act.counter)} ${way} by ${Math.abs(act.by)}`;
    }
    case 'set':
      return `set ${nameIn(program.counters, act.counter)} to ${act.to}`;
    default:
      return `${act.do} ${nameIn(program.sequences, act.sequence)}`;
  }
}

/** A rule as one sentence. */
export function sayRule(program: Named, rule: Rule): string {
  const say = (c: Condition): string => sayCondition(program, c);
  const besides = rule.while ? ` while ${say(rule.while)}` : '';
  const acts = rule.then.map((act) => sayAction(program, act)).join(', ');
  return `when ${say(rule.when)}${besides} → ${acts}${sayEnd(program, rule)}`;
}

function sayEnd(program: Named, rule: Rule): string {
  const { atLeast, atMost, lockOut, hold, once } = rule;
  const parts: string[] = [];
  if (once) parts.push(`for ${sayDuration(hold)}`);
  else if (hold > 0) parts.push(`and ${sayDuration(hold)} longer`);
  if (atLeast !== undefined) parts.push(`for at least ${sayDuration(atLeast)}`);
  if (atMost !== undefined) parts.push(`for at most ${sayDuration(atMost)}`);
  if (rule.until) parts.push(`until ${sayCondition(program, rule.until)}`);
  else if (rule.latch) parts.push('until reset');
  if (lockOut !== undefined) parts.push(`then not for ${sayDuration(lockOut)}`);
  return parts.map((part) => ` ${part}`).join(',');
}

/** "Off → Leaving: short press of key". */
export function sayTransition(program: Named, machine: Machine, transition: Transition): string {
  const from = transition.from === undefined ? 'any' : nameIn(machine.modes, transition.from);
  const then = (transition.then ?? []).map((act) => sayAction(program, act));
  return `${from} → ${nameIn(machine.modes, transition.to)}: ${[sayTrigger(program, transition), ...then].join(', ')}`;
}

/** What takes a transition: "short press of key", "after 30 s". */
export function sayTrigger(program: Named, { when, after }: Transition): string {
  const parts = [
    ...(when ? [sayCondition(program, when)] : []),
    ...(after !== undefined ? [`after ${sayDuration(after)}`] : []),
  ];
  return parts.join(', ');
}

/** "visitors, on change and every 5 min". */
export function sayNotice(program: Named, { tells, heartbeat }: Notice): string {
  const what = ((): string => {
    switch (tells.tell) {
      case 'condition':
        return sayCondition(program, tells.condition);
      case 'counter':
        return nameIn(program.counters, tells.counter);
      case 'mode':
        return nameIn(program.machines, tells.machine);
      default:
        return `${nameIn(program.channels, tells.channel)}, when it has moved by ${tells.by}`;
    }
  })();
  return `${what}${heartbeat === undefined ? '' : `, and every ${sayDuration(heartbeat)}`}`;
}
