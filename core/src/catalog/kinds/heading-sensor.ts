import { definePart } from '../define-part.js';
import { formatNominal, radians } from '../../quantity/index.js';
import {
  busAsked,
  busBench,
  busElements,
  busNotes,
  busParams,
  busRatings,
  busRegister,
  busTerminals,
  busLines,
  busWorks,
  registerNote,
} from '../bus-chip.js';

/** Horizontal part of the earth’s field at middle latitudes, T (from memory). */
const earthField = 20e-6;

export const headingSensor = definePart({
  kind: 'heading-sensor',
  label: 'Magnetometer',
  summary: 'Tells over a two-wire bus which way it is turned, by the earth’s field.',
  prefix: 'B',
  words: ['heading', 'compass', 'magnetometer', 'gate', 'angle', 'direction', 'i2c', 'bus', 'turn'],
  stage: 'feels',
  ages: 'Its zero moves with iron nearby: learn it anew after changes.',
  terminals: busTerminals,
  params: [
    ...busParams(0x1e, 0.1e-3),
    busRegister(0x03),
    {
      id: 'earth',
      label: 'Earth’s field, level part',
      unit: 'T',
      default: earthField,
      min: 1e-6,
      max: 65e-6,
    },
    { id: 'noise', label: 'Noise', unit: '°', default: 0.5, min: 0, max: 20 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.1 },
  ratings: busRatings(3.6),
  elements: (p) => busElements(p, 3.3),
  reads: [
    {
      id: 'heading',
      label: 'Turned by, tenths of a degree + 1800',
      full: () => 3600,
      noise: () => 0,
      // A magnet nearby adds its field along the axis and turns the reading.
      counts: ({ heading, field }, p) => {
        const angle = radians(heading);
        const [north, east] = [p.earth * Math.cos(angle) + field, p.earth * Math.sin(angle)];
        return 1800 + (10 * 180 * Math.atan2(east, north)) / Math.PI;
      },
      through: busLines,
      works: busWorks(2.1),
      asked: busAsked({ words: 'angle' }),
    },
  ],
  phases: [
    { label: 'measuring', amps: (p) => p.own },
    { label: 'asleep', amps: () => 2e-6 },
  ],
  ownAmps: (p) => p.own,
  bus: { data: 'SDA', clock: 'SCL', supply: 'VCC', param: 'address', address: (p) => p.address },
  headline: (p) => formatNominal(p.earth, 'T'),
  senses: { quantities: ['heading', 'field'], noise: (p) => p.noise },
  curve: {
    vary: { stimulus: 'heading' },
    from: -180,
    to: 180,
    scale: 'linear',
    operating: [-90, 90],
    ...busBench,
    reads: { readout: 'heading' },
  },
  notes: [
    'Teach it two positions, open and closed, where it will stay; iron nearby shifts both.',
    'A magnet of a latch within a hand’s breadth is stronger than the earth.',
    ...busNotes,
    registerNote,
  ],
  cautions: ['It is made for 3.3 V.'],
  source:
    'Angle of the level field with what a magnet adds, atan2; earth’s field 25–65 µT in all (Alken and others, the 13th international geomagnetic reference field, Earth, Planets and Space 73, 2021), 20 µT of it level at 50° (from memory).',
  price: '1 to 5',
  glyph: 'M12 2A10 10 0 1 0 12 22A10 10 0 1 0 12 2M12 5L15 12L12 19L9 12ZM9 12H15',
});
