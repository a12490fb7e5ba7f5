import { terminalRef } from '../design/index.js';
import { decimals, formatQuantity } from '../quantity/index.js';
import { Draft } from '../wiring/index.js';
import { CannotBuild, type Block } from './block.js';
import {
  answeredSupply,
  askSupply,
  askTerminal,
  groundOf,
  nearestE24,
  numberOf,
  put,
  terminalOfAnswer,
  wire,
} from './site.js';

/** In front of the plus input, so that there is something for the feedback to work against, Ω. */
const frontOhms = 10e3;
/** The inputs are told apart up to this far below the supply, V (393-type). */
const headroom = 1.5;

export const comparatorBlock: Block = {
  id: 'comparator',
  label: 'Comparator with trimmer and hysteresis',
  summary:
    'A yes or no without a controller: the trimmer sets where, the feedback how far apart on and off lie.',
  words: ['comparator', 'threshold', 'trimmer', 'hysteresis', '393', 'switch', 'module'],
  asks: (design, about) => [
    askTerminal(design, 'Signal', (t) => t.role === 'signal-out' || t.role === 'passive', about),
    askSupply(design, 'From', 5),
    { id: 'trip', label: 'Trips at', type: 'number', unit: 'V', value: 2 },
    { id: 'width', label: 'Hysteresis', type: 'number', unit: 'V', value: 0.1 },
  ],
  build: (design, answers) => {
    const signal = terminalOfAnswer(answers, 'terminal');
    const { ref, volts } = answeredSupply(design, answers);
    const [trip, width] = [numberOf(answers, 'trip'), numberOf(answers, 'width')];
    if (trip > volts - headroom) {
      throw new CannotBuild(
        `At ${formatQuantity(volts, 'V')} the comparator tells its inputs apart up to ${formatQuantity(volts - headroom, 'V')}, not at ${formatQuantity(trip, 'V')}: take a higher supply or a lower trip point.`,
      );
    }
    if (width >= volts / 2)
      throw new CannotBuild('Hysteresis of half the supply or more leaves no room to clear.');
    const ground = groundOf(design);
    const draft = new Draft(design);
    const u = draft.add('comparator-393', 'Comparator');
    wire(draft, ref, terminalRef(u, 'vcc'));
    wire(draft, terminalRef(u, 'gnd'), ground);
    put(draft, 'capacitor', 'Decoupling', { farads: 100e-9 }, [ref, ground]);
    put(draft, 'resistor', 'Input resistor', { ohms: frontOhms }, [signal, terminalRef(u, 'plus')]);
    const back = nearestE24((frontOhms * (volts - width)) / width);
    put(draft, 'resistor', 'Hysteresis resistor', { ohms: back }, [
      terminalRef(u, 'out'),
      terminalRef(u, 'plus'),
    ]);
    put(draft, 'resistor', 'Pull-up', { ohms: 4.7e3 }, [ref, terminalRef(u, 'out')]);
    // Going up, the output is low: the plus input stands at V·Rf/(Ri + Rf) when it reaches the reference.
    const reference = (trip * back) / (back + frontOhms);
    const turn = Number((reference / volts).toFixed(3));
    const r = draft.add('trimmer', 'Threshold trimmer', { turn });
    wire(draft, ref, terminalRef(r, 'a'));
    wire(draft, terminalRef(r, 'b'), ground);
    wire(draft, terminalRef(r, 'w'), terminalRef(u, 'minus'));
    return {
      edit: draft.edit('add comparator'),
      because: [
        `Feedback ${formatQuantity(back, 'Ω')} against ${formatQuantity(frontOhms, 'Ω')}: width = V·Ri/Rf = ${formatQuantity((volts * frontOhms) / back, 'V')}.`,
        `Trips going up at V·Rf/(Ri + Rf) = reference: the wiper stands at ${formatQuantity(reference, 'V')}, turned to ${decimals(100 * turn, 0)} %.`,
        'The output only pulls low: 4.7 kΩ pull it up. It is high while the signal is above the threshold.',
      ],
    };
  },
};
