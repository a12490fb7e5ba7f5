import { choice } from '../../catalog/index.js';
import { defineHappening } from '../define-happening.js';
import type { Quantity } from '../../catalog/index.js';
import type { Moment } from '../happening-kind.js';
import { roomConcentration } from '../room-gas.js';

/** The gases by the words of the choice. */
const gases = {
  propane: 'propane',
  methane: 'methane',
  'alcohol vapour': 'alcohol',
  'carbon monoxide': 'monoxide',
} as const satisfies Record<string, Quantity>;
type Gas = keyof typeof gases;

interface Leak extends Record<'rate' | 'releases' | 'volume' | 'changes', number> {
  gas: Gas;
}

/** ppm of the chosen gas; nothing of the others. */
const ppm =
  (gas: (typeof gases)[Gas]) =>
  ({ params, t }: Moment<Leak>): number | undefined => {
    if (gases[params.gas] !== gas) return undefined;
    const { rate, releases, volume, changes } = params;
    return 1e6 * roomConcentration(t, releases, rate / 60e3, volume, changes / 3600);
  };

export const gasReleased = defineHappening({
  kind: 'gas-released',
  label: 'Gas leaks into the room',
  summary: 'A steady leak into a well-mixed room with some ventilation, then vented.',
  words: [
    'gas',
    'leak',
    'propane',
    'methane',
    'carbon monoxide',
    'alcohol',
    'vapour',
    'fumes',
    'air',
  ],
  danger: 'gas',
  where: 'everywhere',
  lingers: true,
  params: [
    choice('gas', 'Gas', ['propane', 'methane', 'alcohol vapour', 'carbon monoxide'], 'propane'),
    { id: 'rate', label: 'Leak', unit: 'L/min', default: 0.5, min: 1e-6, max: 1000 },
    { id: 'releases', label: 'Leaks for', unit: 's', default: 600, min: 0.1, max: 864000 },
    { id: 'volume', label: 'Room', unit: 'm³', default: 30, min: 0.001, max: 1e5 },
    { id: 'changes', label: 'Air changes per hour', unit: '', default: 0.5, min: 0, max: 100 },
    { id: 'looks', label: 'Looked at for', unit: 's', default: 1800, min: 1, max: 864000 },
  ],
  lasts: ({ params }) => Math.max(params.looks, params.releases),
  contributes: {
    propane: ppm('propane'),
    methane: ppm('methane'),
    alcohol: ppm('alcohol'),
    monoxide: ppm('monoxide'),
  },
  cautions: [
    'Never test with a gas release. A hobby detector does not replace a certified gas or carbon-monoxide alarm.',
    'Propane and petrol vapour lie at the floor, methane rises: a real room is not well mixed.',
  ],
  source:
    'Mass balance of a well-mixed, ventilated room (closed form). Lower explosive limits: propane 1.7 %, methane 4.4 % (IEC 60079-20-1).',
});
