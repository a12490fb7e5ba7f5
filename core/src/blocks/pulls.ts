import { terminalRef, type TerminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { Draft, suppliesOf, wiringOf } from '../wiring/index.js';
import { CannotBuild, type Block } from './block.js';
import {
  answeredSupply,
  askSupply,
  askTerminal,
  groundOf,
  numberOf,
  put,
  railVolts,
  terminalOfAnswer,
  wire,
} from './site.js';

const signal = (t: { role: string }): boolean =>
  !['supply-in', 'supply-out', 'ground'].includes(t.role);

export const pullUpBlock: Block = {
  id: 'pull-up',
  label: 'Pull-up',
  summary: 'A resistor to the supply, for outputs and contacts that can only pull down.',
  words: ['pull-up', 'pullup', 'open collector', 'button', 'hall', 'comparator'],
  asks: (design, about) => [
    askTerminal(design, 'At', signal, about),
    askSupply(design, 'To', 5),
    { id: 'ohms', label: 'Resistance', type: 'number', unit: 'Ω', value: 10e3 },
  ],
  build: (design, answers) => {
    const at = terminalOfAnswer(answers, 'terminal');
    const { ref, volts } = answeredSupply(design, answers);
    const ohms = numberOf(answers, 'ohms');
    const draft = new Draft(design);
    put(draft, 'resistor', 'Pull-up', { ohms }, [ref, at]);
    return {
      edit: draft.edit('add pull-up'),
      because: [
        `Pulled low it lets ${formatQuantity(volts / ohms, 'A')} through; released it stands at ${formatQuantity(volts, 'V')} unless something else loads it.`,
      ],
    };
  },
};

export const pullDownBlock: Block = {
  id: 'pull-down',
  label: 'Pull-down',
  summary: 'A resistor to ground, so that a gate or an input is never left floating.',
  words: ['pull-down', 'pulldown', 'floating', 'gate', 'input', 'button'],
  asks: (design, about) => [
    askTerminal(design, 'At', signal, about),
    { id: 'ohms', label: 'Resistance', type: 'number', unit: 'Ω', value: 100e3 },
  ],
  build: (design, answers) => {
    const at = terminalOfAnswer(answers, 'terminal');
    const ohms = numberOf(answers, 'ohms');
    const draft = new Draft(design);
    put(draft, 'resistor', 'Pull-down', { ohms }, [at, groundOf(design)]);
    return {
      edit: draft.edit('add pull-down'),
      because: [
        `With nothing driving it, ${at} rests at ground over ${formatQuantity(ohms, 'Ω')}.`,
      ],
    };
  },
};

export const levelShifterBlock: Block = {
  id: 'level-shifter',
  label: 'Level shifter',
  summary: 'Lets a 5 V part and a 3.3 V pin share one line without harm, both ways.',
  words: ['level', 'shifter', '3.3 v', '5 v', 'converter', 'translate'],
  asks: (design, about) => [
    askTerminal(design, 'Low side', (t) => t.role === 'pin', undefined, 'low'),
    askTerminal(
      design,
      'High side',
      (t) => t.role === 'signal-out' || t.role === 'signal-in',
      about,
      'high',
    ),
  ],
  build: (design, answers) => {
    const [low, high] = [terminalOfAnswer(answers, 'low'), terminalOfAnswer(answers, 'high')];
    const [lv, hv] = [supplyBehind(design, low), supplyBehind(design, high)];
    if (lv.volts > hv.volts) {
      throw new CannotBuild(
        `${low} runs on ${formatQuantity(lv.volts, 'V')}, more than ${high} with ${formatQuantity(hv.volts, 'V')}: exchange the sides.`,
      );
    }
    const draft = new Draft(design);
    const direct = design.wires.find(
      (w) => [w.from, w.to].includes(low) && [w.from, w.to].includes(high),
    );
    if (direct) draft.make({ type: 'remove-wire', id: direct.id });
    if (wiringOf(draft.design).same(low, high))
      throw new CannotBuild(
        `${low} and ${high} are joined by other wires as well: remove those first.`,
      );
    const u = draft.add('level-shifter', 'Level shifter');
    wire(draft, low, terminalRef(u, 'low'));
    wire(draft, lv.ref, terminalRef(u, 'lv'));
    wire(draft, terminalRef(u, 'high'), high);
    wire(draft, hv.ref, terminalRef(u, 'hv'));
    return {
      edit: draft.edit('add level shifter'),
      because: [
        `A MOSFET between two pull-ups: either side pulled low pulls the other; released, each rises to its own ${formatQuantity(lv.volts, 'V')} or ${formatQuantity(hv.volts, 'V')}.`,
      ],
    };
  },
};

/** The supply that the part behind a terminal works on. */
function supplyBehind(
  design: Parameters<Block['build']>[0],
  ref: TerminalRef,
): { ref: TerminalRef; volts: number } {
  const wiring = wiringOf(design);
  const end = wiring.end(ref);
  if (!end) throw new CannotBuild(`There is no terminal ${ref}.`);
  if (end.terminal.role === 'pin') {
    const out =
      end.kind.terminals.find((t) => t.role === 'supply-out')?.id ?? end.kind.feed?.plus ?? '';
    return { ref: terminalRef(end.part.id, out), volts: railVolts(end.part) };
  }
  const plus = end.kind.feed && terminalRef(end.part.id, end.kind.feed.plus);
  const supply = plus && suppliesOf(design).find((s) => wiring.same(s.ref, plus));
  if (!plus || !supply)
    throw new CannotBuild(`${end.part.name} has no supply yet: give it power first.`);
  return { ref: plus, volts: supply.volts };
}
