import { kindOf, type AskedAt } from '../catalog/index.js';
import type { Part, PinMode, PinSkill } from '../design/index.js';
import type { Board } from './board.js';
import { pinOf } from './pin-of.js';

/** Whether something is amiss, what, and what helps. */
export type Told = [is: boolean, reason: string, cure: string];

const ways: Readonly<Record<AskedAt['by'], string>> = {
  register: 'over a two-wire bus',
  echo: 'by timing an echo',
  charge: 'by how fast a pin charges it',
  touch: 'by a touch pin',
};

/** What keeps the program of a board from taking a number from a part so. */
export function partLacks({ takes = {}, label }: Board, part: Part, asked: AskedAt): Told[] {
  if (!takes[asked.by])
    return [
      [
        true,
        `It is taken ${ways[asked.by]}, which programs for a ${label} do not do`,
        'Take a board that does, or a sensor that gives a level or a voltage.',
      ],
    ];
  return endsOf(asked, takes.anyBus ?? false).flatMap(({ what, pin, skill, mode }): Told[] => {
    const able = kindOf(part).terminals.filter(
      (t) =>
        t.role === 'pin' &&
        (!skill || t.can?.includes(skill)) &&
        (!mode || (t.modes?.includes(mode) ?? true)),
    );
    return [
      [
        !able.some(({ id }) => pin === `${part.id}.${id}`),
        `Its ${what} leads to ${
          pin?.startsWith(`${part.id}.`)
            ? `pin ${pinOf(pin)}, which cannot be used so`
            : 'no pin of the board'
        }`,
        `Wire it to one of these: ${able.map((t) => t.id).join(', ')}.`,
      ],
    ];
  });
}

interface End {
  what: string;
  pin: string | undefined;
  skill?: PinSkill;
  mode?: PinMode;
}

/** The ends of a part by which it is asked, and what their pins have to be able to. */
function endsOf(asked: AskedAt, anyBus: boolean): End[] {
  switch (asked.by) {
    case 'register':
      return [
        {
          what: 'data line',
          pin: asked.data,
          ...(anyBus ? { mode: 'output' } : { skill: 'data' }),
        },
        {
          what: 'clock line',
          pin: asked.clock,
          ...(anyBus ? { mode: 'output' } : { skill: 'clock' }),
        },
      ];
    case 'echo':
      return [
        { what: 'trigger', pin: asked.trigger, mode: 'output' },
        { what: 'echo', pin: asked.echo, mode: 'input' },
      ];
    case 'charge':
      return [
        { what: 'driven end', pin: asked.from, mode: 'output' },
        { what: 'end that is read', pin: asked.at, mode: 'pull-up' },
      ];
    case 'touch':
      return [{ what: 'pad', pin: asked.at, skill: 'touch' }];
  }
}
