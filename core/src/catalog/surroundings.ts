import type { Unit } from '../quantity/index.js';

/** A physical quantity of the surroundings that some part answers to. */
export interface Surrounding {
  label: string;
  unit: Unit;
  /** Where nothing happens. */
  rest: number;
  /** Outside these nothing can be felt; such a value is refused. */
  min: number;
  max: number;
  /** Smaller changes than this are not worth the name. */
  floor: number;
  /** How what several happenings give comes together; `power` adds squares, as independent sounds do. */
  combination: 'sum' | 'power' | 'largest' | 'smallest';
  /** The same wherever a part stands: nothing comes of a place. */
  everywhere?: true;
  /** Only what is at the very place is felt: the sensor lies in its way or is fixed to it. */
  onContact?: true;
  /** It counts something: nothing lies between one and the next. */
  whole?: true;
}

/** Everything that can be felt, by name. */
export const surroundings = {
  light: { label: 'Light', unit: 'lx', rest: 0, min: 0, max: 2e5, floor: 0.01, combination: 'sum' },
  infrared: {
    label: 'Infrared, 800 to 1000 nm',
    unit: 'W/m²',
    rest: 0,
    min: 0,
    max: 5000,
    floor: 1e-4,
    combination: 'sum',
  },
  carrier: {
    label: 'Infrared on a 38 kHz carrier',
    unit: 'W/m²',
    rest: 0,
    min: 0,
    max: 5000,
    floor: 1e-7,
    combination: 'sum',
  },
  heat: {
    label: 'Warmth that moves across',
    unit: 'W/m²',
    rest: 0,
    min: 0,
    max: 1000,
    floor: 1e-3,
    combination: 'power',
  },
  echo: {
    label: 'Moving radio echo, √σ/d²',
    unit: '1/m',
    rest: 0,
    min: 0,
    max: 1e4,
    floor: 1e-4,
    combination: 'largest',
  },
  distance: {
    label: 'Distance to the nearest thing',
    unit: 'm',
    rest: 20,
    min: 0,
    max: 1000,
    floor: 1e-3,
    combination: 'smallest',
  },
  reflection: {
    label: 'Reflected per intensity sent',
    unit: '1/m²',
    rest: 0,
    min: 0,
    max: 1e6,
    floor: 0.01,
    combination: 'sum',
  },
  field: {
    label: 'Magnetic field along its axis',
    unit: 'T',
    rest: 0,
    min: -2,
    max: 2,
    floor: 1e-6,
    combination: 'sum',
  },
  heading: {
    label: 'Turned by',
    unit: '°',
    rest: 0,
    min: -360,
    max: 360,
    floor: 0.1,
    combination: 'sum',
    onContact: true,
  },
  tilt: {
    label: 'Tilted by',
    unit: '°',
    rest: 0,
    min: 0,
    max: 180,
    floor: 0.1,
    combination: 'largest',
    onContact: true,
  },
  vibration: {
    label: 'Vibration, peak',
    unit: 'm/s²',
    rest: 0,
    min: 0,
    max: 1e4,
    floor: 1e-3,
    combination: 'power',
  },
  touch: {
    label: 'Capacitance of a finger',
    unit: 'F',
    rest: 0,
    min: 0,
    max: 1e-9,
    floor: 1e-14,
    combination: 'sum',
    onContact: true,
  },
  force: {
    label: 'Force',
    unit: 'N',
    rest: 0,
    min: 0,
    max: 1e5,
    floor: 0.01,
    combination: 'sum',
    onContact: true,
  },
  gap: {
    label: 'Opened by',
    unit: 'm',
    rest: 0,
    min: 0,
    max: 10,
    floor: 1e-4,
    combination: 'largest',
    onContact: true,
  },
  key: {
    label: 'Key pressed',
    unit: '',
    rest: 0,
    min: 0,
    max: 16,
    floor: 0.5,
    combination: 'largest',
    onContact: true,
    whole: true,
  },
  tag: {
    label: 'Number of the tag',
    unit: '',
    rest: 0,
    min: 0,
    max: 4294967295,
    floor: 0.5,
    combination: 'largest',
    onContact: true,
    whole: true,
  },
  temperature: {
    label: 'Temperature',
    unit: '°C',
    rest: 25,
    min: -60,
    max: 150,
    floor: 0.02,
    combination: 'sum',
    everywhere: true,
  },
  humidity: {
    label: 'Relative humidity',
    unit: '%',
    rest: 50,
    min: 0,
    max: 100,
    floor: 0.1,
    combination: 'sum',
    everywhere: true,
  },
  propane: {
    label: 'Propane',
    unit: 'ppm',
    rest: 0,
    min: 0,
    max: 1e6,
    floor: 1,
    combination: 'sum',
    everywhere: true,
  },
  methane: {
    label: 'Methane',
    unit: 'ppm',
    rest: 0,
    min: 0,
    max: 1e6,
    floor: 1,
    combination: 'sum',
    everywhere: true,
  },
  alcohol: {
    label: 'Alcohol vapour',
    unit: 'ppm',
    rest: 0,
    min: 0,
    max: 1e6,
    floor: 1,
    combination: 'sum',
    everywhere: true,
  },
  monoxide: {
    label: 'Carbon monoxide',
    unit: 'ppm',
    rest: 0,
    min: 0,
    max: 1e6,
    floor: 1,
    combination: 'sum',
    everywhere: true,
  },
  smoke: {
    label: 'Smoke',
    unit: 'dB/m',
    rest: 0,
    min: 0,
    max: 20,
    floor: 1e-3,
    combination: 'sum',
    everywhere: true,
  },
  sound: {
    label: 'Sound pressure',
    unit: 'Pa',
    rest: 0.002,
    min: 0,
    max: 1000,
    floor: 1e-4,
    combination: 'power',
  },
  wet: {
    label: 'Share of it that is wet',
    unit: '',
    rest: 0,
    min: 0,
    max: 1,
    floor: 1e-3,
    combination: 'largest',
    everywhere: true,
  },
  water: {
    label: 'Water level',
    unit: 'm',
    rest: 0,
    min: 0,
    max: 100,
    floor: 1e-4,
    combination: 'largest',
    everywhere: true,
  },
  moisture: {
    label: 'Water in the soil, by volume',
    unit: '',
    rest: 0.2,
    min: 0,
    max: 0.6,
    floor: 1e-3,
    combination: 'sum',
    everywhere: true,
  },
  flow: {
    label: 'Flow',
    unit: 'L/min',
    rest: 0,
    min: 0,
    max: 1000,
    floor: 0.01,
    combination: 'sum',
    everywhere: true,
  },
  supply: {
    label: 'Share of its nominal voltage',
    unit: '',
    rest: 1,
    min: 0,
    max: 2,
    floor: 1e-3,
    combination: 'smallest',
    everywhere: true,
  },
  charge: {
    label: 'Share of its charge that is left',
    unit: '',
    rest: 1,
    min: 0,
    max: 1,
    floor: 1e-3,
    combination: 'smallest',
    everywhere: true,
  },
  recorded: {
    label: 'Recorded reading',
    unit: 'V',
    rest: 0,
    min: -1000,
    max: 1000,
    floor: 1e-4,
    combination: 'sum',
    everywhere: true,
  },
} as const satisfies Record<string, Surrounding>;

export type Quantity = keyof typeof surroundings;

/** What is felt of every quantity, each in its own unit. */
export type Stimulus = Readonly<Record<Quantity, number>>;

export const quantities = Object.keys(surroundings) as Quantity[];

/** What a part feels where nothing happens. */
export const restStimulus: Stimulus = Object.freeze(
  Object.fromEntries(quantities.map((q) => [q, surroundings[q].rest])),
) as Stimulus;

/** The quantity of that name with its limits; undefined for a name that is none. */
export function findSurrounding(name: string): Surrounding | undefined {
  return Object.hasOwn(surroundings, name) ? surroundings[name as Quantity] : undefined;
}
