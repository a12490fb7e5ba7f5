import { check, gatherEvidence } from '../check/index.js';
import type { Design } from '../design/index.js';
import { complaints } from './rule-cases.js';
import { placed, sceneOf } from './small.js';

/** Where a rule begins to find something, worked out by hand, in a design that has nothing else wrong at that value. */
export interface Edge {
  code: string;
  /** How the limit follows from numbers on data sheets. */
  by: string;
  limit: number;
  /** It finds something above the limit, or below it. */
  finds: 'above' | 'below';
  /** How near the limit it must tell one from the other, as a share. */
  within: number;
  severity?: 'error';
  /** It is of no use to anything, which is a finding of its own. */
  unread?: true;
  /** Far from the limit there is no such place, or something else is wrong there. */
  onEarth?: true;
  design: (value: number) => Design;
}

const finds = ({ code, severity, design }: Edge, value: number): boolean =>
  complaints(design(value), code).some((f) => severity === undefined || f.severity === severity);

/** Just beyond its limit a rule finds something, just before it nothing; and far from it there is no fault of any kind. */
export function holdEdges(edges: readonly Edge[]): void {
  it.each(edges.map((edge): [string, Edge] => [`${edge.code}: ${edge.by}`, edge]))(
    '%s',
    (_, edge) => {
      const more = edge.limit * (1 + edge.within);
      const less = edge.limit / (1 + edge.within);
      const [bad, good] = edge.finds === 'above' ? [more, less] : [less, more];
      expect([finds(edge, bad), finds(edge, good)]).toEqual([true, false]);
    },
  );

  it.each(
    edges.flatMap((edge): [string, Edge][] =>
      edge.unread || edge.onEarth ? [] : [[edge.code, edge]],
    ),
  )('%s: far from its limit nothing is found', (_, { limit, finds: side, design }) => {
    const far = design(side === 'above' ? limit / 2.5 : limit * 2.5);
    const found = check(gatherEvidence(far, far.scenes[0]));
    expect(
      found
        .filter((f) => f.severity === 'error' || f.severity === 'caution')
        .map((f) => `${f.code}: ${f.reason}`),
    ).toEqual([]);
  });
}

/** A design with a scene in which its button is pressed. */
export const withButton = (design: Design): Design => ({
  ...placed(design),
  scenes: [sceneOf(20, {})],
});
