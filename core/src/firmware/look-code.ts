import {
  bool,
  name,
  set,
  when,
  type Declaration,
  type Expression,
  type Statement,
} from '../code/index.js';
import { kindOfCondition, partsOf, type CodeAt, type Condition } from '../condition/index.js';
import { variable, type Frame } from './frame.js';

/** How a condition is looked at. */
export interface Looked {
  value: Expression;
  declares: readonly Declaration[];
  /** What is done before its value stands. */
  does: readonly Statement[];
  /** It looks at what a round changes, or remembers something: it is looked at before anything changes. */
  first: boolean;
}

/** A condition with all its parts, each looked at once, in their order. */
export function lookCode(frame: Frame, condition: Condition, base: string): Looked {
  const parts = partsOf(condition).map((part) => lookCode(frame, part, base));
  const declares: Declaration[] = parts.flatMap((p) => p.declares);
  const does: Statement[] = parts.flatMap((p) => p.does);
  let first = parts.some((p) => p.first);
  const inward = <T>(found: T): T => {
    first = true;
    return found;
  };
  const made = (end: string): string => frame.names.extend(base, end);
  const at: CodeAt = {
    parts: parts.map((p) => p.value),
    channel: frame.channel,
    counter: (id) => inward(name(frame.counter(id))),
    inMode: (machine, mode) => inward(frame.inMode(machine, mode)),
    isActive: (rule) => {
      frame.asked.add(rule);
      return inward(name(frame.rule(rule).active));
    },
    isPlayed: (sequence) => inward(name(frame.sequence(sequence).played)),
    get clock() {
      return frame.clock;
    },
    now: name('now'),
    remember: (end, type, begins) => {
      const called = made(end);
      declares.push(variable(called, type, begins));
      return inward(name(called));
    },
    list: (end, type, length) => {
      const called = made(end);
      declares.push({ declares: 'list', name: called, type, length });
      return inward(called);
    },
    once: (end, value) => {
      if (value.is === 'name' || value.is === 'bool') return value;
      const called = made(end);
      does.push({ do: 'let', name: called, type: 'bool', value });
      return inward(name(called));
    },
    first: (...statements) => inward(does.push(...statements)),
  };
  const { code, event } = kindOfCondition(condition);
  const value = code(condition, at);
  if (event) {
    frame.passing = 'passing';
    does.push(...when(value, [set(frame.passing, bool(true))]));
  }
  return { value, declares, does, first };
}

/** Conditions of one thing, as its own step sees them: those that look inward by what was seen before anything changed. */
export class Looks {
  readonly declares: Declaration[] = [];
  readonly does: Statement[] = [];

  constructor(private readonly frame: Frame) {}

  /** The value of a condition, by a name of its own where it has to be looked at first. */
  at(condition: Condition, base: string, end: string): Expression {
    const called = this.frame.names.extend(base, end);
    const { value, declares, does, first } = lookCode(this.frame, condition, called);
    this.declares.push(...declares);
    this.does.push(...does);
    return first ? this.seen(called, value) : value;
  }

  /** The function that looks, with what it remembers; without a name where nothing has to be looked at first. */
  function(base: string): { called?: string; declares: readonly Declaration[] } {
    if (this.does.length === 0) return { declares: this.declares };
    const called = this.frame.names.extend(base, 'Look');
    const note = 'Looks, before anything changes.';
    const look = { declares: 'function', name: called, takes: [], body: this.does, note } as const;
    return { called, declares: [...this.declares, look] };
  }

  /** What is seen before anything changes. */
  seen(called: string, value: Expression): Expression {
    this.declares.push(variable(called, 'bool'));
    this.does.push(set(called, value));
    return name(called);
  }
}
