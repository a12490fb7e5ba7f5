import { emptyDesign, type Design, type Happening, type Scene } from '../design/index.js';

/** A design from "kind id param=value …" lines and "from to" wires. */
export function sketch(parts: readonly string[], wires: readonly string[]): Design {
  return {
    ...emptyDesign('Sketch'),
    parts: parts.map((line) => {
      const [kind, id, ...rest] = line.split(' ');
      const params = Object.fromEntries(
        rest.map((p) => p.split('=')).map(([k, v]) => [k, Number(v)]),
      );
      return { id, kind, name: id, params };
    }),
    wires: wires.map((line, i) => {
      const [from, to] = line.split(' ');
      return { id: `w${i}`, from, to };
    }),
  };
}

const items = (text: string): string[] => text.split(/,\s*/).filter((item) => item !== '');

/** The same from one line each, items separated by commas; `more` fills in the rest of the design. */
export const brief = (parts: string, wires: string, more: Partial<Design> = {}): Design => ({
  ...sketch(items(parts), items(wires)),
  ...more,
});

/** A fed 5 V controller board U with whatever is added to it. */
export const onBoard = (parts: string, wires: string, more: Partial<Design> = {}): Design =>
  brief(
    `adapter G volts=9, controller-5v-8bit U, ${parts}`,
    `G.plus U.VIN, G.minus U.GND, ${wires}`,
    more,
  );

/** Controller pins set up, as "U.A0 analogue" or "U.D2 input interrupt". */
export const pins = (...uses: readonly string[]): Pick<Design, 'controller'> => ({
  controller: {
    pins: uses.map((use) => {
      const [pin, mode, ...skill] = use.split(' ');
      return {
        pin,
        mode: mode as 'input',
        ...(skill.length > 0 ? { skill: skill.join(' ') as 'pwm' } : {}),
      };
    }),
  },
});

/** An output on a pin, with a rule that never fires by itself. */
export const output = (
  pin: string,
  active: 'high' | 'low' = 'high',
): Pick<Design, 'outputs' | 'rules' | 'controller'> => ({
  ...pins(`${pin} output`),
  outputs: [{ id: 'o1', name: 'Out', pin, active }],
  rules: [
    {
      id: 'r1',
      when: { is: 'any', of: [] },
      hold: 0,
      latch: false,
      then: [{ do: 'drive', output: 'o1', drive: { as: 'on' } }],
    },
  ],
});

/** A channel on a pin that its converter reads. */
export const channel = (
  pin: string,
  more: Partial<Design['channels'][number]> = {},
): Pick<Design, 'channels' | 'controller'> => ({
  ...pins(`${pin} analogue`),
  channels: [
    {
      id: 'c1',
      name: 'In',
      pin,
      trips: 'above',
      threshold: 600,
      hysteresis: 20,
      every: 0.1,
      hits: 1,
      misses: 1,
      ...more,
    },
  ],
});

/** The same with every part on the plan: at the origin, or so far east of it. */
export const placed = (design: Design, east: Record<string, number> = {}): Design => ({
  ...design,
  parts: design.parts.map((p) => ({ ...p, place: { x: east[p.id] ?? 0, y: 0, facing: 0 } })),
});

/** Someone who walks past the origin at 3 m from a moment on. */
export const walksPast = (start: number): Partial<Happening> => ({
  ...{ kind: 'person-walks', start },
  path: [
    { x: 3, y: -3 },
    { x: 3, y: 3 },
  ],
});

/** A scene of happenings at the origin; of each what is given, the rest of a wanted touch from 1 s on. */
export const sceneOf = (duration: number, ...happenings: Partial<Happening>[]): Scene => ({
  ...{ id: 's', name: 'Scene', seed: 1, duration, ambient: {} },
  happenings: happenings.map((h, i) => ({
    ...{ id: `h${i}`, kind: 'finger-touches', name: `H${i}`, intent: 'wanted', start: 1 },
    ...{ params: {}, path: [{ x: 0, y: 0 }] },
    ...h,
  })),
});
