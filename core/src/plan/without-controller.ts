import { addComparator, CannotBuild } from '../blocks/index.js';
import { kindOf } from '../catalog/index.js';
import {
  terminalRef,
  type Channel,
  type Design,
  type Edit,
  type Output,
  type Part,
  type Rule,
  type TerminalRef,
} from '../design/index.js';
import { boardsOf, Draft, suppliesOf, usualColour, wiringOf } from '../wiring/index.js';
import { freed, lineInVolts, railOf } from './decides-by-volts.js';
import type { EitherOr } from './either-or.js';

/** What is all there of a program that a comparator can stand for. */
interface Single {
  board: Part;
  channel: Channel;
  rule: Rule;
  output: Output;
}

/** Holds the line of a contact that the pin held, Ω. */
const pullUp = 10e3;
/** Pulls the comparator's output up, which drives what a pin drove, Ω. */
const drivingPull = 1e3;
/** A regulator that works from a little more than it gives, V. */
const lowDrop = 0.3;

/** A design whose one rule follows one channel could do without its controller. */
export function controllerOrNone(design: Design): EitherOr[] {
  const [board] = boardsOf(design);
  if (!board) return [];
  try {
    const edit = withoutController(design);
    const of = board.name;
    const now = 'a program decides';
    const other = 'nothing is programmed: a comparator decides, and nothing is held or counted';
    return [{ id: `controller ${board.id}`, of, now, other, edit }];
  } catch (error) {
    if (!(error instanceof CannotBuild)) throw error;
    return [];
  }
}

/**
 * The same without its controller: what its pin read goes to a comparator, and that switches what the output did. What the rule held,
 * how often was read and how many readings in a row it took is gone.
 *
 * @throws CannotBuild where the program does more than a comparator can
 */
export function withoutController(design: Design): Edit {
  const single = singleOf(design);
  const { board, channel, rule, output } = single;
  const line = lineInVolts(design, channel);
  const isPulledUp = modeOf(design, channel.pin) === 'pull-up';
  const draft = new Draft(design);
  const signal = freed(draft, channel.pin);
  const driven = freed(draft, output.pin);
  draft.make({ type: 'remove-rule', id: rule.id });
  const { rail, fed } = railWithout(draft, board);
  draft.make({ type: 'remove-part', id: board.id });
  if (isPulledUp) draft.between('resistor', 'Pull-up', { ohms: pullUp }, rail, signal);
  const supply = { ref: rail, volts: railOf(board) };
  const told = { signal, supply, fed, pull: drivingPull, ...line };
  const { out } = addComparator(draft, told);
  draft.join(out, driven, { colour: usualColour(draft.design, out, driven) });
  return draft.edit(`do without ${board.name}`);
}

const modeOf = ({ controller }: Design, pin: TerminalRef) =>
  controller.pins.find((p) => p.pin === pin)?.mode;

function singleOf(design: Design): Single {
  const [board, ...boards] = boardsOf(design);
  const [channel, ...channels] = design.channels;
  const [rule, ...rules] = design.rules;
  const [output, ...outputs] = design.outputs;
  if (!board || !channel || !rule || !output)
    throw new CannotBuild('There is no program yet that could be done without.');
  const { machines, notices, sequences } = design;
  const more = [boards, channels, rules, outputs, machines, notices, sequences];
  if (more.some((list) => list.length > 0))
    throw new CannotBuild(
      'More than one channel, rule or output takes a controller, or stages put together in Wire.',
    );
  const isPlain =
    rule.when.is === 'channel' &&
    !(rule.while || rule.latch || rule.atLeast || rule.atMost || rule.lockOut || rule.once);
  const [action, ...others] = rule.then;
  const isOn = action?.do === 'drive' && action.drive.as === 'on' && output.active === 'high';
  if (!isPlain || !isOn || others.length > 0)
    throw new CannotBuild('What the rule does takes a controller, or stages put together in Wire.');
  const told = wiringOf(design)
    .ends(output.pin)
    .find(({ kind }) => kind.byProgram);
  if (told) throw new CannotBuild(`${told.part.name} is something that only a program does.`);
  return { board, channel, rule, output };
}

interface Rails {
  /** Of what was at the controller's own voltage. */
  rail: TerminalRef;
  /** What that comes from. */
  fed: { ref: TerminalRef; volts: number };
}

/** In the place of a controller what it gave its sensors: a regulator, where it had one. */
function railWithout(draft: Draft, board: Part): Rails {
  const { terminals, feed } = kindOf(board);
  if (!feed) throw new CannotBuild(`${board.name} takes no supply.`);
  const at = (terminal: string): TerminalRef => terminalRef(board.id, terminal);
  const gives = terminals.find((t) => t.role === 'supply-out');
  const grounds = terminals.filter((t) => t.role === 'ground').map((t) => at(t.id));
  if (!gives) {
    for (const ground of grounds) freed(draft, ground);
    const fed = supplyAt(draft.design, freed(draft, at(feed.plus)));
    return { rail: fed.ref, fed };
  }
  const volts = railOf(board);
  const regulator = draft.add('linear-regulator', 'Regulator', { volts, dropOut: lowDrop });
  const end = (terminal: string): TerminalRef => terminalRef(regulator, terminal);
  const rail = end('out');
  draft.rewire(at(feed.plus), end('in')).rewire(at(gives.id), rail);
  for (const ground of grounds) draft.rewire(ground, end('gnd'));
  draft.between('capacitor', 'At the regulator', { farads: 330e-9 }, end('in'), end('gnd'));
  draft.between('capacitor', 'Behind the regulator', { farads: 100e-9 }, rail, end('gnd'));
  return { rail, fed: supplyAt(draft.design, end('in')) };
}

/** @throws CannotBuild where no supply is there */
function supplyAt(design: Design, ref: TerminalRef): Rails['fed'] {
  const wiring = wiringOf(design);
  const found = suppliesOf(design).find((supply) => wiring.same(supply.ref, ref));
  if (!found) throw new CannotBuild(`Nothing feeds ${ref}.`);
  return { ref, volts: found.volts };
}
