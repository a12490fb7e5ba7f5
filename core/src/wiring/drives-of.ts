import type { Act, Action, Design, Drive } from '../design/index.js';

/** What a program does, wherever it says so: in rules and on the way from mode to mode. */
const actsOf = ({ rules, machines }: Design): (Act | Action)[] => [
  ...rules.flatMap((rule) => rule.then),
  ...machines.flatMap((m) => m.transitions.flatMap((t) => t.then ?? [])),
];

/** Every way in which an output is driven: by rules, between modes, and in sequences. */
export const drivesOf = (design: Design, output: string): Drive[] => [
  ...actsOf(design).flatMap((act) =>
    act.do === 'drive' && act.output === output ? [act.drive] : [],
  ),
  ...design.sequences.flatMap(({ lanes }) =>
    lanes
      .filter((lane) => lane.output === output)
      .flatMap(({ ambient, blocks }) => [
        ...(ambient ? [ambient] : []),
        ...blocks.map((block) => block.drive),
      ]),
  ),
];
