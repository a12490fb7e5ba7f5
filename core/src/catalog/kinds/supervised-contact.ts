import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import type { Inside } from '../part-kind.js';
import { inner, moduleElements } from '../module.js';
import { loopContact } from './loop-contact.js';
import { resistor } from './resistor.js';

const inside: Inside<{ trips: number; across: number; line: number }> = {
  parts: (p) => [
    inner('S1', 'Contact', loopContact, { closedAtRest: 'yes', trips: p.trips }),
    inner('R1', 'Resistor across the contact', resistor, { ohms: p.across }),
    inner('R2', 'Resistor in line', resistor, { ohms: p.line }),
  ],
  wires: () => [
    ['a', 'S1.a'],
    ['S1.a', 'R1.a'],
    ['S1.b', 'R1.b'],
    ['S1.b', 'R2.a'],
    ['R2.b', 'b'],
  ],
};

export const supervisedContact = definePart({
  kind: 'supervised-contact',
  label: 'Contact with end-of-line resistors',
  summary: 'A loop that tells rest, tripped, cut and shorted apart by its resistance.',
  prefix: 'S',
  words: ['end of line', 'supervised', 'loop', 'tamper', 'door', 'cut', 'short', 'zone', 'contact'],
  stage: 'feels',
  ages: 'Contacts that rarely move oxidise: open each twice a year.',
  terminals: [
    { id: 'a', label: 'a', role: 'contact' },
    { id: 'b', label: 'b', role: 'contact' },
  ],
  params: [
    {
      id: 'line',
      label: 'Resistor in line',
      unit: 'Ω',
      default: 2200,
      min: 100,
      max: 1e5,
      tolerance: 0.05,
    },
    {
      id: 'across',
      label: 'Resistor across the contact',
      unit: 'Ω',
      default: 4700,
      min: 100,
      max: 1e5,
      tolerance: 0.05,
    },
    { id: 'trips', label: 'Trips when opened by', unit: 'm', default: 0.015, min: 1e-4, max: 5 },
  ],
  ratings: [{ heat: 0.25 }],
  inside,
  elements: (p, state) => moduleElements(inside, p, state),
  loop: { a: 'a', b: 'b', resistors: (p) => ({ line: p.line, across: p.across }) },
  headline: (p) => `${formatNominal(p.line, 'Ω')} + ${formatNominal(p.across, 'Ω')}`,
  senses: { quantities: ['gap'] },
  curve: {
    vary: { stimulus: 'gap' },
    from: 0,
    to: 0.05,
    scale: 'linear',
    operating: [0, 0.015],
    feeds: [['a', 'g', 0.1]],
    loads: [['b', 'g', 0.1]],
    reads: { ohms: ['a', 'b'] },
  },
  notes: [
    'Put the resistors at the far end, inside the contact’s case: at the panel they guard nothing.',
    'At rest the line resistor, tripped both, cut nothing, shorted zero: four readings, three thresholds.',
  ],
  cautions: [],
  source:
    'The circuit inside, solved; two resistors at the end of the line as usual in intruder alarms (common practice).',
  price: 'under 1',
  glyph:
    'M1 12H4M4 12L9 8M9 12H12M4 12V18H6M6 16.5H9V19.5H6ZM9 18H12V12M12 9.5H19V14.5H12ZM19 12H23',
});
