import { terminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { Draft } from '../wiring/index.js';
import type { Block } from './block.js';
import { answeredSupply, askSupply, groundOf, put } from './site.js';

export const supplyFilter: Block = {
  id: 'supply-filter',
  label: 'Protected and filtered supply',
  summary: 'A Schottky diode against a reversed plug, and capacitors against dips and spikes.',
  words: ['reverse', 'polarity', 'protection', 'filter', 'capacitor', 'schottky', 'supply'],
  asks: (design) => [askSupply(design, 'Supply', 12)],
  build: (design, answers) => {
    const { ref, volts } = answeredSupply(design, answers);
    const ground = groundOf(design);
    const draft = new Draft(design);
    const d = draft.add('schottky-diode', 'Reverse protection');
    draft.rewire(ref, terminalRef(d, 'k')).join(ref, terminalRef(d, 'a'), { colour: 'red' });
    const after = terminalRef(d, 'k');
    const rated = [10, 16, 25, 35, 50, 100].find((v) => 0.8 * v >= volts) ?? 100;
    put(draft, 'electrolytic-capacitor', 'Supply store', { farads: 470e-6, maxVolts: rated }, [
      after,
      ground,
    ]);
    put(draft, 'capacitor', 'Supply filter', { farads: 100e-9 }, [after, ground]);
    return {
      edit: draft.edit('protect supply'),
      because: [
        'A Schottky diode drops 0.2 to 0.4 V; with the plug reversed it blocks and nothing happens.',
        `470 µF carry 0.5 A over a millisecond with a fall of about 1 V; rated ${rated} V for ${formatQuantity(volts, 'V')} (80 % at most).`,
      ],
    };
  },
};
