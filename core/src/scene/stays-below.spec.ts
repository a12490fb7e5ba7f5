import fc from 'fast-check';
import type { Receiver } from './happening-kind.js';
import { staysBelow, stimulusOfBody } from './body/stimulus-of-body.js';
import { plainBody, type Body } from './body/body.js';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const body = fc.record({ x: number(-20, 20), y: number(-20, 20), heading: number(-180, 180) });
const plan = { width: 40, depth: 40, walls: [] };

describe.each(['heat', 'echo'] as const)('of %s', (quantity) => {
  it('what is said to stay below a level is felt as no more than that, wherever it is and whichever way it goes', () => {
    fc.assert(
      fc.property(
        body,
        number(0.1, 4),
        number(1e-4, 2),
        fc.option(number(10, 80), { nil: undefined }),
        fc.option(number(0, 4), { nil: undefined }),
        (at, speed, level, halfAngle, z) => {
          const someone: Body = {
            ...plainBody,
            ...{ ...at, speed, width: 0.5, height: 1.7, excess: 8, echo: 1 },
          };
          const receiver: Receiver = {
            ...{ quantity, radius: 0.005, zone: 10, halfAngle },
            place: { x: 0, y: 0, facing: 30, ...(z === undefined ? {} : { z, tilt: 20 }) },
          };
          if (!staysBelow(someone, receiver, level, 20)) return;
          expect(stimulusOfBody(someone, receiver, plan, 20) ?? 0).toBeLessThanOrEqual(level);
        },
      ),
      { numRuns: 3000 },
    );
  });

  it('someone close before it is never said to, and someone at the other end of the plan is', () => {
    const someone = { ...plainBody, width: 0.5, height: 1.7, excess: 8, echo: 1 };
    const receiver: Receiver = { quantity, radius: 0.005, place: { x: 0, y: 0, facing: 0 } };
    const at = (x: number): Body => ({ ...someone, x, y: 0, heading: 90, speed: 1.3 });
    expect(staysBelow(at(1), receiver, 0.2, 20)).toBe(false);
    expect(staysBelow(at(100), receiver, 0.2, 20)).toBe(true);
  });
});

it('nothing is said of what does not fall with the square of the distance alone', () => {
  const far: Body = { ...plainBody, width: 1, x: 1e4, y: 0, heading: 0, speed: 1 };
  for (const quantity of ['sound', 'light', 'reflection', 'distance', 'force'] as const)
    expect(
      staysBelow(far, { quantity, radius: 0.005, place: { x: 0, y: 0, facing: 0 } }, 1, 20),
    ).toBe(false);
});
