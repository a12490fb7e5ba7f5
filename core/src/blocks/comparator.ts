import { terminalRef, type TerminalRef } from '../design/index.js';
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
const trimmerOhms = 10e3;
/** The inputs are told apart up to this far below the supply, V (393-type). */
const headroom = 1.5;

/** Pulls the output up where nothing else is said, Ω. */
const usualPull = 4.7e3;

interface Supply {
  ref: TerminalRef;
  volts: number;
}

/** What a comparator is to tell of a signal. */
export interface Compares {
  signal: TerminalRef;
  /** From which the trimmer divides, and to which the output is pulled up. */
  supply: Supply;
  /** What it takes its own power from, where that is another. */
  fed?: Supply;
  /** What pulls its output up, Ω. */
  pull?: number;
  /** Where the output changes as the signal comes from its other side, and how far it goes back before it clears, V. */
  trip: number;
  width: number;
  /** On which side of it the output is high. */
  high: 'above' | 'below';
}

/** Where the wiper stands: its share of the way from ground to the supply, and V. */
interface Turned {
  turn: number;
  reference: number;
}

/**
 * A comparator with a trimmer and hysteresis, of which the output only pulls low and is pulled up.
 *
 * @returns its output, and why it is built so
 * @throws CannotBuild where the supply leaves no room for the trip point, or for the hysteresis
 */
export function addComparator(
  draft: Draft,
  told: Compares,
): { out: TerminalRef; because: string[] } {
  const { signal, supply, fed = supply, pull = usualPull, trip, width, high } = told;
  const { ref, volts } = supply;
  if (trip > fed.volts - headroom) {
    throw new CannotBuild(
      `At ${formatQuantity(fed.volts, 'V')} the comparator tells its inputs apart up to ${formatQuantity(fed.volts - headroom, 'V')}, not at ${formatQuantity(trip, 'V')}: take a higher supply or a lower trip point.`,
    );
  }
  if (width >= volts / 2)
    throw new CannotBuild('Hysteresis of half the supply or more leaves no room to clear.');
  const ground = groundOf(draft.design);
  const u = draft.add('comparator-393', 'Comparator');
  const out = terminalRef(u, 'out');
  wire(draft, fed.ref, terminalRef(u, 'vcc'));
  wire(draft, terminalRef(u, 'gnd'), ground);
  put(draft, 'capacitor', 'Decoupling', { farads: 100e-9 }, [fed.ref, ground]);
  const back = nearestE24((frontOhms * (volts - width)) / width);
  const { turn, reference } = turned(told, back);
  if (turn > 1)
    throw new CannotBuild(
      `Its trimmer gives ${formatQuantity(volts, 'V')} at most, and ${formatQuantity(reference, 'V')} are wanted: take a lower trip point.`,
    );
  const r = draft.add('trimmer', 'Threshold trimmer', { ohms: trimmerOhms, turn });
  wire(draft, ref, terminalRef(r, 'a'));
  wire(draft, terminalRef(r, 'b'), ground);
  // The feedback works against what is in front of the plus input: the signal's side, or the trimmer's.
  const [before, held] =
    high === 'above' ? [signal, terminalRef(r, 'w')] : [terminalRef(r, 'w'), signal];
  put(draft, 'resistor', 'Input resistor', { ohms: frontOhms }, [before, terminalRef(u, 'plus')]);
  put(draft, 'resistor', 'Hysteresis resistor', { ohms: back }, [out, terminalRef(u, 'plus')]);
  put(draft, 'resistor', 'Pull-up', { ohms: pull }, [ref, out]);
  wire(draft, held, terminalRef(u, 'minus'));
  const share = high === 'above' ? 'Ri/Rf' : 'Ri/(Ri + Rf)';
  const apart = (volts * frontOhms) / (high === 'above' ? back : back + frontOhms);
  return {
    out,
    because: [
      `Feedback ${formatQuantity(back, 'Ω')} against ${formatQuantity(frontOhms, 'Ω')}: width = V·${share} = ${formatQuantity(apart, 'V')}.`,
      `Trips going ${high === 'above' ? 'up' : 'down'} where its inputs meet with the output low: the wiper stands at ${formatQuantity(reference, 'V')}, turned to ${decimals(100 * turn, 0)} %.`,
      `The output only pulls low: ${formatQuantity(pull, 'Ω')} pull it up. It is high while the signal is ${high} the threshold.`,
    ],
  };
}

/**
 * Going over, the output is low. Above: the plus input stands at V·Rf/(Ri + Rf) when it reaches the wiper; below: the wiper's share
 * of Rf/(Ri + Rw + Rf) stands at the plus input when the signal reaches it, Rw being what the trimmer itself is in front.
 */
function turned({ trip, supply: { volts }, high }: Compares, back: number): Turned {
  const near = trip / volts;
  const wiper = trimmerOhms * near * (1 - near);
  const reference =
    high === 'above'
      ? (trip * back) / (back + frontOhms)
      : (trip * (back + frontOhms + wiper)) / back;
  return { reference, turn: Number((reference / volts).toFixed(3)) };
}

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
    {
      ...{ id: 'high', label: 'Output is high while the signal is', type: 'pick', value: 'above' },
      options: [
        { value: 'above', label: 'above' },
        { value: 'below', label: 'below' },
      ],
    },
  ],
  build: (design, answers) => {
    const draft = new Draft(design);
    const { because } = addComparator(draft, {
      signal: terminalOfAnswer(answers, 'terminal'),
      supply: answeredSupply(design, answers),
      trip: numberOf(answers, 'trip'),
      width: numberOf(answers, 'width'),
      high: answers['high'] === 'below' ? 'below' : 'above',
    });
    return { edit: draft.edit('add comparator'), because };
  },
};
