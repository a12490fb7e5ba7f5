/** Three small designs whose verdicts only the circuit in time can give; each with the scene that shows it. */

type Item = Record<string, unknown>;

/** A design from "kind id param=value … : name" lines and "from to" wires. */
function design(title: string, purpose: string, parts: string[], wires: string[], scene: Item) {
  return {
    ...{ format: 'yurei-design', version: 9, title, purpose, site: 'The boathouse bench' },
    plan: { width: 6, depth: 4, walls: [] },
    parts: parts.map((line) => {
      const [what, name] = line.split(' : ');
      const [kind, id, ...values] = what.split(' ');
      const params = Object.fromEntries(
        values.map((v) => v.split('=')).map(([key, value]) => [key, Number(value)]),
      );
      return { id, kind, name, params, place: { x: id === 'S2' ? 5 : 1, y: 2, facing: 0 } };
    }),
    wires: wires.map((line, i) => {
      const [from, to] = line.split(' ');
      return { id: `w${i}`, from, to };
    }),
    ...{ groups: [], controller: { pins: [] }, channels: [], outputs: [], counters: [] },
    ...{ machines: [], rules: [], sequences: [], notices: [], recordings: [], readings: [] },
    accepted: [],
    scenes: [{ id: 's', seed: 1, ambient: {}, ...scene }],
    notes: '',
  };
}

const here = [{ x: 1, y: 2 }];
const press = (id: string, name: string, start: number, more: Item = {}): Item => ({
  ...{ id, kind: 'finger-touches', name, intent: 'wanted', start, params: {}, path: here },
  ...more,
});

/** A 555-type timer that flashes while a button is held. */
export const flasher = design(
  'Slip end flasher',
  'Flash a lamp at the end of the slip while the button is held.',
  [
    'adapter G1 volts=9 : Adapter',
    'push-button S1 : Flash button',
    'timer-555 U1 : Timer',
    'resistor R1 ohms=4700 : Upper resistor',
    'resistor R2 ohms=47000 : Lower resistor',
    'electrolytic-capacitor C1 farads=1e-5 : Timing capacitor',
    'resistor R3 ohms=470 : Lamp resistor',
    'led H1 : Slip lamp',
  ],
  [
    ...['G1.plus S1.a', 'S1.b U1.vcc', 'U1.vcc U1.reset', 'G1.minus U1.gnd', 'U1.vcc R1.a'],
    ...['R1.b U1.dis', 'R1.b R2.a', 'R2.b U1.thr', 'U1.thr U1.trig', 'U1.thr C1.plus'],
    ...['C1.minus G1.minus', 'U1.out R3.a', 'R3.b H1.a', 'H1.k G1.minus'],
  ],
  {
    ...{ name: 'A skiff comes in', duration: 10 },
    happenings: [press('h1', 'The keeper holds the button', 1, { params: { lasts: 6 } })],
  },
);

/** A loop alarm on a pack that one alarm empties. */
export const sagging = design(
  'Locker loop on a tired pack',
  'Sound whenever the locker is opened, all night.',
  [
    'alkaline-pack G1 volts=6 ampHours=0.02 : Tired pack',
    'loop-contact S1 : Locker lid',
    'resistor R1 ohms=10000 : Loop resistor',
    'resistor R2 ohms=1000 : Base resistor',
    'npn-transistor Q1 : Driver',
    'active-buzzer P1 : Buzzer',
  ],
  [
    ...['G1.plus R1.a', 'R1.b S1.a', 'S1.b G1.minus', 'R1.b R2.a', 'R2.b Q1.b'],
    ...['Q1.e G1.minus', 'G1.plus P1.plus', 'P1.minus Q1.c'],
  ],
  {
    ...{ name: 'A night with three visits', duration: 12_000 },
    happenings: ['first', 'second', 'third'].map((which, i) =>
      press(`h${i}`, `The ${which} visit`, 300 + 3800 * i, {
        kind: 'door-opens',
        params: { angle: 60, moves: 0.5, stays: 3000 },
      }),
    ),
  },
);

/** Two buttons, one of which leads nowhere, pressed at once. */
export const miswired = design(
  'Two bells, one wired',
  'Light the lamp when the sea door is rung; the pantry button belongs to another bell.',
  [
    'adapter G1 volts=9 : Adapter',
    'push-button S1 : Pantry button',
    'push-button S2 : Sea door button',
    'resistor R1 ohms=470 : Lamp resistor',
    'led H1 : Bell lamp',
    'resistor R2 ohms=10000 : Load of the other bell',
  ],
  [
    ...['G1.plus S1.a', 'S1.b R1.a', 'R1.b H1.a', 'H1.k G1.minus', 'G1.plus S2.a', 'S2.b R2.a'],
    'R2.b G1.minus',
  ],
  {
    ...{ name: 'Both are rung at once', duration: 10 },
    happenings: [
      press('h1', 'Someone rings at the sea door', 3, { path: [{ x: 5, y: 2 }] }),
      press('h2', 'Someone calls from the pantry', 3, { intent: 'nuisance' }),
    ],
  },
);
