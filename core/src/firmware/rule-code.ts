import {
  and,
  bool,
  lasted,
  ms,
  name,
  not,
  or,
  set,
  signs,
  when,
  whole,
  type Expression,
  type Section,
  type Statement,
} from '../code/index.js';
import type { Rule } from '../design/index.js';
import { sayRule } from '../logic/index.js';
import { actCode } from './act-code.js';
import type { Stepped } from './chart-code.js';
import { variable, type Frame } from './frame.js';
import { Looks } from './look-code.js';

const now = name('now');

/** A rule: when it begins, how long it lasts, when it may begin again. */
export function ruleCode(frame: Frame, rule: Rule): Stepped {
  const { base, active } = frame.rule(rule.id);
  const looks = new Looks(frame);
  const holds = holdsOf(looks, rule, base);
  const ends = rule.until ? looks.at(rule.until, base, 'Ends') : bool(false);
  const step = new RuleStep(frame, rule, holds, ends);
  const steps = frame.names.extend(base, 'Step');
  const look = looks.function(base);
  const body = step.body();
  const section: Section = {
    title: `Rule ${rule.id}`,
    about: rule.id,
    says: [sayRule(frame.design, rule)],
    holds: [
      variable(active, 'bool'),
      ...step.declares,
      ...look.declares,
      {
        declares: 'function',
        name: steps,
        takes: [],
        gives: 'bool',
        body,
        note: 'Tells whether it began or ended.',
      },
    ],
  };
  return { ...(look.called ? { looks: look.called } : {}), steps, section };
}

/** `when` and `while` together. */
function holdsOf(looks: Looks, rule: Rule, base: string): Expression {
  const holds = looks.at(rule.when, base, 'Wanted');
  return rule.while ? and(holds, looks.at(rule.while, base, 'Allowed')) : holds;
}

/** The step of one rule, with the variables that it takes and no others. */
class RuleStep {
  readonly declares: Section['holds'][number][] = [];
  private readonly active: Expression;
  private readonly began?: Expression;
  private readonly until?: Expression;
  private readonly ceased?: Expression;
  private readonly locked?: Expression;
  private readonly spent?: Expression;
  private readonly turned: Statement[] = [];

  constructor(
    private readonly frame: Frame,
    private readonly rule: Rule,
    private readonly holds: Expression,
    private readonly ends: Expression,
  ) {
    const { base, active, turns } = frame.rule(rule.id);
    if (frame.tells) {
      this.declares.push(variable(turns, 'byte'));
      this.turned.push(set(turns, signs('+', name(turns), whole(1))));
    }
    this.active = name(active);
    const make = (end: string, type: 'bool' | 'moment'): Expression => {
      const called = frame.names.extend(base, end);
      this.declares.push(variable(called, type));
      return name(called);
    };
    const { atLeast, atMost, once, latch, hold, lockOut, then } = rule;
    const beats = then.some((a) => a.do === 'drive' && a.drive.as === 'pattern');
    if (atLeast || atMost !== undefined || once || beats) this.began = make('Began', 'moment');
    if (!latch && !once && hold > 0) {
      this.ceased = make('Ceased', 'bool');
      this.until = make('Until', 'moment');
    }
    if (lockOut) this.locked = make('Locked', 'moment');
    // Only what ends while its condition still holds has to wait for that to cease.
    if (atMost !== undefined || once) this.spent = make('Spent', 'bool');
    if (this.began) frame.began.set(rule.id, this.began);
  }

  body(): Statement[] {
    const { active, rule, holds, ends, frame, spent } = this;
    const held = frame.names.extend(frame.rule(rule.id).base, 'Now');
    const once: Statement[] =
      holds.is === 'name' ? [] : [{ do: 'let', name: held, type: 'bool', value: holds }];
    const isHeld = holds.is === 'name' ? holds : name(held);
    const acts = rule.then.flatMap((act) => (act.do === 'drive' ? [] : [actCode(frame, act)]));
    const begins = and(
      isHeld,
      not(ends),
      spent ? not(spent) : bool(true),
      this.locked ? signs('>=', now, this.locked) : bool(true),
    );
    return [
      ...once,
      ...(spent ? when(not(isHeld), [set(spent, bool(false))]) : []),
      ...when(not(active), [
        ...when(begins, [
          set(active, bool(true)),
          ...this.turned,
          ...(this.began ? [set(this.began, now)] : []),
          ...(this.ceased ? [set(this.ceased, bool(false))] : []),
          ...acts,
          { do: 'return', value: bool(true) },
        ]),
        { do: 'return', value: bool(false) },
      ]),
      ...this.holding(isHeld),
      ...when(not(this.over(isHeld)), [{ do: 'return', value: bool(false) }]),
      set(active, bool(false)),
      ...this.turned,
      ...(this.locked && rule.lockOut ? [set(this.locked, signs('+', now, ms(rule.lockOut)))] : []),
      ...(spent ? [set(spent, and(isHeld, not(ends)))] : []),
      { do: 'return', value: bool(true) },
    ];
  }

  /** From when its condition has ceased, the hold runs. */
  private holding(holds: Expression): Statement[] {
    const { ceased, until, rule } = this;
    if (!ceased || !until) return [];
    return when(
      holds,
      [set(ceased, bool(false))],
      when(not(ceased), [set(ceased, bool(true)), set(until, signs('+', now, ms(rule.hold)))]),
    );
  }

  private over(holds: Expression): Expression {
    const { atLeast, atMost, latch, once, hold } = this.rule;
    const { began, ceased, until, ends } = this;
    const tooLong = atMost !== undefined && began ? lasted(began, atMost) : bool(false);
    if (latch) return or(ends, tooLong);
    const long = atLeast && began ? lasted(began, atLeast) : bool(true);
    const out =
      once && began
        ? lasted(began, hold)
        : ceased && until
          ? and(ceased, signs('>=', now, until))
          : not(holds);
    return or(ends, tooLong, and(long, out));
  }
}
