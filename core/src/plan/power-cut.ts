import { kindOf } from '../catalog/index.js';
import type { Design, Scene } from '../design/index.js';
import { quietScene, rehearse } from '../rehearsal/index.js';

/** What a design does when the mains that feed it fail. */
export interface PowerCut {
  /** Whether any of its supplies hangs on the mains; cells go on. */
  mains: boolean;
  /** What acts while they are gone: from how long after, s, 0 where it acted before; and why. */
  acts: { part: string; word: string; after: number; because: string }[];
}

/** The mains fail when all has come to rest, and for so long, s. */
const fails = 10;
const gone = 30;

/**
 * What acts while the mains are gone: rehearsed in time, with nothing else happening, so that capacitors run down, relays drop
 * out and the controller stops as they do.
 *
 * @param scene whose light and air it is in
 */
export function powerCut(design: Design, scene: Scene = quietScene): PowerCut {
  const mains = design.parts.some((p) => kindOf(p).senses?.quantities.includes('supply'));
  if (!mains) return { mains, acts: [] };
  const cut: Scene = {
    ...scene,
    duration: fails + gone,
    happenings: [
      {
        ...{ id: 'cut', kind: 'supply-dips', name: 'The mains fail', intent: 'wanted' },
        ...{ start: fails, params: { left: 0, lasts: gone } },
      },
    ],
  };
  const { acting } = rehearse(design, cut, undefined, 'time');
  const acts = design.parts.flatMap((part) => {
    const { acts: does } = kindOf(part);
    const own = acting.filter((a) => a.part === part.id);
    const before = own.filter((a) => a.t < fails).at(-1);
    const begins = own.find((a) => a.t >= fails && a.active);
    const ends = own.find((a) => a.t >= fails && !a.active);
    const told = (after: number, because: string) => [
      { part: part.name, word: does?.word ?? 'acting', after, because },
    ];
    if (begins) return told(begins.t - fails, begins.because);
    return before?.active && !ends ? told(0, before.because) : [];
  });
  return { mains, acts };
}
