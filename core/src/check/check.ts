import type { Accepted, Design } from '../design/index.js';
import type { Evidence } from './evidence.js';
import { consequences, type Finding, type Rule, type Severity } from './finding.js';
import { rules } from './rules.js';

const order: Record<Severity, number> = {
  error: 0,
  caution: 0,
  note: 1,
  fine: 2,
  safety: 3,
  accepted: 4,
};

/**
 * Everything the rules find: what has to be seen to first, the worst consequence before the others, what is sure before what
 * may be.
 *
 * @param by the rules that are asked; all where nothing is said
 */
export function check(evidence: Evidence, by: readonly Rule[] = rules): Finding[] {
  return by
    .flatMap((rule) =>
      rule.find(evidence).map((found): Finding => {
        const { subject, severity = rule.severity, consequence = rule.consequence } = found;
        const { title, reason, about, fix } = found;
        return accepted(evidence.design, {
          ...{ title, reason, about, ...(fix ? { fix } : {}) },
          id: `${rule.code}:${subject}`,
          ...{ code: rule.code, severity, consequence, concern: rule.concern },
          bench: severity === 'fine' ? '' : rule.bench,
        });
      }),
    )
    .sort(byWeight);
}

/** What has to be seen to first comes first. */
export const byWeight = (a: Finding, b: Finding): number =>
  order[a.severity] - order[b.severity] ||
  consequences.indexOf(a.consequence) - consequences.indexOf(b.consequence) ||
  Number(b.severity === 'error') - Number(a.severity === 'error');

/** Whether something has to be done about a finding. */
export const isOpen = ({ severity }: Finding): boolean =>
  severity === 'error' || severity === 'caution';

/** Whether a finding can be said to be no mistake: nothing by which someone may be hurt. */
export const isAcceptable = ({ severity, consequence }: Finding): boolean =>
  severity in severities && consequence !== 'danger';

const severities: Readonly<Record<Accepted['severity'], number>> = {
  note: 0,
  caution: 1,
  error: 2,
};

/** A finding as it is in a design that says that it is no mistake there, unless it has become more severe since. */
function accepted(design: Design, finding: Finding): Finding {
  const found = design.accepted.find((a) => a.finding === finding.id);
  if (!found || !isAcceptable(finding)) return finding;
  const severity = finding.severity as Accepted['severity'];
  if (severities[severity] > severities[found.severity]) return finding;
  return { ...finding, severity: 'accepted', accepted: found.reason };
}
