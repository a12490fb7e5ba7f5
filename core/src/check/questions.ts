import { kindOf } from '../catalog/index.js';
import { nameOf, type Design } from '../design/index.js';
import { contactLives, electrodeLives, isBrief, sayLife, type RunDown } from '../lifetime/index.js';
import type { Rehearsal } from '../rehearsal/index.js';
import { decimals, formatQuantity } from '../quantity/index.js';
import type { Evidence } from './evidence.js';
import type { Finding } from './finding.js';
import { isClose, stresses } from './rules/ratings.js';

/** One of the five questions with its answer so far. */
export interface Answer {
  id: 'notices' | 'quiet' | 'survives' | 'lasts' | 'built';
  label: string;
  state: 'fine' | 'caution' | 'error' | 'unknown';
  /** A whole number, which every maker writes alike, or that there is none yet. */
  value: string;
  detail: string;
}

const unknown = (id: Answer['id'], label: string, detail: string): Answer => ({
  id,
  label,
  state: 'unknown',
  value: 'not computed yet',
  detail,
});

/** An answer without how it was found: what the shelf shows of it. */
export const briefly = ({
  id,
  label,
  state,
  value,
}: Answer): Pick<Answer, 'id' | 'label' | 'state' | 'value'> => ({ id, label, state, value });

/**
 * The five questions as far as they are computed: the first two from a rehearsal, the third from the
 * solved circuit at rest and fired and from what went on in the rehearsal, the fourth from how batteries run down, how often
 * contacts are switched and how electrodes are eaten where such a scene comes once a day. The last has no computing behind it yet and says so.
 *
 * @param runDown how batteries run down, where that is known
 */
export function fiveQuestions(
  evidence: Evidence,
  findings: readonly Finding[],
  rehearsal: Rehearsal | undefined,
  runDown?: RunDown,
): Answer[] {
  const { halted } = rehearsal ?? {};
  // What was followed for a part of the scene only answers neither.
  const until = halted && `followed until ${formatQuantity(halted.t, 's')} only`;
  return [
    until ? unknown('notices', 'Notices', until) : notices(rehearsal),
    until ? unknown('quiet', 'Stays quiet', until) : staysQuiet(rehearsal),
    survives(evidence, findings, rehearsal),
    until ? unknown('lasts', 'Lasts', until) : lasts(evidence.design, rehearsal, runDown),
    unknown('built', 'Built right', 'inspection'),
  ];
}

/**
 * Until a battery, a contact or an electrode is used up, where such a scene comes once a day: the first of those that do not
 * last, else the first of all.
 */
function lasts(
  design: Design,
  rehearsal: Rehearsal | undefined,
  runDown: RunDown | undefined,
): Answer {
  const base = { id: 'lasts', label: 'Lasts' } as const;
  if (!rehearsal) return unknown('lasts', 'Lasts', 'rehearse a scene');
  const { parts } = design;
  if (design.parts.some((part) => kindOf(part).store) && !runDown)
    return unknown('lasts', 'Lasts', 'batteries not followed down yet');
  const inTime = rehearsal.circuit === 'in time';
  if (!inTime && design.parts.some((part) => kindOf(part).electrodes))
    return unknown('lasts', 'Lasts', 'electrodes not followed in time yet');
  const scene = design.scenes.find((s) => s.id === rehearsal.scene);
  const worn = contactLives(design, rehearsal, 1).filter((c) => c.lasts < Infinity);
  const eaten = (scene ? electrodeLives(design, scene, rehearsal, 1) : []).filter(
    (e) => e.lasts < Infinity,
  );
  const [first] = [
    ...(runDown ? [used('battery', runDown.lasts, nameOf(parts, runDown.part))] : []),
    ...worn.map((c) => used('contacts', c.lasts, `contacts of ${nameOf(parts, c.part)}`)),
    ...eaten.map((e) => used('electrodes', e.lasts, `electrodes of ${nameOf(parts, e.part)}`)),
  ].sort((a, b) => Number(b.brief) - Number(a.brief) || a.lasts - b.lasts);
  if (!first)
    return unknown('lasts', 'Lasts', 'no battery, no relay that switches, no bare electrode');
  return {
    ...base,
    state: !first.brief ? 'fine' : first.lasts > 0 ? 'caution' : 'error',
    value: sayLife(first.lasts),
    detail:
      first.lasts === Infinity
        ? `${first.of} is charged as fast, in such light`
        : `${first.of}, one such scene a day`,
  };
}

