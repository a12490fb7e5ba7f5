import { kindOf, paramsOf, type PartState } from '../catalog/index.js';
import { type Element } from '../element/index.js';
import type { Part } from '../design/index.js';

const modelOf = new WeakMap<Part, readonly Element[]>();

/** The electrical model of a part at rest, everything wired; worked out once. */
export function elementsOf(part: Part): readonly Element[] {
  const known = modelOf.get(part);
  if (known) return known;
  const state: PartState = {
    stimulus: new Proxy({} as PartState['stimulus'], { get: () => 0 }),
    celsius: 25,
    pins: {},
    wired: () => true,
  };
  const elements = kindOf(part).elements(paramsOf(part), state);
  modelOf.set(part, elements);
  return elements;
}

/** How an output drives its line: only downwards, to either rail, or to any voltage in between. */
export type OutputDrive = 'open-collector' | 'logic' | 'linear';

/** How a terminal drives, by the part's electrical model; undefined for one that no stage drives. */
export function outputDrive(part: Part, terminal: string): OutputDrive | undefined {
  const element = elementsOf(part).find((e) => 'output' in e && e.output === terminal);
  if (element?.type === 'comparator')
    return element.stage === 'open-collector' ? 'open-collector' : 'logic';
  if (element?.type === 'schmitt' || element?.type === 'timer-core') return 'logic';
  return element?.type === 'op-amp' ? 'linear' : undefined;
}
