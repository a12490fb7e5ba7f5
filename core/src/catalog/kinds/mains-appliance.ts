import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

/** Difference by which the contact loop is known to be closed, V: half of what looks through it. */
const closed = 0.5;

export const mainsAppliance = definePart({
  kind: 'mains-appliance',
  label: 'Mains appliance, behind a boundary',
  summary:
    'Stands for a lamp, pump or heater on mains, in its own closed case: here only the two ends that a contact joins.',
  prefix: 'X',
  words: [
    'mains',
    'appliance',
    'socket',
    'outlet',
    'line voltage',
    'lamp',
    'heater',
    'pump',
    '230',
  ],
  stage: 'acts',
  terminals: [
    { id: 'a', label: 'switched lead, in', role: 'mains' },
    { id: 'b', label: 'switched lead, out', role: 'mains' },
  ],
  stateNodes: ['#asks'],
  params: [
    {
      id: 'amps',
      label: 'Current',
      unit: 'A',
      default: 0.5,
      min: 1e-3,
      max: 40,
      usual: [0.01, 16],
    },
    { id: 'inrush', label: 'First moment, times that', unit: '', default: 10, min: 1, max: 100 },
    { id: 'fuse', label: 'Fuse in its lead (0: none)', unit: 'A', default: 2, min: 0, max: 63 },
    { id: 'heats', label: 'Heats the room with', unit: 'W', default: 0, min: 0, max: 1e5 },
    { id: 'pumps', label: 'Pumps out of the tank', unit: 'L/min', default: 0, min: -1e4, max: 1e4 },
  ],
  ratings: [],
  // It only asks whether the contact is closed: nothing beyond the boundary is computed.
  elements: () => [
    { type: 'voltage-source', plus: '#asks', minus: 'a', volts: 1 },
    { type: 'resistor', a: '#asks', b: 'b', ohms: 1e8 },
  ],
  moves: {
    heat: (part, p) => (across(part, '#asks', 'b') > closed ? p.heats : 0),
    water: (part, p) => (across(part, '#asks', 'b') > closed ? p.pumps : 0),
  },
  appliance: { amps: (p) => p.amps, inrush: (p) => p.inrush, fuse: (p) => p.fuse },
  headline: (p) => `${formatNominal(p.amps, 'A')}`,
  acts: {
    word: 'on',
    does: 'moves',
    active: (part) => across(part, '#asks', 'b') > closed,
    because: (part) =>
      across(part, '#asks', 'b') > closed
        ? 'The contact in its lead is closed'
        : 'The contact in its lead is open',
  },
  notes: [
    'What is beyond the boundary is not designed here: a plug-in unit or a certified, closed switching module does that work.',
    'Lamps take ten times their current in the first moment, motors five to eight times (common practice).',
  ],
  grave: true,
  cautions: [
    'Mains can kill, and a fault can burn the house down. An approved, enclosed module with fuse, earth, strain relief and residual-current protection; local codes; a licensed electrician.',
  ],
  source: 'Only the state of the contact is modelled (own convention); separation as in IEC 60664.',
  price: '5 to 20',
  glyph: 'M3 4H21V20H3ZM7 12A5 5 0 0 1 17 12A5 5 0 0 1 7 12M10 11V13M14 11V13',
});
