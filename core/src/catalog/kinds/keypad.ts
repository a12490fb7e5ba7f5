import { definePart } from '../define-part.js';
import type { Element } from '../../element/index.js';
import type { Terminal } from '../part-kind.js';

const rows = ['R1', 'R2', 'R3', 'R4'];
const columns = ['C1', 'C2', 'C3', 'C4'];

export const keypad = definePart({
  kind: 'keypad',
  label: 'Keypad, 16 keys',
  summary: 'Four rows by four columns of contacts: a code, an arming key.',
  prefix: 'S',
  words: ['keypad', 'code', 'digits', 'pin', 'arm', 'matrix', 'keys', 'number'],
  stage: 'feels',
  ages: 'Contacts of often pressed keys wear out after some hundred thousand pushes.',
  terminals: [...rows, ...columns].map((id): Terminal => ({
    id,
    label: id,
    role: 'contact',
    optional: true,
  })),
  params: [
    { id: 'ohms', label: 'Contact resistance', unit: 'Ω', default: 50, min: 0.01, max: 1e4 },
    { id: 'bounce', label: 'Bounce', unit: 's', default: 5e-3, min: 0, max: 0.1 },
    { id: 'radius', label: 'Half its width', unit: 'm', default: 0.035, min: 0.005, max: 0.3 },
  ],
  ratings: rows.map((row) => ({ into: row, limit: 0.03 })),
  elements: (p, state) =>
    rows.flatMap((row, r) =>
      columns.map((column, c): Element => ({
        type: 'switch',
        a: row,
        b: column,
        drive: state.stimulus.key === 4 * r + c + 1 ? 1 : 0,
        rests: 'open',
        on: 0.5,
        off: 0.5,
        ohms: p.ohms,
        bounce: p.bounce,
      })),
    ),
  tunable: ['ohms'],
  headline: () => '4 × 4',
  senses: { quantities: ['key'], radius: (p) => p.radius },
  curve: {
    vary: { stimulus: 'key' },
    from: 0,
    to: 16,
    scale: 'linear',
    operating: [1, 1],
    feeds: [['v', 'C1', 5]],
    loads: [['v', 'R1', 10e3]],
    reads: { volts: ['R1', 'C1'] },
  },
  notes: [
    'One row is pulled low at a time and the columns are read with pull-ups; two keys at once are told apart, three may not be.',
  ],
  cautions: [],
  source:
    'Sixteen contacts in a matrix, counted by rows from 1; 50 Ω as typical of film keypads (from memory).',
  price: '1 to 5',
  glyph:
    'M4 3H20V21H4ZM7 6H9V8H7ZM11 6H13V8H11ZM15 6H17V8H15ZM7 11H9V13H7ZM11 11H13V13H11ZM15 11H17V13H15ZM7 16H9V18H7ZM11 16H13V18H11ZM15 16H17V18H15Z',
});
