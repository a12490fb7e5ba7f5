import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { busElements, busNotes, busParams, busRatings, busTerminals } from '../bus-chip.js';

export const realTimeClock = definePart({
  kind: 'real-time-clock',
  label: 'Real-time clock',
  summary: 'Keeps date and time through power cuts on a coin cell; over a two-wire bus.',
  prefix: 'U',
  words: ['clock', 'time', 'date', 'rtc', 'schedule', 'night', 'i2c', 'bus', 'wake'],
  stage: 'conditions',
  terminals: [...busTerminals, { id: 'SQW', label: 'SQW', role: 'signal-out', optional: true }],
  params: busParams(0x68, 0.2e-3),
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.2 },
  ratings: busRatings(5.5),
  elements: (p) => [...busElements(p, 3.3), { type: 'resistor', a: 'SQW', b: 'GND', ohms: 10e6 }],
  phases: [
    { label: 'on the bus', amps: (p) => p.own },
    { label: 'on its cell', amps: () => 1e-6 },
  ],
  ownAmps: (p) => p.own,
  bus: { data: 'SDA', clock: 'SCL', supply: 'VCC', param: 'address', address: (p) => p.address },
  headline: (p) => formatNominal(p.own, 'A'),
  notes: [
    'SQW only pulls down: it can wake a controller at a set time.',
    'Boards with a charging resistor overcharge a plain coin cell: take it out, or fit a rechargeable one.',
    'One with a compensated crystal drifts by some five seconds a month; here clocks run true.',
    ...busNotes,
  ],
  cautions: ['Coin cells must never reach small children: swallowed they kill.'],
  source: 'What it draws; ±2 ppm as typical of compensated clocks (from memory).',
  price: '1 to 5',
  glyph: 'M12 2A10 10 0 1 0 12 22A10 10 0 1 0 12 2M12 6V12L16 15',
});
