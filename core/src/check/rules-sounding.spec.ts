/** Rules about what sounds and what its program does: tones, ends, dimming, boards that cannot. */
import type { Act, Condition, Design, Drive, Rule } from '../design/index.js';
import { complaints, expectRule, type RuleCase } from '../testing/rule-cases.js';
import { brief, channel, onBoard, output, placed } from '../testing/small.js';

/** A light sensor of a design that has a program. */
const photo = placed(
  onBoard(
    'photoresistor B, resistor R ohms=10000',
    'U.5V B.a, B.b R.a, R.b U.GND, B.b U.A0',
    channel('U.A0', { threshold: 600 }),
  ),
);

/** A passive piezo on a pin, with how it is driven. */
const beeper = (pin: string, drive: Drive, params = ''): Design =>
  onBoard(`piezo-buzzer P ${params}`, `P.a U.${pin}, P.b U.GND`, {
    ...output(`U.${pin}`),
    rules: output(`U.${pin}`).rules.map((rule) => ({
      ...rule,
      then: [{ do: 'drive', output: 'o1', drive }],
    })),
  });

/** A light sensor of which so many readings are smoothed by their median, one each 10 ms. */
const smoothed = (n: number): Design => {
  const design = photo;
  const filter = { by: 'median', n } as const;
  return { ...design, channels: design.channels.map((c) => ({ ...c, filter, every: 0.01 })) };
};
/** With a watchdog that waits so long, s. */
const watched = (watchdog: number): Design => {
  const design = photo;
  return { ...design, controller: { ...design.controller, watchdog } };
};

/** A horn that a rule starts and, unless something more is said, never ends. */
const horned = (more: Partial<Rule>, wave: Drive = { as: 'on' }): Design => {
  const design = onBoard(
    'active-buzzer H, npn-transistor Q, resistor R ohms=1000',
    'U.D8 R.a, R.b Q.b, Q.e U.GND, U.5V H.plus, H.minus Q.c',
    output('U.D8'),
  );
  const [rule] = design.rules;
  const then = [{ do: 'drive', output: 'o1', drive: wave }] as const;
  return { ...design, rules: [{ ...rule, latch: true, then: [...then], ...more }] };
};

/** A sequence of the horn, played once by each beginning, or until it is stopped. */
const played = (times: number): Design => ({
  ...horned({ latch: false, then: [{ do: 'play', sequence: 's1' }] }),
  sequences: [
    {
      ...{ id: 's1', name: 'Alarm', length: 4, times },
      lanes: [{ output: 'o1', blocks: [{ start: 0, length: 2, drive: { as: 'on' } }] }],
    },
  ],
});

/** The same begun by a change of modes; a way back may stop it. */
const byMode = (...back: Act[]): Design => {
  const plain = played(0);
  const when: Condition = { is: 'any', of: [] };
  return {
    ...plain,
    rules: [],
    machines: [
      {
        ...{ id: 'm1', name: 'Guard', start: 'a' },
        modes: [
          { id: 'a', name: 'Off' },
          { id: 'b', name: 'Alarm' },
        ],
        transitions: [
          { from: 'a', to: 'b', when, then: [{ do: 'play', sequence: 's1' }] },
          { from: 'b', to: 'a', after: 60, then: back },
        ],
      },
    ],
  };
};

const never: Rule['when'] = { is: 'any', of: [] };

/** A part fed from 12 V through a MOSFET, driven so by a pin that can be dimmed. */
const fed = (part: string, drive: Drive): Design =>
  driven(
    onBoard(
      `adapter E volts=12, ${part} P, rectifier-diode D, logic-mosfet Q, resistor R ohms=220, resistor S ohms=10000`,
      'U.D9 R.a, R.b Q.g, Q.g S.a, S.b U.GND, Q.s U.GND, E.minus U.GND, Q.d P.minus, P.plus E.plus, D.a P.minus, D.k P.plus',
      output('U.D9'),
    ),
    drive,
  );
const driven = (design: Design, drive: Drive): Design => ({
  ...design,
  rules: design.rules.map((rule) => ({
    ...rule,
    then: [{ do: 'drive' as const, output: 'o1', drive }],
  })),
});
const half: Drive = { as: 'level', level: 0.5 };
const arm = (drive: Drive): Design =>
  driven(
    onBoard(
      'adapter E volts=5, servo M',
      'E.plus M.VCC, E.minus M.GND, E.minus U.GND, M.SIG U.D9',
      output('U.D9'),
    ),
    drive,
  );

