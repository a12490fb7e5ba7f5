import { endsOf, kindOf } from '../catalog/index.js';
import { terminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { boardsOf, Draft, wiringOf } from '../wiring/index.js';
import { bestLoad, dividerEnds, usualRange } from './best-load.js';
import { CannotBuild, type Block } from './block.js';
import { fed, supplyThatSuits } from './fed-sensor.js';
import { railFor, railVoltsFor, toPin, type Making } from './making.js';
import { askPart, groundOf, nearestE24, partOf, pinFor, put, wire } from './site.js';

export const frontEnd: Block = {
  id: 'front-end',
  label: 'Front end of a sensor',
  summary: 'Power, load or pull-up resistors and a fitting pin: a sensor wired as it usually is.',
  words: ['sensor', 'front end', 'divider', 'wire', 'connect', 'usual', 'input'],
  asks: (design, about) => [
    askPart(design, 'Sensor', (kind) => kind.stage === 'feels' && !kind.emits, about),
  ],
  build: (design, answers) => {
    const part = partOf(design, answers);
    if (
      kindOf(part).terminals.some(
        (t) => wiringOf(design).wired(terminalRef(part.id, t.id)) && t.role === 'signal-out',
      )
    )
      throw new CannotBuild(
        `${part.name} is wired already: take its wires off first, or wire on by hand.`,
      );
    const making: Making = { draft: new Draft(design), part, because: [] };
    wireUp(making);
    return { edit: making.draft.edit(`wire up ${part.id}`), because: making.because };
  },
};

function wireUp(making: Making): void {
  const { part } = making;
  const { terminals, feed, stage, frontEnd } = kindOf(part);
  if (frontEnd === 'bridge') return bridge(making);
  if (frontEnd === 'heater') return heated(making);
  if (frontEnd === 'charge') return piezo(making);
  if (frontEnd === 'plates') return plates(making);
  if (feed) return fed(making);
  if (terminals.filter((t) => t.role === 'contact').length === 2) return contact(making);
  if (frontEnd === 'touch') return touchPad(making);
  if (stage === 'feels' && dividerEnds(part)) return overLoad(making);
  throw new CannotBuild(
    `${part.name} has no usual front end here: wire it by hand, or take another block.`,
  );
}

/** A sensor over a load resistor: the divider. */
function overLoad(making: Making): void {
  const { draft, part, because } = making;
  const ends = dividerEnds(part);
  if (!ends) return;
  const { between } = usualRange(part);
  const volts = railVoltsFor(draft.design);
  const best = bestLoad(part, between, volts);
  const ohms = nearestE24(best.ohms);
  const signal = terminalRef(part.id, ends.signal);
  wire(draft, railFor(draft.design), terminalRef(part.id, ends.top));
  put(draft, 'resistor', `${part.name} load`, { ohms }, [signal, groundOf(draft.design)]);
  because.push(
    `Over ${formatQuantity(ohms, 'Ω')} it gives ${formatQuantity(best.low, 'V')} to ${formatQuantity(best.high, 'V')} across the range it is meant for, which is the widest any load gives.`,
  );
  toPin(making, signal, 'analogue');
}

/** A contact between a pin with pull-up and ground. */
function contact(making: Making): void {
  const { draft, part, because } = making;
  const [first, second] = endsOf(part.kind);
  const [a, b] = [terminalRef(part.id, first.id), terminalRef(part.id, second.id)];
  wire(draft, b, groundOf(draft.design));
  if (boardsOf(draft.design).length === 0) {
    put(draft, 'resistor', 'Pull-up', { ohms: 10e3 }, [railFor(draft.design), a]);
    because.push('10 kΩ pull the line up while the contact is open.');
  } else because.push('The pin’s own pull-up holds the line while the contact is open.');
  toPin(making, a, 'pull-up');
}

/** A heated gas element: heater at 5 V, its resistance over a load. */
function heated(making: Making): void {
  const { draft, part, because } = making;
  const heat = supplyThatSuits(draft.design, part);
  wire(draft, heat.ref, terminalRef(part.id, 'h1'));
  wire(draft, terminalRef(part.id, 'h2'), groundOf(draft.design));
  wire(draft, heat.ref, terminalRef(part.id, 'a'));
  const signal = terminalRef(part.id, 'b');
  put(draft, 'resistor', `${part.name} load`, { ohms: 10e3 }, [signal, groundOf(draft.design)]);
  because.push(
    'The heater takes about 150 mA at 5 V and minutes to settle; 10 kΩ is the load the curves are given for.',
  );
  toPin(making, signal, 'analogue');
}

/** A piezo disc with its bleed resistor and a clamp. */
function piezo(making: Making): void {
  const { draft, part, because } = making;
  const signal = terminalRef(part.id, 'a');
  const ground = groundOf(draft.design);
  wire(draft, terminalRef(part.id, 'b'), ground);
  put(draft, 'resistor', 'Bleed resistor', { ohms: 1e6 }, [signal, ground]);
  put(draft, 'zener-diode', 'Clamp', { volts: railVoltsFor(draft.design) < 4 ? 3.0 : 4.7 }, [
    ground,
    signal,
  ]);
  because.push('A knock gives tens of volts: a zener diode clamps it, 1 MΩ lets the charge off.');
  toPin(making, signal, 'analogue');
}

/** Two plates between two pins: one charges them, the other sees what came through. */
function plates(making: Making): void {
  const { draft, part, because } = making;
  for (const { id } of endsOf(part.kind)) {
    const pin = pinFor(draft.design, { mode: 'output', skill: 'analogue' });
    wire(draft, terminalRef(part.id, id), pin);
    draft.make({ type: 'set-pin', pin, mode: 'output' });
    because.push(`${terminalRef(part.id, id)} goes to ${pin}.`);
  }
  because.push(
    'One pin charges its plates, the other measures what came through; both hold them at 0 V between two readings.',
  );
}

function touchPad(making: Making): void {
  const { draft, part, because } = making;
  const pin = pinFor(draft.design, { mode: 'input', skill: 'touch' });
  wire(draft, terminalRef(part.id, 'pad'), pin);
  wire(draft, terminalRef(part.id, 'GND'), groundOf(draft.design));
  draft.make({ type: 'set-pin', pin, mode: 'input', skill: 'touch' });
  because.push(`${pin} measures what the pad can hold.`);
}

/** A load cell behind its amplifier, which feeds it and reads it. */
function bridge(making: Making): void {
  const { draft, part, because } = making;
  const u = draft.add('bridge-amplifier', 'Cell amplifier');
  for (const t of ['ep', 'em', 'sp', 'sm'] as const)
    wire(draft, terminalRef(u, t), terminalRef(part.id, t));
  because.push(
    'A millivolt per volt is too little for a pin: an amplifier feeds the bridge and reads it.',
  );
  fed({ draft, part: draft.part(u), because });
}
