import type { Finding } from '@yurei/core/check';

/** The steps in working order. Those without a path are not in this version yet. */
export const steps: readonly { name: string; path?: string; findings?: Finding['step'] }[] = [
  { name: 'Plan' },
  { name: 'Wire', path: 'wire', findings: 'wire' },
  { name: 'Set', path: 'set', findings: 'set' },
  { name: 'Act', path: 'act', findings: 'act' },
  { name: 'Rehearse', path: 'rehearse' },
  { name: 'Drive & feed', findings: 'drive' },
  { name: 'Build' },
  { name: 'Code' },
  { name: 'Log' },
];
