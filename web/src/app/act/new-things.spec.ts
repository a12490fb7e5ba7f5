import { readdirSync } from 'node:fs';
import { demo, slipwayBeam } from '../../testing/workbench-bed';
import { machineKinds } from './new-things';

/** Ids of modes, in their order. */
const modesOf = ({ modes }: { modes: readonly { id: string }[] }): string =>
  modes.map(({ id }) => id).join();

it('each set of modes to begin with is used by a design that is shown', () => {
  const names = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));
  const shown = names.flatMap((name) => demo(name).machines.map(modesOf));
  const unused = machineKinds.filter(({ make }) => !shown.includes(modesOf(make(slipwayBeam()))));
  expect(unused.map(({ label }) => label)).toEqual([]);
});
