import { across } from '../solved-values.js';
import { beginsAnew } from '../chopped.js';
import { definePart } from '../define-part.js';
import { formatQuantity } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';
import { busElements, busNotes, busParams, busRatings, busTerminals } from '../bus-chip.js';

export const characterDisplay = definePart({
  kind: 'character-display',
  label: 'Character display',
  summary: 'Two lines of sixteen characters over a two-wire bus.',
  prefix: 'H',
  words: ['display', 'lcd', 'text', 'screen', 'show', 'counter', 'i2c', 'bus'],
  stage: 'acts',
  terminals: busTerminals,
  params: [
    ...busParams(0x27, 2e-3),
    { id: 'backlight', label: 'Backlight', unit: 'A', default: 0.02, min: 0, max: 0.2 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.5 },
  ratings: busRatings(5.5),
  elements: (p) => [draws('VCC', 'GND', Math.max(1e-9, p.backlight), 5), ...busElements(p, 5)],
  phases: [
    { label: 'lit', amps: (p) => p.own + p.backlight },
    { label: 'dark', amps: (p) => p.own },
  ],
  ownAmps: (p) => p.own,
  bus: { data: 'SDA', clock: 'SCL', supply: 'VCC', param: 'address', address: (p) => p.address },
  shows: true,
  headline: () => '2 × 16',
  acts: {
    word: 'on',
    does: 'shines',
    active: (part) => across(part, 'VCC', 'GND') > 4.5,
    because: (part) =>
      `${formatQuantity(across(part, 'VCC', 'GND'), 'V')} at its supply; it shows from 4.5 V`,
  },
  chopped: beginsAnew,
  notes: [
    'While it is on it shows each notice of the program; the events of a rehearsal say so.',
    'Its pull-ups go to 5 V: on a 3.3 V board use a level shifter.',
    'Nothing to be read at first? Turn the contrast trimmer on its back.',
    ...busNotes,
  ],
  cautions: [],
  source: 'Own and backlight current; values as typical (from memory).',
  price: '1 to 5',
  glyph: 'M2 5H22V19H2ZM4 8H20V16H4ZM6 10V14M6 10H8M6 12H8M11 10V14H13M16 10H18V12H16V14H18',
});
