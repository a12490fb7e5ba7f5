import { kindOf, paramsOf } from '../catalog/index.js';
import { terminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { Draft, suppliesOf, wiringOf } from '../wiring/index.js';
import type { Block } from './block.js';
import {
  askTerminal,
  e12Above,
  groundOf,
  numberOf,
  railVolts,
  terminalOfAnswer,
  wire,
} from './site.js';

export const ledBlock: Block = {
  id: 'led',
  label: 'LED with its resistor',
  summary: 'A lamp that shows a pin, an output or a supply, with the resistor its current wants.',
  words: ['led', 'lamp', 'light', 'indicator', 'show', 'resistor'],
  asks: (design, about) => [
    askTerminal(
      design,
      'Shows',
      (t) => ['pin', 'supply-out', 'signal-out'].includes(t.role) && !t.reserved,
      about,
    ),
    { id: 'amps', label: 'Current', type: 'number', unit: 'A', value: 8e-3 },
  ],
  build: (design, answers) => {
    const from = terminalOfAnswer(answers, 'terminal');
    const amps = numberOf(answers, 'amps');
    const ground = groundOf(design);
    const wiring = wiringOf(design);
    const end = wiring.end(from);
    const pin = end?.terminal.role === 'pin';
    const supply = suppliesOf(design).find((s) => wiring.same(s.ref, from))?.volts;
    const volts =
      pin && end
        ? railVolts(end.part)
        : (supply ?? Math.max(...suppliesOf(design).map((s) => s.volts)));
    const draft = new Draft(design);
    const lamp = draft.add('led', 'LED');
    const made = draft.part(lamp);
    const forward = kindOf(made).junctions?.[0]?.volts(paramsOf(made)) ?? NaN;
    const ohms = e12Above(Math.max(10, (volts - forward) / amps));
    const resistor = draft.add('resistor', 'LED resistor', { ohms });
    wire(draft, from, terminalRef(resistor, 'a'));
    wire(draft, terminalRef(resistor, 'b'), terminalRef(lamp, 'a'));
    wire(draft, terminalRef(lamp, 'k'), ground);
    if (pin) draft.make({ type: 'set-pin', pin: from, mode: 'output' });
    return {
      edit: draft.edit('add LED'),
      because: [
        `R = (V − Vf)/I = (${formatQuantity(volts, 'V')} − ${formatQuantity(forward, 'V')})/${formatQuantity(amps, 'A')} = ${formatQuantity((volts - forward) / amps, 'Ω')}; the next of E12 up is ${formatQuantity(ohms, 'Ω')}.`,
      ],
    };
  },
};
