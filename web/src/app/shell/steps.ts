import type { Concern } from '@yurei/core/check';

/** The steps in working order. Those without a path are not in this version yet. */
export const steps: readonly { name: string; path?: string; concern?: Concern }[] = [
  { name: 'Plan', path: 'plan' },
  { name: 'Wire', path: 'wire', concern: 'wiring' },
  { name: 'Set', path: 'set', concern: 'threshold' },
  { name: 'Act', path: 'act', concern: 'rule' },
  { name: 'Rehearse', path: 'rehearse' },
  { name: 'Drive & feed', concern: 'drive' },
  { name: 'Build' },
  { name: 'Code', path: 'code' },
  { name: 'Log', path: 'log' },
];
