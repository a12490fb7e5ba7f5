/** A small design whose verdicts only the circuit in time can give, with the scene that shows it. */

type Item = Record<string, unknown>;

/** A design from "kind id param=value … : name" lines and "from to" wires. */
function design(title: string, purpose: string, parts: string[], wires: string[], scene: Item) {
  return {
    ...{ format: 'yurei-design', version: 9, title, purpose, site: 'The boathouse bench' },
    plan: { width: 6, depth: 4, walls: [] },
    parts: parts.map((line) => {
      const [what = '', name] = line.split(' : ');
      const [kind, id, ...values] = what.split(' ');
      const params = Object.fromEntries(
        values.map((v) => v.split('=')).map(([key, value]) => [key, Number(value)]),
      );
      return { id, kind, name, params, place: { x: 1, y: 2, facing: 0 } };
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

/** A loop alarm on a pack that one alarm empties. */
export const tiredPack = design(
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
