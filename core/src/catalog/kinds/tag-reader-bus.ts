import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import {
  busAsked,
  busBench,
  busElements,
  busLines,
  busNotes,
  busParams,
  busRatings,
  busRegister,
  busTerminals,
  busWorks,
  registerNote,
} from '../bus-chip.js';

/** Two words hold numbers below this, so that a program can tell one from no answer. */
const beyond = 2 ** 31;

export const tagReaderBus = definePart({
  kind: 'tag-reader-bus',
  label: 'Tag reader on a bus',
  summary:
    'Tells over a two-wire bus the number of the tag that is held to it, and 0 where none is.',
  prefix: 'B',
  words: ['tag', 'card', 'fob', 'identity', 'rfid', 'who', 'access', 'number', 'i2c', 'bus'],
  stage: 'feels',
  ages: 'Hardly.',
  terminals: busTerminals,
  params: [
    ...busParams(0x2c, 30e-3),
    busRegister(0x00),
    { id: 'reach', label: 'Reads within', unit: 'm', default: 0.04, min: 0.005, max: 1 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 3 },
  ratings: busRatings(3.6),
  elements: (p) => busElements(p, 3.3),
  reads: [
    {
      id: 'tag',
      label: 'Number of the tag',
      names: true,
      full: () => beyond - 1,
      noise: () => 0,
      counts: ({ tag }) => tag % beyond,
      through: busLines,
      works: busWorks(3),
      asked: busAsked({ words: 'number' }),
    },
  ],
  phases: [
    { label: 'field on', amps: (p) => p.own },
    { label: 'asleep', amps: () => 10e-6 },
  ],
  ownAmps: (p) => p.own,
  bus: { data: 'SDA', clock: 'SCL', supply: 'VCC', param: 'address', address: (p) => p.address },
  headline: (p) => formatNominal(p.reach, 'm'),
  senses: { quantities: ['tag'], reach: (p) => p.reach },
  curve: {
    vary: { stimulus: 'tag' },
    from: 0,
    to: 2000,
    scale: 'linear',
    operating: [1, 2000],
    ...busBench,
    reads: { readout: 'tag' },
  },
  notes: [
    'Metal behind the reader or the tag shortens its range to nothing.',
    'Plain tags can be copied: no lock for anything of worth.',
    'Its number is two words, the high one first; tags that differ in the highest bit of 32 alone are the same to it.',
    ...busNotes,
    registerNote,
  ],
  cautions: ['It is made for 3.3 V: 5 V on its pins kills it.'],
  source:
    'Gives the number of what is within range; cards at 13.56 MHz (ISO/IEC 14443), 4 cm and 30 mA as typical (from memory).',
  price: '5 to 20',
  glyph:
    'M3 5H15V19H3ZM6 8H12V12H6ZM8 14H10M8 16H10M18 8A6 6 0 0 1 18 16M20.5 5A10 10 0 0 1 20.5 19',
});
