import { CannotBuild, power } from '../blocks/index.js';
import { kindOf } from '../catalog/index.js';
import {
  terminalRef,
  type Design,
  type Output,
  type Part,
  type TerminalRef,
} from '../design/index.js';
import { boardsOf, Draft, usualColour, wiringOf, type Wiring } from '../wiring/index.js';
import type { EitherOr } from './either-or.js';

/** A transistor that an output of the controller switches something with, on the side of ground. */
interface Switch {
  output: Output;
  transistor: Part;
  control: TerminalRef;
  /** Its collector or drain, and its emitter or source. */
  top: TerminalRef;
  bottom: TerminalRef;
}

/** What a transistor switches could be switched by a relay. */
export const relayInstead = (design: Design): EitherOr[] =>
  boardsOf(design).length === 0
    ? []
    : switchesOf(design).flatMap((one) => {
        const edit = withRelay(design, one);
        return edit
          ? [
              {
                ...{ id: `relay ${one.transistor.id}`, of: one.output.name },
                ...{ now: 'is switched by a transistor', other: 'is switched by a relay', edit },
              },
            ]
          : [];
      });

function switchesOf(design: Design): Switch[] {
  const wiring = wiringOf(design);
  const ground = wiring.ground();
  return design.outputs.flatMap((output) =>
    design.parts.flatMap((transistor): Switch[] => {
      const { transistor: bipolar, mosfet } = kindOf(transistor);
      const ends = bipolar
        ? [bipolar.base, bipolar.collector, bipolar.emitter]
        : mosfet
          ? [mosfet.gate, mosfet.drain, mosfet.source]
          : [];
      const [control, top, bottom] = ends.map((end) => terminalRef(transistor.id, end));
      if (!control || !top || !bottom || !ground || !wiring.same(bottom, ground)) return [];
      const driven = wiring.same(output.pin, control) || seriesAt(wiring, output.pin, control);
      return driven ? [{ output, transistor, control, top, bottom }] : [];
    }),
  );
}

const seriesAt = (wiring: Wiring, pin: TerminalRef, control: TerminalRef): boolean =>
  wiring.between(pin, control).some(isResistor);

const isResistor = (part: Part): boolean => kindOf(part).resistance !== undefined;

/** A relay board in its place: its contact where the transistor was, its input at the pin. */
function withRelay(design: Design, { output, transistor, control, top, bottom }: Switch) {
  const wiring = wiringOf(design);
  const besides = wiring
    .ends(control)
    .map(({ part }) => part)
    .filter((part) => isResistor(part) && part.id !== transistor.id);
  const draft = new Draft(design);
  const relay = draft.add('relay-board-1', `${output.name} relay`, { active: 1 });
  const at = (terminal: string): TerminalRef => terminalRef(relay, terminal);
  draft.rewire(top, at('NO1')).rewire(bottom, at('COM1'));
  for (const { id } of [transistor, ...besides]) draft.make({ type: 'remove-part', id });
  draft.join(output.pin, at('IN1'), { colour: usualColour(draft.design, output.pin, at('IN1')) });
  try {
    power({ draft, part: draft.part(relay), because: [] });
  } catch (error) {
    // Nothing here gives a relay board its volts.
    if (error instanceof CannotBuild) return undefined;
    throw error;
  }
  return draft.edit(`switch ${output.name} by a relay`);
}
