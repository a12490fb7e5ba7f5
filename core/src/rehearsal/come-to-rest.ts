import type { Channel, Design, Scene } from '../design/index.js';
import { restingLogic, stepLogic, type LogicState } from '../logic/index.js';
import { clockAt } from '../scene/index.js';

/**
 * The controller at rest: the first moment of a scene read again and again until nothing changes.
 *
 * @param counts what channels read at that moment, with the outputs as the controller has set them
 */
export function comeToRest(
  design: Design,
  scene: Scene,
  counts: (logic: LogicState) => ReadonlyMap<string, number>,
): LogicState {
  let logic = restingLogic(design, { clock: clockAt(scene), begin: scene.modes });
  const rounds = 2 + Math.max(0, ...design.channels.map(readingsToRest));
  for (let i = 0; i < rounds; i++) {
    const [next] = stepLogic(design, logic, counts(logic), 0);
    if (sameLogic(logic, next)) break;
    logic = next;
  }
  return arrived(logic);
}

/** So many readings after a reset a channel has settled, as long as they stay the same. */
const readingsToRest = ({ hits, misses, baseline }: Channel): number =>
  hits + misses + (baseline?.kind === 'learnt' ? baseline.learn : 0);

/** Whether nothing would change any more, however often the controller looks again. */
const sameLogic = (a: LogicState, b: LogicState): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/** Outputs that fade have long come to where they were going. */
const arrived = (logic: LogicState): LogicState => ({
  ...logic,
  outputs: Object.fromEntries(
    Object.entries(logic.outputs).map(([id, o]) => [id, { ...o, level: o.target }]),
  ),
});
