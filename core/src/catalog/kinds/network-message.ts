import { across, at } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';

export const networkMessage = definePart({
  kind: 'network-message',
  label: 'Network message',
  summary: 'Stands for a message that a radio board sends to the house when a pin goes high.',
  prefix: 'N',
  words: ['message', 'network', 'notify', 'phone', 'house', 'wireless', 'send', 'report'],
  stage: 'acts',
  answers: { by: 'message', named: 'Message' },
  byProgram: true,
  terminals: [
    { id: 'send', label: 'send', role: 'signal-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [{ id: 'from', label: 'Sent above', unit: 'V', default: 1.5, min: 0.1, max: 5 }],
  ratings: [
    {
      id: 'volts-send',
      label: 'voltage at send',
      unit: 'V',
      limit: () => 30,
      stress: (part) => Math.abs(at(part, 'send')),
    },
  ],
  // It only looks.
  elements: () => [{ type: 'resistor', a: 'send', b: 'GND', ohms: 1e9 }],
  headline: (p) => `above ${formatNominal(p.from, 'V')}`,
  acts: {
    word: 'sent',
    does: 'tells',
    byRadio: true,
    active: (part, p) => across(part, 'send', 'GND') > p.from,
    because: (part, p) =>
      `${formatQuantity(at(part, 'send'), 'V')} at its pin; it is sent above ${formatNominal(p.from, 'V')}`,
  },
  curve: {
    vary: { plus: 'send', minus: 'GND' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [0, 3.3],
    reads: { volts: ['send', 'GND'] },
  },
  notes: [
    'No part to buy: it stands for a call in the firmware. Join it to the output whose level it reports.',
    'Send on change, and a heartbeat every five minutes, so that silence means something.',
  ],
  cautions: ['A message that must not fail needs a second way.'],
  source: 'Looks at a voltage without loading it (own convention).',
  price: 'under 1',
  glyph: 'M2 5H22V19H2ZM2 5L12 13L22 5',
});
