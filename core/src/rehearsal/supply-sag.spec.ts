/** What starts with a gulp on a supply that gives so much and no more. */
import type { Design, Scene } from '../design/index.js';
import { restingLogic } from '../logic/index.js';
import { brief, channel, pins, placed, sceneOf } from '../testing/small.js';
import { CoSimulation } from './co-simulation.js';
import type { Rehearsal } from './rehearsal.js';
import { rehearse } from './rehearse.js';

const inTime = (design: Design, of: Scene): Rehearsal =>
  rehearse(placed(design), of, undefined, 'time');

/** Within a hundredth. */
const about = (value: number, expected: number): void =>
  expect(Math.abs(value / expected - 1)).toBeLessThan(0.01);

it('a starting pump sags the supply to what the adapter gives through the standing winding', () => {
  const design = placed(
    brief(
      'adapter G volts=12 maxAmps=1, controller-5v-8bit U, push-button S bounce=0, pump-12v M amps=0.6 stall=4 stalled=1, rectifier-diode D',
      'G.plus U.VIN, G.minus U.GND, G.plus S.a, S.b M.plus, M.minus G.minus, D.a G.minus, D.k M.plus',
    ),
  );
  let now = { volts: NaN, motor: NaN, pump: NaN, board: NaN };
  const run = new CoSimulation(design, sceneOf(2.5, { start: 2 }), (_, solved) => {
    const { volts: at, amps } = solved('M');
    const [volts = NaN, board = NaN] = [solved('G').volts['plus'], solved('U').amps['VIN']];
    const [motor = NaN, pump = NaN] = [at['plus'], amps['plus']];
    now = { volts, motor, pump, board };
  });
  run.go(2.15, restingLogic(design));
  // Past one and a half times its rating its voltage falls by 1 V for each milliampere more.
  about(now.pump + now.board, 1.5 + (12 - now.volts) / 1000);
  // 12 V at 4 A is 3 Ω of copper.
  about(now.motor, 3 * now.pump);
  expect(now.volts).toBeLessThan(5);
});

/** A pump that starts at 4 A beside the controller that switches it, on an adapter of so many amperes. */
const bilge = (maxAmps: number): Design =>
  brief(
    `adapter G volts=12 maxAmps=${maxAmps}, controller-5v-8bit U, push-button S, pump-12v M amps=0.6 stall=4, logic-mosfet Q, resistor R ohms=10e3, rectifier-diode D`,
    'G.plus U.VIN, G.minus U.GND, G.plus M.plus, M.minus Q.d, Q.s G.minus, U.D3 Q.g, Q.g R.a, R.b G.minus, D.a Q.d, D.k G.plus, S.a U.D2, S.b G.minus',
    {
      ...pins('U.D2 pull-up', 'U.D3 output'),
      channels: channel('U.D2', { trips: 'below', threshold: 0.5, hysteresis: 0 }).channels,
      outputs: [{ id: 'o1', name: 'Pump', pin: 'U.D3', active: 'high' }],
      rules: [
        {
          ...{ id: 'r1', hold: 5, latch: false },
          when: { is: 'all', of: [{ is: 'channel', channel: 'c1' }] },
          then: [{ do: 'drive', output: 'o1', drive: { as: 'on' } }],
        },
      ],
    } as Partial<Design>,
  );

it('an adapter that cannot start the pump resets the controller, and the pump never runs', () => {
  const run = inTime(bilge(0.5), sceneOf(10, { start: 2, params: { lasts: 0.5 } }));
  const [{ from, to, because }] = run.outages;
  expect(because).toMatch(/^its supply fell to 2.\d+.V; it runs from 2.70.V$/);
  about(to - from, 1.6);
  expect(run.acting).toEqual([]);
  expect(run.verdicts[0].outcome).toBe('missed');
  // As settled the pump turns from the beginning: nothing is amiss.
  expect(rehearse(placed(bilge(0.5)), sceneOf(10, { start: 2 })).outages).toEqual([]);
});
