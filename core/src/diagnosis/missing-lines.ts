import { kindOf, pinReached } from '../catalog/index.js';
import { terminalRef, type Design, type PinSkill, type TerminalRef } from '../design/index.js';
import { joinEdit, whyNotJoin } from '../wiring/index.js';
import type { Candidate } from './candidate.js';

/** So many pins that can do it are tried for a line. */
const mostPins = 4;

/** Lines of chips on a bus that lead to no pin of a controller: to pins that have such a line. */
export const missingLines = (design: Design): Candidate[] =>
  design.parts.flatMap((part) => {
    const { bus } = kindOf(part);
    if (!bus) return [];
    const lines: [string, PinSkill][] = [
      [bus.data, 'data'],
      [bus.clock, 'clock'],
    ];
    return lines.flatMap(([own, skill]) => lineTo(design, terminalRef(part.id, own), skill));
  });

function lineTo(design: Design, line: TerminalRef, skill: PinSkill): Candidate[] {
  if (pinReached(design, line) !== undefined) return [];
  return pinsWith(design, skill)
    .filter((pin) => !whyNotJoin(design, line, pin))
    .slice(0, mostPins)
    .map((pin) => ({
      ...{ kind: 'mistake', usual: 0.6, about: [line, pin] },
      says: `No wire leads from ${line} to ${pin}`,
      label: `Join ${line} and ${pin}`,
      edit: joinEdit(design, line, pin),
    }));
}

const pinsWith = ({ parts }: Design, skill: PinSkill): TerminalRef[] =>
  parts.flatMap((part) =>
    kindOf(part)
      .terminals.filter((t) => t.role === 'pin' && t.can?.includes(skill))
      .map((t) => terminalRef(part.id, t.id)),
  );
