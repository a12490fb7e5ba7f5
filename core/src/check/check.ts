import type { Evidence } from './evidence.js';
import type { Finding, Severity } from './finding.js';
import { rules } from './rules.js';

const order: Record<Severity, number> = { error: 0, caution: 1, note: 2, fine: 3, safety: 4 };

/** Everything the rules find, errors first. */
export function check(evidence: Evidence): Finding[] {
  return rules
    .flatMap((rule) =>
      rule.find(evidence).map(({ subject, severity = rule.severity, ...found }): Finding => ({
        ...found,
        id: `${rule.code}:${subject}`,
        code: rule.code,
        severity,
        concern: rule.concern,
        bench: severity === 'fine' ? '' : rule.bench,
      })),
    )
    .sort((a, b) => order[a.severity] - order[b.severity]);
}
