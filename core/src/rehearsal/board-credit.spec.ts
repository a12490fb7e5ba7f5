import type { Design } from '../design/index.js';
import { onBoard, pins, placed, sceneOf } from '../testing/small.js';
import { chainOf, eventsOf, rehearse } from './index.js';

const button = (n: number) => ({
  ...{ id: `c${n}`, name: `Button ${n}`, pin: `U.D${n + 1}`, trips: 'below', threshold: 50 },
  ...{ hysteresis: 1, every: 0.02, hits: 1, misses: 1 },
});
const relay = (n: number) => ({
  id: `o${n}`,
  name: `Relay ${n}`,
  pin: `U.D${n + 3}`,
  active: 'low',
});
const rule = (n: number) => ({
  ...{ id: `r${n}`, hold: 0, latch: false, when: { is: 'channel', channel: `c${n}` } },
  then: [{ do: 'drive', output: `o${n}`, drive: { as: 'on' } }],
});

/** Two buttons that each switch a lamp of their own by one board of relays; one hand presses both at once. */
const design = {
  ...placed(
    onBoard(
      'relay-board-2 K, led H1, led H2, resistor R1 ohms=330, resistor R2 ohms=330, push-button S1, push-button S2',
      `S1.a U.D2, S1.b U.GND, S2.a U.D3, S2.b U.GND, U.D4 K.IN1, U.D5 K.IN2, K.GND U.GND, K.VCC U.5V,
       K.COM1 U.5V, K.NO1 R1.a, R1.b H1.a, H1.k U.GND, K.COM2 U.5V, K.NO2 R2.a, R2.b H2.a, H2.k U.GND`,
      pins('U.D2 pull-up', 'U.D3 pull-up', 'U.D4 output', 'U.D5 output'),
    ),
  ),
  ...{ channels: [button(1), button(2)], outputs: [relay(1), relay(2)], rules: [rule(1), rule(2)] },
  scenes: [sceneOf(5, {})],
} as Design;

it.each([1, 2])('what relay %i of a board switches is put down to its own output alone', (n) => {
  const events = eventsOf(design, rehearse(design, design.scenes[0], undefined, 'time'));
  const lit = events.findIndex((e) => e.text.startsWith(`H${n} `));
  const chain = chainOf(events, lit).map((e) => e.text);
  expect(lit).toBeGreaterThanOrEqual(0);
  expect(chain.join()).toContain(`Button ${n}`);
  expect(chain.join()).not.toContain(`Button ${3 - n}`);
});
