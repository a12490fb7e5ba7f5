import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { formatNominal } from '../../quantity/index.js';
import { contactParams, contactTerminals, movedContact } from '../contact.js';

export const floatSwitch = definePart({
  kind: 'float-switch',
  label: 'Float switch',
  summary: 'A float with a magnet lifts past a reed: a contact at a water level.',
  prefix: 'S',
  words: ['float', 'level', 'water', 'tank', 'sump', 'bilge', 'pump', 'liquid', 'flood'],
  stage: 'feels',
  ages: 'Sticks by lime and algae: move it twice a year.',
  first: { notices: 'water rising', named: 'Water', wanted: 'water-rises', every: 1 },
  terminals: contactTerminals,
  params: [
    { id: 'height', label: 'Mounted at', unit: 'm', default: 0.2, min: 0, max: 50 },
    { id: 'travel', label: 'Travel of the float', unit: 'm', default: 0.01, min: 1e-3, max: 2 },
    choice(
      'closedWhen',
      'Closed',
      ['when the float is up', 'when it hangs down'],
      'when the float is up',
    ),
    ...contactParams(0.2, 2e-3, 0.5),
  ],
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    movedContact(p, {
      drive: state.stimulus.water,
      rests: p.closedWhen === 'when it hangs down' ? 'closed' : 'open',
      on: p.height + p.travel,
      off: p.height,
    }),
  ],
  headline: (p) => `at ${formatNominal(p.height, 'm')}`,
  senses: { quantities: ['water'] },
  curve: {
    vary: { stimulus: 'water' },
    from: 0,
    to: 0.5,
    scale: 'linear',
    operating: [0.2, 0.21],
    feeds: [['v', 'b', 5]],
    loads: [['v', 'a', 10e3]],
    reads: { volts: ['a', 'b'] },
  },
  notes: [
    'Waves make it chatter: give it travel, or time.',
    'Two of them, high and low, make a pump run long and seldom. One more, lower, guards against running dry.',
    'Turn the float over to swap open and closed.',
  ],
  cautions: [
    'Pumps on the mains belong to a licensed electrician and behind residual-current protection.',
  ],
  source: 'A contact with two levels and bounce (from memory).',
  price: '1 to 5',
  glyph: 'M10 2V22H14V2M6 9H18V15H6ZM1 18Q4 16 7 18T13 18T19 18T23 18',
});
