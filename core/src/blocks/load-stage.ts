import { endsOf, kindOf, paramsOf } from '../catalog/index.js';
import { freshId, terminalRef, type Design, type Part, type TerminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { Draft, freePin, boardsOf, wiringOf } from '../wiring/index.js';
import { CannotBuild, type Answers, type Ask, type Block, type Built } from './block.js';
import {
  askPart,
  askTerminal,
  e12Below,
  groundOf,
  partOf,
  put,
  railVolts,
  supplyNear,
  terminalOfAnswer,
  wire,
} from './site.js';

/** What most loads of this size are made for, V and A. */
const usual = { volts: 12, amps: 0.05 };

/** What a load works at, V. */
export const loadVolts = (part: Part): number =>
  kindOf(part).load?.volts?.(paramsOf(part)) ?? usual.volts;

/** What a load takes when it works, A; from its own numbers. */
export const loadAmps = (part: Part): number =>
  kindOf(part).load?.amps?.(paramsOf(part)) ?? usual.amps;

/** The two terminals of a load between which its current flows: the supply's side first. */
export function loadEnds(part: Part): readonly [string, string] {
  const { feed, coil } = kindOf(part);
  const across = feed ?? coil;
  if (across) return [across.plus, across.minus];
  const [first, second] = endsOf(part.kind);
  return [first.id, second.id];
}

/** Parts that want more than a pin gives, and are not wired to a driver yet. */
const isLoad =
  (design: Design) =>
  (_: unknown, part: Part): boolean => {
    const kind = kindOf(part);
    const two = kind.stage === 'acts' && kind.terminals.length === 2;
    const relay = kind.coil !== undefined;
    if (!two && !relay) return false;
    return !wiringOf(design).wired(terminalRef(part.id, loadEnds(part)[1]));
  };

const asks = (design: Design, about?: string): Ask[] => {
  const [board] = boardsOf(design);
  const free = board && freePin(design, board, { mode: 'output' });
  const driver = askTerminal(design, 'Driven by', (t) => t.role === 'signal-out', about, 'driver');
  const pins = board
    ? kindOf(board)
        .terminals.filter((t) => t.modes?.includes('output') && !t.reserved)
        .map((t) => terminalRef(board.id, t.id))
        .filter((ref) => !wiringOf(design).wired(ref))
        .map((ref) => ({ value: ref, label: ref }))
    : [];
  const options = [...pins, ...('options' in driver ? driver.options : [])];
  return [
    askPart(design, 'Load', isLoad(design), about),
    {
      id: 'driver',
      label: 'Driven by',
      type: 'pick',
      options,
      value: free ?? options[0]?.value ?? '',
    },
  ];
};

/** What is common to every stage that switches a load. */
interface Stage {
  draft: Draft;
  part: Part;
  driver: TerminalRef;
  driverVolts: number;
  supply: { ref: TerminalRef; volts: number };
  amps: number;
  ground: TerminalRef;
  because: string[];
}

function stageFor(design: Design, answers: Answers): Stage {
  const part = partOf(design, answers);
  const driver = terminalOfAnswer(answers, 'driver');
  const ground = groundOf(design);
  const volts = loadVolts(part);
  const supply = supplyNear(design, volts);
  const draft = new Draft(design);
  const end = wiringOf(design).end(driver);
  const pin = end?.terminal.role === 'pin';
  const driverVolts = pin && end ? railVolts(end.part) : supply.volts;
  if (pin) usePin(draft, driver, part.name);
  const amps = loadAmps(part);
  const because = [
    `${part.name} takes about ${formatQuantity(amps, 'A')} at ${formatQuantity(volts, 'V')}${pin && end ? `; ${driver} gives ${formatQuantity(end.kind.inputs?.maxAmps(paramsOf(end.part)) ?? NaN, 'A')} at most` : ''}.`,
    ...(supply.volts > 1.2 * volts || supply.volts < 0.8 * volts
      ? [
          `No supply of ${formatQuantity(volts, 'V')} is here: ${formatQuantity(supply.volts, 'V')} is the nearest.`,
        ]
      : []),
  ];
  return { draft, part, driver, driverVolts, supply, amps, ground, because };
}

/** Feeds the load from its supply and switches its other end to ground through a terminal of the driver. */
function lowSide({ draft, part, supply }: Stage, switched: TerminalRef): void {
  const [plus, minus] = loadEnds(part);
  wire(draft, supply.ref, terminalRef(part.id, plus));
  wire(draft, terminalRef(part.id, minus), switched);
}

/** Sets a pin up as an output of that name. */
export function usePin(
  draft: Draft,
  pin: TerminalRef,
  name: string,
  more: { feeds?: boolean } = {},
): void {
  draft.make({ type: 'set-pin', pin, mode: 'output' });
  if (draft.design.outputs.some((o) => o.pin === pin)) return;
  const id = freshId(
    'o',
    draft.design.outputs.map((o) => o.id),
  );
  draft.make({ type: 'put-output', output: { id, name, pin, active: 'high', ...more } });
}

/** A diode across what has a coil, cathode to the supply. */
export function guardCoil(draft: Draft, part: Part, because: string[]): void {
  const { coil } = kindOf(part);
  if (!coil) return;
  const ends = [terminalRef(part.id, coil.minus), terminalRef(part.id, coil.plus)] as const;
  const there = wiringOf(draft.design)
    .between(...ends)
    .some((p) => kindOf(p).conducts);
  if (there) return;
  put(draft, 'rectifier-diode', 'Coil diode', {}, ends);
  because.push(
    'A coil lifts its driver far above the supply at switch-off: the diode across it gives that current a way.',
  );
}

/** Forced gain at which a small transistor is safely saturated (common practice). */
const forcedGain = 10;

export const transistorStage: Block = {
  id: 'transistor-stage',
  label: 'Transistor that switches a load',
  summary: 'An NPN transistor with its base resistor, and a diode where the load has a coil.',
  words: ['transistor', 'driver', 'switch', 'load', 'npn', 'sounder', 'buzzer', 'relay'],
  asks,
  build: (design, answers): Built => {
    const stage = stageFor(design, answers);
    const { draft, part, driver, driverVolts, amps, ground, because } = stage;
    if (amps > 0.15) {
      throw new CannotBuild(
        `${part.name} takes ${formatQuantity(amps, 'A')}, too much for a small transistor: take the MOSFET or the relay.`,
      );
    }
    const q = draft.add('npn-transistor', `${part.name} switch`);
    const base = amps / forcedGain;
    const ohms = e12Below(Math.max(100, (driverVolts - 0.7) / base));
    put(draft, 'resistor', 'Base resistor', { ohms }, [driver, terminalRef(q, 'b')]);
    lowSide(stage, terminalRef(q, 'c'));
    wire(draft, terminalRef(q, 'e'), ground);
    guardCoil(draft, part, because);
    because.push(
      `Base resistor (${formatQuantity(driverVolts, 'V')} − 0.7 V)/(${formatQuantity(amps, 'A')}/${forcedGain}) = ${formatQuantity((driverVolts - 0.7) / base, 'Ω')}, ${formatQuantity(ohms, 'Ω')} of E12: forced gain of ${forcedGain}.`,
    );
    return { edit: draft.edit('add transistor stage'), because };
  },
};

export const mosfetStage: Block = {
  id: 'mosfet-stage',
  label: 'MOSFET that switches a load',
  summary:
    'A logic-level MOSFET with gate resistor and pull-down, and a diode where the load has a coil.',
  words: ['mosfet', 'driver', 'switch', 'load', 'pump', 'strip', 'lamp', 'motor'],
  asks,
  build: (design, answers): Built => {
    const stage = stageFor(design, answers);
    const { draft, part, driver, driverVolts, ground, because } = stage;
    if (driverVolts < 2.5)
      throw new CannotBuild(`${formatQuantity(driverVolts, 'V')} do not open a MOSFET's gate.`);
    const q = draft.add('logic-mosfet', `${part.name} switch`);
    put(draft, 'resistor', 'Gate resistor', { ohms: 220 }, [driver, terminalRef(q, 'g')]);
    put(draft, 'resistor', 'Gate pull-down', { ohms: 100e3 }, [
      terminalRef(q, 'g'),
      terminalRef(q, 's'),
    ]);
    lowSide(stage, terminalRef(q, 'd'));
    wire(draft, terminalRef(q, 's'), ground);
    guardCoil(draft, part, because);
    because.push(
      `The gate gets ${formatQuantity(driverVolts, 'V')} and takes no current; 220 Ω tame the edge, 100 kΩ keep it off while the controller starts.`,
    );
    return { edit: draft.edit('add MOSFET stage'), because };
  },
};

export const relayStage: Block = {
  id: 'relay-stage',
  label: 'Relay that switches a load',
  summary: 'A relay with its own driver: the load’s circuit is apart from the controller’s.',
  words: ['relay', 'isolated', 'contact', 'load', 'lamp', 'pump'],
  asks,
  build: (design, answers): Built => {
    const stage = stageFor(design, answers);
    const { draft, part, ground, because } = stage;
    const onBoard = wiringOf(design)
      .ends(stage.driver)
      .some((e) => e.terminal.role === 'pin');
    if (onBoard) relayOnBoard(stage);
    else relayBare(stage);
    wire(draft, terminalRef(part.id, loadEnds(part)[1]), ground);
    because.push('The normally open contact closes for the alarm: without power the load is off.');
    return { edit: draft.edit('add relay stage'), because };
  },
};

/** A relay board behind a controller pin. */
function relayOnBoard(stage: Stage): void {
  const { draft, part, driver, ground, because } = stage;
  const k = draft.add('relay-board-1', `${part.name} relay`, { active: 1 });
  const five = supplyNear(draft.design, 5);
  wire(draft, five.ref, terminalRef(k, 'VCC'));
  wire(draft, terminalRef(k, 'GND'), ground);
  wire(draft, driver, terminalRef(k, 'IN1'));
  contact(stage, k, 'COM1', 'NO1');
  because.push(
    'A relay board brings optocoupler, transistor and diode. Taken as active high; for an active-low one change that and turn the output over.',
  );
}

/** A usual coil takes this much, W. */
const coilWatts = 0.36;

/** A bare relay behind an output that can give its coil current. */
function relayBare(stage: Stage): void {
  const { draft, part, driver, ground, supply, because } = stage;
  const { volts } = supply;
  const params = {
    volts,
    pullIn: 0.7 * volts,
    dropOut: 0.15 * volts,
    ohms: volts ** 2 / coilWatts,
  };
  const k = draft.add('relay-12v', `${part.name} relay`, params);
  wire(draft, driver, terminalRef(k, 'plus'));
  wire(draft, terminalRef(k, 'minus'), ground);
  const ends = [terminalRef(k, 'minus'), terminalRef(k, 'plus')] as const;
  put(draft, 'rectifier-diode', 'Coil diode', {}, ends);
  contact(stage, k, 'com', 'no');
  because.push(
    `The coil takes ${formatQuantity(coilWatts / volts, 'A')} at ${formatQuantity(volts, 'V')}; a diode lies across it.`,
  );
}

/** A contact in the load's supply lead. */
function contact({ draft, part, supply }: Stage, relay: string, com: string, no: string): void {
  wire(draft, supply.ref, terminalRef(relay, com));
  wire(draft, terminalRef(relay, no), terminalRef(part.id, loadEnds(part)[0]));
}
