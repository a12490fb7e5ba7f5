import type { Rule } from '../design/index.js';
import { reached } from '../quantity/index.js';
import { never, type RuleState } from './state.js';

/** Whether the condition, and what must end the rule, hold. */
export interface RuleLook {
  holds: boolean;
  ends: boolean;
}

/** One look at a rule: whether it is active now, by its hold, limits, lock-out and latch. */
export function stepRule(
  rule: Rule,
  state: RuleState,
  { holds, ends }: RuleLook,
  t: number,
): RuleState {
  const spent = state.spent && holds;
  if (!state.active) {
    const begins = holds && !spent && !ends && reached(t, state.locked);
    if (!begins) return spent === state.spent ? state : { ...state, spent };
    const until = rule.once ? t + rule.hold : Infinity;
    return { active: true, began: t, until, locked: never, spent: false };
  }
  const until = rule.once ? state.until : heldUntil(rule, state, holds, t);
  if (!isOver(rule, { ...state, until }, ends, t)) {
    return until === state.until ? state : { ...state, until };
  }
  // A latch that was reset may begin anew at once; what ran out by itself waits for its condition to cease.
  const ranOut = holds && !ends;
  return { ...state, active: false, until, locked: t + (rule.lockOut ?? 0), spent: ranOut };
}

/** While the condition holds there is no end; from when it has ceased, the hold runs. */
function heldUntil({ hold }: Rule, { until }: RuleState, holds: boolean, t: number): number {
  if (holds) return Infinity;
  return until === Infinity ? t + hold : until;
}

function isOver(rule: Rule, { began, until }: RuleState, ends: boolean, t: number): boolean {
  if (ends || reached(t, began + (rule.atMost ?? Infinity))) return true;
  if (rule.latch || !reached(t, began + (rule.atLeast ?? 0))) return false;
  return reached(t, until);
}

/** When a rule may change by itself, s. */
export function ruleDue(rule: Rule, state: RuleState, t: number): number {
  const { active, began, until, locked } = state;
  const moments = active
    ? [
        rule.latch ? Infinity : until,
        began + (rule.atLeast ?? 0),
        began + (rule.atMost ?? Infinity),
      ]
    : [locked];
  return Math.min(Infinity, ...moments.filter((m) => m > t));
}
