/** Findings that are no mistake in a design, and what comes of each finding. */
import { applyEdit, type Accepted, type Design } from '../design/index.js';
import { brief } from '../testing/small.js';
import {
  byWeight,
  check,
  consequences,
  gatherEvidence,
  rules,
  sayConsequence,
  type Finding,
} from './index.js';

const found = (design: Design): Finding[] => check(gatherEvidence(design, undefined));
const one = (design: Design, code: string): Finding | undefined =>
  found(design).find((f) => f.code === code);
const accept = (design: Design, { id, severity }: Finding, reason: string): Design =>
  applyEdit(design, {
    type: 'accept-finding',
    accepted: { finding: id, severity: severity as Accepted['severity'], reason },
  });

const dim = (ohms: number): Design =>
  brief(`adapter G volts=5, resistor R ohms=${ohms}, led D`, 'G.plus R.a, R.b D.a, D.k G.minus');

describe('a finding that is no mistake here', () => {
  const open = one(dim(4e3), 'led-dim') as Finding;
  it('is told no more, and says why', () => {
    expect(open.severity).toBe('caution');
    const design = accept(dim(4e3), open, 'It is for a dark cupboard.');
    expect(one(design, 'led-dim')).toMatchObject({
      severity: 'accepted',
      accepted: 'It is for a dark cupboard.',
    });
    expect(found(design).at(-1)?.severity).toBe('accepted');
  });

  it('is told again when it is taken back, or its part goes and another comes', () => {
    const design = accept(dim(4e3), open, 'For a cupboard.');
    const again = applyEdit(design, { type: 'reopen-finding', finding: open.id });
    expect(again.accepted).toEqual([]);
    expect(one(again, 'led-dim')?.severity).toBe('caution');
    expect(applyEdit(design, { type: 'remove-part', id: 'D' }).accepted).toEqual([]);
    expect(applyEdit(design, { type: 'remove-part', id: 'R' }).accepted).toHaveLength(1);
  });

  it('is told again when it has become more severe', () => {
    const design = accept(dim(4e3), { ...open, severity: 'note' }, 'For a cupboard.');
    expect(one(design, 'led-dim')?.severity).toBe('caution');
  });

  it('needs a reason', () => {
    expect(() => accept(dim(4e3), open, ' ')).toThrow(/Say why/);
  });

  it('is never one by which someone may be hurt', () => {
    const live = brief(
      'adapter G volts=48, adapter S volts=48, resistor R',
      'S.plus R.a, R.b G.minus, G.plus S.minus',
    );
    const danger = one(live, 'volts-dangerous') as Finding;
    expect(danger.consequence).toBe('danger');
    expect(one(accept(live, danger, 'I am careful.'), 'volts-dangerous')?.severity).toBe('error');
  });
});

describe('what comes of a finding', () => {
  it('orders them: danger, fire, missed, false, worn out, untidy; what is sure before what may be', () => {
    const all = consequences.flatMap((consequence) =>
      (['caution', 'error'] as const).map((severity) => ({ ...openOf(severity), consequence })),
    );
    const sorted = [...all].reverse().sort(byWeight);
    expect(sorted.map((f) => f.consequence)).toEqual(consequences.flatMap((c) => [c, c]));
    expect(sorted.slice(2, 6).map(sayConsequence)).toEqual([
      'will burn',
      'may burn',
      'will not notice',
      'may not notice',
    ]);
  });

  it('is said by every rule, and each of the six by one rule at least', () => {
    expect(new Set(rules.map((r) => r.consequence))).toEqual(new Set(consequences));
  });
});

const openOf = (severity: Finding['severity']): Finding => ({
  ...{ id: 'x:y', code: 'x', title: '', reason: '', about: [], bench: '' },
  ...{ severity, consequence: 'untidy', concern: 'wiring' },
});
