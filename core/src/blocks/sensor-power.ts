import { kindOf, paramsOf } from '../catalog/index.js';
import { terminalRef, type Design, type Part, type TerminalRef } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { Draft, wiringOf } from '../wiring/index.js';
import { CannotBuild, type Block } from './block.js';
import { usePin } from './load-stage.js';
import { askPart, boardOf, partOf, pinFor, put, railOf, railVolts, wire } from './site.js';
import { dividerEnds } from './best-load.js';

/** A pin feeds up to this for good, A (half of what most pins stand). */
const pinAmps = 10e-3;

/** The terminal at which a sensor takes its power or hangs on the supply. */
function powerEnd(design: Design, part: Part): TerminalRef | undefined {
  const { feed } = kindOf(part);
  if (feed) return terminalRef(part.id, feed.plus);
  const ends = dividerEnds(part);
  if (!ends) return undefined;
  const wiring = wiringOf(design);
  const sides = [terminalRef(part.id, ends.top), terminalRef(part.id, ends.signal)];
  const direct = sides.find((ref) => wiring.nature(ref) === 'supply');
  if (direct !== undefined) return direct;
  // The resistor above it hangs on the supply instead.
  return sides
    .flatMap((ref) => wiring.ends(ref))
    .filter((e) => e.kind.resistance)
    .map((e) => wiring.beyond(e))
    .find((far): far is string => far !== undefined && wiring.nature(far) === 'supply');
}

export const sensorPower: Block = {
  id: 'sensor-power',
  label: 'Sensor fed only while it is read',
  summary:
    'Feeds a sensor from a pin, or through a transistor: saves the battery and the electrodes.',
  words: ['power', 'pin', 'sleep', 'battery', 'corrosion', 'electrode', 'pulse', 'save'],
  asks: (design, about) => [
    askPart(
      design,
      'Sensor',
      (kind, p) => kind.stage === 'feels' && powerEnd(design, p) !== undefined,
      about,
    ),
  ],
  build: (design, answers) => {
    const part = partOf(design, answers);
    const plus = powerEnd(design, part);
    if (plus === undefined) throw new CannotBuild(`${part.name} takes no power.`);
    const own = kindOf(part).ownAmps?.(paramsOf(part)) ?? 1e-3;
    const pin = pinFor(design, { mode: 'output' });
    const draft = new Draft(design);
    const wires = design.wires.filter((w) => w.from === plus || w.to === plus);
    if (wires.length > 1) {
      throw new CannotBuild(
        `Other parts are fed over ${plus} as well: give each its own wire to the supply first.`,
      );
    }
    for (const { id } of wires) draft.make({ type: 'remove-wire', id });
    usePin(draft, pin, `${part.name} power`, { feeds: true });
    const because = [
      'The firmware switches it on, waits until it has settled, reads, and switches it off.',
    ];
    if (own <= pinAmps) {
      wire(draft, pin, plus);
      because.push(`It takes ${formatQuantity(own, 'A')}: the pin feeds it itself.`);
    } else {
      throughMosfet(draft, pin, plus);
      because.push(
        `It takes ${formatQuantity(own, 'A')}, more than a pin should give: a p-channel MOSFET feeds it; the output is on when low.`,
      );
    }
    return { edit: draft.edit('feed sensor by pin'), because };
  },
};

/** A p-channel MOSFET in the supply lead, its gate held up while the controller starts. */
function throughMosfet(draft: Draft, pin: TerminalRef, plus: TerminalRef): void {
  const board = boardOf(draft.design);
  const rail = railOf(board);
  if (railVolts(board) < 3) throw new CannotBuild('The board runs on too little to open a MOSFET.');
  const q = draft.add('p-mosfet', 'Sensor switch');
  wire(draft, rail, terminalRef(q, 's'));
  wire(draft, terminalRef(q, 'd'), plus);
  wire(draft, pin, terminalRef(q, 'g'));
  put(draft, 'resistor', 'Gate pull-up', { ohms: 100e3 }, [
    terminalRef(q, 's'),
    terminalRef(q, 'g'),
  ]);
  const output = draft.design.outputs.find((o) => o.pin === pin);
  if (output) draft.make({ type: 'put-output', output: { ...output, active: 'low' } });
}
