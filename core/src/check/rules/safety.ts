import { kindOf } from '../../catalog/index.js';
import type { Finding, Rule } from '../finding.js';

/** The usual cautions of every kind of part in the design, once per kind. */
export const safety: Rule = ({ design }) => {
  const kinds = [...new Set(design.parts.map((p) => kindOf(p)))];
  return kinds.flatMap((kind) =>
    kind.cautions.map((caution, i): Finding => ({
      id: `safety:${kind.kind}:${i}`,
      severity: 'safety',
      step: 'wire',
      title: kind.label,
      reason: caution,
      about: design.parts.filter((p) => p.kind === kind.kind).map((p) => p.id),
    })),
  );
};
