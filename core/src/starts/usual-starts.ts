/** A usual way to begin: what is to be noticed, by which sensor, and what tells of it. */
export interface Start {
  id: string;
  /** What must be noticed, after "Notice …". */
  label: string;
  /** Kind of part that feels it, with values other than usual. */
  sensor: string;
  params?: Readonly<Record<string, number>>;
  /** How the sensor is called. */
  name: string;
  /** Kind of happening that must be noticed. */
  wanted: string;
  /** How often it is read, s: what comes slowly need not be read fast. */
  every: number;
}

/** What is most often asked of a first circuit; what stands behind each is common practice, and made to be changed. */
export const usualStarts: readonly Start[] = [
  {
    id: 'someone-moves',
    label: 'someone moving',
    sensor: 'pyroelectric-module',
    name: 'Motion',
    wanted: 'person-walks',
    every: 0.1,
  },
  {
    id: 'door',
    label: 'a door or window opening',
    sensor: 'loop-contact',
    name: 'Door',
    wanted: 'door-opens',
    every: 0.05,
  },
  {
    id: 'step',
    label: 'a step',
    sensor: 'force-film',
    name: 'Step',
    wanted: 'footstep',
    every: 0.02,
  },
  {
    id: 'touch',
    label: 'a touch',
    sensor: 'touch-module',
    name: 'Touch',
    wanted: 'finger-touches',
    every: 0.02,
  },
  {
    id: 'near',
    label: 'something close by',
    sensor: 'reflective-module',
    name: 'Nearness',
    wanted: 'hand-near',
    every: 0.02,
  },
  {
    id: 'knock',
    label: 'a knock',
    sensor: 'vibration-switch',
    name: 'Knock',
    wanted: 'knock',
    every: 0.005,
  },
  {
    id: 'noise',
    label: 'a clap or bang',
    sensor: 'sound-module',
    name: 'Sound',
    wanted: 'clap',
    every: 0.005,
  },
  {
    id: 'flame',
    label: 'a flame',
    sensor: 'flame-receiver',
    name: 'Flame',
    wanted: 'flame',
    every: 0.1,
  },
  {
    id: 'gas',
    label: 'gas',
    sensor: 'gas-module-combustible',
    name: 'Gas',
    wanted: 'gas-released',
    every: 1,
  },
  {
    id: 'dusk',
    label: 'dusk',
    sensor: 'photoresistor',
    name: 'Light',
    wanted: 'dusk-falls',
    every: 1,
  },
  {
    id: 'warmth',
    label: 'warmth',
    sensor: 'ntc',
    name: 'Warmth',
    wanted: 'warmth-comes',
    every: 1,
  },
  {
    id: 'rain',
    label: 'rain or a leak',
    sensor: 'rain-pad',
    name: 'Rain',
    wanted: 'rain',
    every: 1,
  },
  {
    id: 'water',
    label: 'water rising',
    sensor: 'float-switch',
    name: 'Water',
    wanted: 'water-rises',
    every: 1,
  },
  {
    id: 'magnet',
    label: 'a magnet passing',
    sensor: 'hall-switch',
    name: 'Magnet',
    wanted: 'magnet-approaches',
    every: 0.005,
  },
  { id: 'tilt', label: 'a tilt', sensor: 'tilt-switch', name: 'Tilt', wanted: 'tips', every: 0.05 },
];
