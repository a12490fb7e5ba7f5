import { defineCondition } from '../condition-kind.js';
import { name } from '../field.js';

export interface RuleActive {
  is: 'rule';
  rule: string;
}

export const ruleActive = defineCondition<RuleActive>({
  is: 'rule',
  fields: { rule: name('rule', 'Rule') },
  look: ({ rule }, { view }) => view.rules[rule]?.active ?? false,
  code: ({ rule }, { isActive }) => isActive(rule),
  say: ({ rule }) => `rule ${rule} is active`,
  phrase: () => ['rule', { field: 'rule' }, 'is active'],
  written: { call: 'active' },
  offer: {
    label: 'another rule is active',
    alone: ({ rules: [first] }) => first && { is: 'rule', rule: first.id },
  },
});
