/** A controller asleep and a radio on the air draw what they draw in the circuit itself: each against a closed form. */
import { demo } from '../testing/demo.js';
import { brief, channel, pins, placed, sceneOf } from '../testing/small.js';
import { eventsOf } from './events.js';
import { MomentInTime } from './moment-in-time.js';
import { rehearse } from './rehearse.js';
import { valueAt, type Trace } from './traces.js';

/** Mean of a trace that holds its value, from … to. */
function meanOf({ times, values }: Trace, from: number, to: number): number {
  let sum = 0;
  times.forEach((t, i) => {
    const end = Math.min(times[i + 1] ?? Infinity, to);
    sum += values[i] * Math.max(0, end - Math.max(t, from));
  });
  return sum / (to - from);
}

it('a chip that is awake for half a second in eight draws its current for a sixteenth of the time', () => {
  const asleep = placed(
    brief(
      'alkaline-pack G ampHours=2 ohms=1e-3 selfDischarge=0, chip-8bit-40pin U own=0.012 rail=5, resistor R ohms=10e6, resistor S ohms=10e6',
      'G.plus U.VCC, G.minus U.GND, U.VCC R.a, R.b U.PA0, U.PA0 S.a, S.b U.GND',
      {
        ...channel('U.PA0', { every: 0.1 }),
        controller: { ...pins('U.PA0 analogue').controller, sleep: { every: 8, awake: 0.5 } },
      },
    ),
  );
  const run = rehearse(asleep, sceneOf(800), undefined, 'time');
  const volts = 4.5 * 1.06;
  // 12 mA at 5 V awake, 10 µA with the watchdog on; 32 kΩ at AREF hang on nothing.
  const [awake, quiet] = [(volts ** 2 / 5) * 0.012, (volts ** 2 / 5) * 10e-6];
  expect(meanOf(run.watts, 8, 800) / (awake / 16 + (quiet * 15) / 16)).toBeCloseTo(1, 2);
  const nap = run.asleep[3];
  expect(nap.to - nap.from).toBeCloseTo(7.5, 6);
  // What is looked at in between is what was taken down.
  const looked = new MomentInTime(asleep, sceneOf(800), run);
  for (const t of [nap.from + 1, nap.to + 0.2]) {
    const amps = -(looked.at(t).solution.parts['G'].amps['plus'] ?? NaN);
    expect(amps / ((valueAt(run.watts, t) ?? NaN) / volts)).toBeCloseTo(1, 1);
  }
});

const sends = (ohms: number) =>
  placed(
    brief(
      `adapter G volts=5 ohms=${ohms} maxAmps=1, radio-board-3v3 U active=0.04 radio=0.2 airtime=0.5, push-button S bounce=0`,
      'G.plus U.VIN, G.minus U.GND, U.P4 S.a, S.b U.GND',
      {
        ...channel('U.P4', { every: 0.05, trips: 'below', threshold: 50, hysteresis: 0 }),
        ...pins('U.P4 pull-up'),
        notices: [
          {
            id: 'n',
            name: 'Pressed',
            tells: { tell: 'condition', condition: { is: 'channel', channel: 'c1' } },
          },
        ],
      },
    ),
  );

it('a message that is sent makes the supply sag by what the radio draws through its resistance, while it lasts', () => {
  const run = rehearse(sends(2), sceneOf(6, { start: 2, params: { lasts: 2 } }), undefined, 'time');
  const supply = run.nets['G.plus'];
  const at = (t: number): number => valueAt(supply, t) ?? NaN;
  const sent = run.logic.find(({ events }) =>
    events.some((e) => e.kind === 'notice' && e.told === 'yes'),
  );
  const t = sent?.t ?? NaN;
  expect(t).toBeGreaterThan(2);
  expect(at(t + 0.1) - at(t - 0.1)).toBeCloseTo(-2 * (0.2 - 0.04), 2);
  expect(at(t + 0.49)).toBeCloseTo(at(t + 0.1), 3);
  expect(at(t + 0.56)).toBeCloseTo(at(t - 0.1), 3);
  expect(run.outages).toEqual([]);
});

it('a card is written while what is told is written down, besides what is sent', () => {
  const told = sends(2);
  const withCard = {
    ...told,
    parts: [
      ...told.parts,
      { id: 'K', kind: 'memory-card', name: 'K', params: { writing: 0.1, idle: 1e-3, takes: 0.2 } },
    ],
    wires: [
      ...told.wires,
      { id: 'k1', from: 'U.3V3', to: 'K.VCC' },
      { id: 'k2', from: 'U.GND', to: 'K.GND' },
    ],
  };
  const run = rehearse(withCard, sceneOf(6, { start: 2, params: { lasts: 2 } }), undefined, 'time');
  const written = run.acting.filter((a) => a.part === 'K');
  const notices = run.logic.flatMap(({ t, events }) =>
    events.some((e) => e.kind === 'notice') ? [t] : [],
  );
  expect(notices.length).toBeGreaterThan(0);
  expect(written.map((a) => a.active)).toEqual(notices.flatMap(() => [true, false]));
  expect(written[1].t - written[0].t).toBeCloseTo(0.2, 2);
  // An entry is no alarm: that it is written tells nobody anything.
  expect(run.verdicts.every((v) => !v.because.includes('K'))).toBe(true);
});

it('a display shows what is told while it is fed, and not before', () => {
  const told = sends(2);
  const display = (feed: string) => ({
    ...told,
    parts: [...told.parts, { id: 'H', kind: 'character-display', name: 'Panel', params: {} }],
    wires: [
      ...told.wires,
      { id: 'h1', from: feed, to: 'H.VCC' },
      { id: 'h2', from: 'U.GND', to: 'H.GND' },
    ],
  });
  const scene = sceneOf(6, { start: 2, params: { lasts: 2 } });
  const notices = (feed: string): string[] => {
    const design = display(feed);
    const run = rehearse(design, scene, undefined, 'time');
    return eventsOf(design, run).flatMap((e) => (e.kind === 'notice' ? [e.text] : []));
  };
  expect(notices('U.VIN')[0]).toMatch(/^Pressed: “yes” sent, it has changed; Panel shows it$/);
  // 3.3 V are too little for it.
  expect(notices('U.3V3')[0]).toMatch(/^Pressed: “yes” sent, it has changed$/);
});

it('through too much resistance each message resets the board that sends it, from the first on', () => {
  const dead = { ...sceneOf(4), starts: 'power-on' as const };
  const { outages, troubles } = rehearse(sends(16), dead, undefined, 'time');
  // It sends, falls silent, starts for 0.3 s, sends again.
  expect(outages.length).toBeGreaterThan(5);
  expect(outages[2].from - outages[1].from).toBeCloseTo(0.3, 1);
  expect(troubles.map((t) => t.part)).toContain('U');
});

it('a radio that sends a sign of life acts, and that is no alarm', () => {
  const gate = demo('creek-gate-watch');
  const [day] = gate.scenes;
  const notices = gate.notices.map((n) => ({ ...n, heartbeat: 60 }));
  const quiet = { ...day, duration: 200, happenings: [] };
  const run = rehearse({ ...gate, notices }, quiet, undefined, 'time');
  expect(run.acting.filter((a) => a.part === 'T1' && a.active).length).toBeGreaterThanOrEqual(2);
  // What it told before the scene began was sent long ago.
  expect(run.acting[0].t).toBeGreaterThan(50);
  expect(run.spurious).toEqual([]);
});