const used = (what: Parameters<typeof isBrief>[0], lasts: number, of: string) => ({
  ...{ lasts, of },
  brief: isBrief(what, lasts),
});

function notices(rehearsal: Rehearsal | undefined): Answer {
  const wanted = rehearsal?.verdicts.filter((v) => v.intent === 'wanted') ?? [];
  if (wanted.length === 0)
    return unknown(
      'notices',
      'Notices',
      rehearsal ? 'nothing wanted in the scene' : 'rehearse a scene',
    );
  const seen = wanted.filter((v) => v.outcome === 'noticed');
  const slowest = Math.max(...seen.map((v) => v.delay ?? 0));
  return {
    id: 'notices',
    label: 'Notices',
    state: seen.length === wanted.length ? 'fine' : 'error',
    value: `${seen.length} of ${wanted.length}`,
    detail: seen.length > 0 ? `within ${formatQuantity(slowest, 's')}` : 'missed',
  };
}

function staysQuiet(rehearsal: Rehearsal | undefined): Answer {
  if (!rehearsal) return unknown('quiet', 'Stays quiet', 'rehearse a scene');
  const nuisances = rehearsal.verdicts.filter((v) => v.intent === 'nuisance');
  const tried = nuisances.filter((v) => v.outcome !== 'not tried').length;
  const untried = nuisances.length - tried;
  const loud =
    nuisances.filter((v) => v.outcome === 'fired falsely').length + rehearsal.spurious.length;
  if (tried === 0 && loud === 0) {
    const none = untried > 0 ? 'no sensor feels a nuisance' : 'no nuisance in the scene';
    return unknown('quiet', 'Stays quiet', none);
  }
  return {
    id: 'quiet',
    label: 'Stays quiet',
    state: loud === 0 ? 'fine' : 'error',
    value: loud === 0 ? `${tried} of ${tried}` : `${loud} false`,
    detail:
      loud > 0
        ? `in ${formatQuantity(rehearsal.duration, 's')}`
        : untried > 0
          ? `${untried} not felt`
          : 'one rehearsal',
  };
}

function survives(
  evidence: Evidence,
  findings: readonly Finding[],
  rehearsal: Rehearsal | undefined,
): Answer {
  const base = { id: 'survives', label: 'Survives' } as const;
  const open = findings.filter((f) => f.concern === 'drive' && f.severity === 'error');
  const [first] = open;
  if (first) {
    return {
      ...base,
      state: 'error',
      value: `${open.length} finding${open.length > 1 ? 's' : ''}`,
      detail: first.title,
    };
  }
  const [trouble, ...others] = rehearsal?.troubles ?? [];
  if (trouble) {
    const name = evidence.design.parts.find((p) => p.id === trouble.part)?.name ?? trouble.part;
    return {
      ...base,
      state: 'error',
      value: `${others.length + 1} in the scene`,
      detail: `${name} ${trouble.what}`,
    };
  }
  const worst = stresses(evidence).sort((a, b) => b.share - a.share)[0];
  if (!worst || evidence.fired.solution.method === 'none')
    return unknown('survives', 'Survives', 'nothing to solve');
  const [hardest] = [...(rehearsal?.stresses ?? [])].sort((a, b) => b.share - a.share);
  if (hardest && hardest.share > worst.share)
    return {
      ...base,
      state: isClose(hardest) ? 'caution' : 'fine',
      value: `${decimals(100 * hardest.share, 0)} %`,
      detail: `of ${hardest.part} ${hardest.label}`,
    };
  return {
    ...base,
    state: worst.close ? 'caution' : 'fine',
    value: `${decimals(100 * worst.share, 0)} %`,
    detail: `of ${worst.part.id} ${worst.label}`,
  };
}
