import { followsAt, kindOf, paramsOf } from '../catalog/index.js';
import type { Design, Output, Part } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { branchOf, drivesOf } from '../wiring/index.js';
import type { Lack } from './lacks.js';

/** Whether an output is on for a share of the time. */
export const isDimmed = (design: Design, { id, fade }: Output): boolean =>
  fade !== undefined || drivesOf(design, id).some((d) => d.as === 'level');

/** What an output of a board leads to that does not bear how that board switches it. */
export function chopLacks(design: Design, board: Part, output: Output, dims: boolean): Lack[] {
  const { hertz = 0 } = kindOf(board).dims ?? {};
  return served(design, output).flatMap((part): Lack[] => {
    const { chopped } = kindOf(part);
    if (!chopped || !(dims || chopped.always) || (dims && followsAt(chopped, hertz))) return [];
    const given = dims ? `dimmed at ${formatQuantity(hertz, 'Hz')}` : 'given a steady voltage';
    const { from, to, otherwise, cure } = chopped;
    const wants =
      from === undefined || to === undefined
        ? ''
        : `; it wants ${formatQuantity(from, 'Hz')} to ${formatQuantity(to, 'Hz')}`;
    return [
      {
        place: `output ${output.name}`,
        reason: `${part.name} is ${given}${wants}: ${otherwise}`,
        cure,
      },
    ];
  });
}

/** A part that sounds at the frequency of a dimmed pin, far from where it is loudest. */
export interface OffTone {
  part: Part;
  says: Lack;
}

/** What sounds far from where it is loudest. */
export const offTones = (design: Design, board: Part): OffTone[] =>
  design.outputs.filter((o) => isDimmed(design, o)).flatMap((o) => offTonesOf(design, board, o));

function offTonesOf(design: Design, board: Part, output: Output): OffTone[] {
  const { hertz = 0 } = kindOf(board).dims ?? {};
  return served(design, output).flatMap((part): OffTone[] => {
    const loudest = kindOf(part).resonance?.(paramsOf(part));
    if (loudest === undefined || nearby(hertz, loudest)) return [];
    const says = {
      place: `output ${output.name}`,
      reason: `${part.name} sounds at ${formatQuantity(hertz, 'Hz')}, the one frequency of a dimmed pin, and is loudest at ${formatQuantity(loudest, 'Hz')}`,
      cure: 'Where it is to be heard from afar, let a timer on its resonance give the tone and the pin let it run; or take a buzzer with an oscillator of its own.',
    };
    return [{ part, says }];
  });
}

/** Within a third, as a tone. */
const nearby = (hertz: number, loudest: number): boolean =>
  Math.abs(Math.log2(hertz / loudest)) <= 1 / 3;

const served = (design: Design, { pin }: Output): Part[] => {
  const reached = branchOf(design, pin);
  return design.parts.filter((p) => reached.includes(p.id));
};
