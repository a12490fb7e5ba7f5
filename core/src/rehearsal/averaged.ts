import { kindOf } from '../catalog/index.js';
import type { Circuit, PartValues } from '../circuit/index.js';
import type { Design } from '../design/index.js';
import { isSource } from '../wiring/index.js';

/** How a pin is dimmed where its controller does not say. */
export const usualDims = { hertz: 1000, steps: 255 };

/** Parts whose mean over a period tells what they do, or what they give, while an output is dimmed. */
export const averagedIn = (design: Design, circuit: Circuit): ReadonlyMap<string, PartValues> =>
  new Map(
    design.parts
      .filter((part) => {
        const { acts, emits, relays, brownOut, fuse, electrodes } = kindOf(part);
        return isSource(part) || (acts ?? emits ?? relays ?? brownOut ?? fuse ?? electrodes);
      })
      .map(({ id }) => [id, circuit.values(id)]),
  );