const cases: RuleCase[] = [
  ['program-lacks', watched(8.1), watched(8)],
  ['program-slow', smoothed(63), smoothed(3)],
  ['steady-tone', beeper('D9', { as: 'on' }), beeper('D9', { as: 'level', level: 0.5 })],
  [
    'steady-tone',
    beeper('D8', { as: 'pattern', beats: [0.5, 0.5] }),
    beeper('D8', { as: 'pattern', beats: [0.001, 0.001] }),
  ],
  ['program-lacks', fed('fan-12v', half), fed('fan-12v', { as: 'on' })],
  ['program-lacks', fed('sounder-12v', half), fed('sounder-12v', { as: 'on' })],
  ['program-lacks', fed('fan-12v', half), fed('pump-12v', half)],
  // A tone is loudest at the disc's own frequency; a dimmed pin of this board swings at 490 Hz.
  ['tone-off-resonance', beeper('D9', half), beeper('D9', half, 'resonance=500')],
  ['sounder-without-end', horned({}), horned({ atMost: 60 })],
  ['sounder-without-end', horned({}), horned({ until: never })],
  ['sounder-without-end', horned({}), horned({ latch: false })],
  ['sounder-without-end', horned({}), horned({}, { as: 'off' })],
  ['sounder-without-end', horned({}), horned({}, { as: 'pattern', beats: [1, 1], times: 3 })],
  ['sounder-without-end', played(0), played(5)],
  ['sounder-without-end', byMode(), byMode({ do: 'stop', sequence: 's1' })],
];

describe.each(cases)('%s', (...rule) => {
  it('finds its fault, spares the sound design, and its fix cures it', () => {
    expectRule(rule);
  });
});

it.each<[string, Drive]>([
  ['switched', { as: 'on' }],
  ['dimmed', half],
])('a servo that is %s gets no pulses that it knows', (_, drive) => {
  const [found] = complaints(arm(drive), 'program-lacks');
  expect(found?.reason).toMatch(/it wants 40\.0\sHz to 60\.0\sHz.*1 to 2 ms/);
});

describe('what only a swing moves', () => {
  const astable = brief(
    'adapter G volts=5, timer-555 U, resistor RA ohms=1000, resistor RB ohms=6800, capacitor C farads=100e-9, piezo-buzzer P',
    'G.plus U.vcc, G.minus U.gnd, U.vcc RA.a, RA.b U.dis, U.dis RB.a, RB.b U.thr, U.thr U.trig, U.trig C.a, C.b U.gnd, U.reset U.vcc, U.out P.a, P.b U.gnd',
  );
  const player = onBoard(
    'audio-player A, speaker P',
    'A.VCC U.5V, A.GND U.GND, A.PLAY U.D9, A.sp P.a, A.sm P.b',
    output('U.D9', 'low'),
  );
  it.each([
    ['a timer that never rests', astable],
    ['a player', player],
  ])('is not called dead behind %s', (_, design) => {
    const found = ['actuator-dead', 'steady-tone'].flatMap((code) => complaints(design, code));
    expect(found.map((f) => f.reason)).toEqual([]);
  });

  it('is called what it is behind a transistor that is switched on', () => {
    const switched = onBoard(
      'speaker P, npn-transistor Q, resistor R ohms=470, resistor S ohms=47',
      'U.D9 R.a, R.b Q.b, Q.e U.GND, U.5V S.a, S.b P.a, P.b Q.c',
      output('U.D9'),
    );
    const [found] = complaints(switched, 'steady-tone');
    expect(found.fix?.label).toBe('Drive it half of the time');
    expect(complaints(switched, 'actuator-dead')).toEqual([]);
  });

  it('is called what it is beside a buzzer that sounds by itself', () => {
    const both = onBoard(
      'piezo-buzzer P, active-buzzer A amps=0.01',
      'P.a U.D9, P.b U.GND, A.plus U.D9, A.minus U.GND',
      output('U.D9'),
    );
    expect(complaints(both, 'steady-tone').map((f) => f.about)).toEqual([['P']]);
  });

  it('is called dead where no wire brings it anything', () => {
    const loose = onBoard(
      'piezo-buzzer P, led H, resistor R ohms=330',
      'P.a U.D8, U.D9 R.a, R.b H.a, H.k U.GND',
      output('U.D9'),
    );
    expect(complaints(loose, 'actuator-dead').map((f) => f.about)).toEqual([['P']]);
  });
});
