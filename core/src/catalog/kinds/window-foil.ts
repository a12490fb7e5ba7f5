import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { contactTerminals } from '../contact.js';

export const windowFoil = definePart({
  kind: 'window-foil',
  label: 'Window foil or break wire',
  summary: 'A thin conductor along a pane or a fence that tears when it is broken.',
  prefix: 'S',
  words: ['foil', 'window', 'glass', 'loop', 'wire', 'fence', 'tear', 'break', 'tamper'],
  stage: 'feels',
  ages: 'Cracks and corrodes at its edges: look at it each year.',
  terminals: contactTerminals,
  params: [
    { id: 'ohms', label: 'Resistance', unit: 'Ω', default: 3, min: 0.01, max: 1e3 },
    {
      id: 'tears',
      label: 'Tears when pulled apart by',
      unit: 'm',
      default: 2e-3,
      min: 1e-5,
      max: 0.5,
    },
    { id: 'shake', label: 'Tears when shaken by', unit: 'm/s²', default: 1.5, min: 0.1, max: 1e4 },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 0.1, min: 1e-3, max: 5 },
  ],
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    {
      type: 'switch',
      a: 'a',
      b: 'b',
      drive: Math.max(state.stimulus.gap / p.tears, state.stimulus.vibration / p.shake),
      rests: 'closed',
      on: 1,
      // Once torn it stays torn: nothing brings its ends together again.
      off: -1,
      ohms: p.ohms,
      bounce: 0,
    },
  ],
  tunable: ['ohms'],
  headline: (p) => formatNominal(p.ohms, 'Ω'),
  senses: { quantities: ['gap', 'vibration'] },
  curve: {
    vary: { stimulus: 'gap' },
    from: 0,
    to: 0.01,
    scale: 'linear',
    operating: [0, 2e-3],
    feeds: [['v', 'b', 5]],
    loads: [['v', 'a', 10e3]],
    reads: { volts: ['a', 'b'] },
  },
  notes: [
    'Closed at rest: a cut is noticed, a bridged foil is not. An end-of-line resistor notices both.',
    'Once torn it stays torn: it has to be laid anew.',
  ],
  cautions: [],
  source: 'A contact that opens when it is torn (from memory).',
  price: 'under 1',
  glyph: 'M3 3H21V21H3ZM6 6H18V18H6V9H15V15H9V12H12',
});
