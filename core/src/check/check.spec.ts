import { applyEdit, emptyDesign, type Design, type Edit } from '../design/index.js';
import { rehearse } from '../rehearsal/index.js';
import { slipwayBeam } from '../testing/demo.js';
import { sketch } from '../testing/small.js';
import { check, fiveQuestions, gatherEvidence } from './index.js';

const find = (design: Design) => check(gatherEvidence(design, design.scenes[0]));
const edited = (...edits: Edit[]): Design => edits.reduce(applyEdit, slipwayBeam());
const channel = slipwayBeam().channels[0];

describe('findings', () => {
  it('the demo is sound', () => {
    expect(
      find(slipwayBeam()).filter((f) => f.severity === 'error' || f.severity === 'caution'),
    ).toEqual([]);
  });

  const cases: [string, Design, RegExp, boolean][] = [
    [
      'a coil without its diode',
      edited({ type: 'remove-part', id: 'D1' }),
      /No diode across Sounder/,
      true,
    ],
    [
      'a thin base current',
      edited({ type: 'set-param', id: 'R2', param: 'ohms', value: 22000 }),
      /Base current of Sounder switch is thin/,
      true,
    ],
    [
      'an overloaded resistor',
      edited({ type: 'set-param', id: 'R3', param: 'watts', value: 0.1 }),
      /Lamp resistor is overloaded/,
      false,
    ],
    [
      'an output pin not set up',
      edited({ type: 'set-pin', pin: 'U1.D8', mode: 'input' }),
      /U1.D8 is not set up/,
      true,
    ],
    [
      'a channel on a pin without a converter',
      edited({ type: 'put-channel', channel: { ...channel, pin: 'U1.D9' } }),
      /U1.D9 cannot be analogue/,
      false,
    ],
    [
      'a level beyond full scale',
      edited({ type: 'put-channel', channel: { ...channel, threshold: 1000, hysteresis: 60 } }),
      /never switch both ways/,
      false,
    ],
    [
      'a channel tripped at rest',
      edited({ type: 'put-channel', channel: { ...channel, threshold: 900 } }),
      /tripped at rest/,
      false,
    ],
    [
      'hysteresis narrower than the noise',
      edited({ type: 'put-channel', channel: { ...channel, hysteresis: 1 } }),
      /may chatter/,
      true,
    ],
    [
      'a terminal left open',
      edited({ type: 'remove-wire', id: 'w9' }),
      /Load resistor: b open/,
      false,
    ],
    [
      'a channel without voltage',
      edited({ type: 'remove-wire', id: 'w7' }),
      /reads nothing/,
      false,
    ],
    ['grounds apart', edited({ type: 'remove-wire', id: 'w2' }), /No path to ground|open/, false],
  ];
  it.each(cases)('%s is found, and its fix cures it', (_, design, title, hasFix) => {
    const finding = find(design).find((f) => title.test(f.title));
    expect(finding).toBeDefined();
    expect(finding?.fix !== undefined).toBe(hasFix);
    if (!finding?.fix) return;
    const cured = find(applyEdit(design, finding.fix.edit));
    expect(cured.some((f) => f.id === finding.id && f.severity !== 'fine')).toBe(false);
  });

  it('a reversed diode across a coil is named', () => {
    const design = sketch(
      ['adapter G', 'sounder-12v P', 'rectifier-diode D'],
      ['G.plus P.plus', 'P.minus G.minus', 'D.a P.plus', 'D.k P.minus'],
    );
    expect(
      find(design)
        .map((f) => f.title)
        .join(),
    ).toMatch(/wrong way round/);
  });

  it('shows the cautions of every kind in use', () => {
    const safety = find(slipwayBeam())
      .filter((f) => f.severity === 'safety')
      .map((f) => f.reason)
      .join(' ');
    expect(safety).toMatch(/Mains voltage can kill/);
    expect(safety).toMatch(/local noise and duration rules/);
  });
});

describe('the five questions', () => {
  const ask = (design: Design, rehearsed = true) => {
    const evidence = gatherEvidence(design, design.scenes[0]);
    const rehearsal = rehearsed ? rehearse(design, design.scenes[0]) : undefined;
    return fiveQuestions(evidence, check(evidence), rehearsal);
  };
  it('are answered from what was computed', () => {
    const answers = ask(slipwayBeam());
    expect(answers.map((a) => a.state)).toEqual(['fine', 'fine', 'fine', 'unknown', 'unknown']);
    expect(answers[0]).toMatchObject({ value: '1 of 1' });
    expect(answers[2].value).toMatch(/^\d+ %$/);
  });
  it('say what is not computed yet', () => {
    expect(
      ask(slipwayBeam(), false)
        .slice(0, 2)
        .map((a) => a.value),
    ).toEqual(['not computed yet', 'not computed yet']);
    expect(
      ask(slipwayBeam())
        .slice(3)
        .map((a) => a.value),
    ).toEqual(['not computed yet', 'not computed yet']);
    const empty = emptyDesign('Empty');
    const evidence = gatherEvidence(empty, undefined);
    expect(
      fiveQuestions(evidence, check(evidence), undefined).every((a) => a.state === 'unknown'),
    ).toBe(true);
  });
  it('turn red with what is wrong', () => {
    const false_ = edited({ type: 'put-channel', channel: { ...channel, hits: 1 } });
    expect(ask(false_)[1]).toMatchObject({ state: 'error', value: '1 false' });
    expect(ask(edited({ type: 'remove-part', id: 'D1' }))[2].state).toBe('error');
  });
});
