import { choice } from '../../catalog/index.js';
import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';
import type { Moment, Receiver } from '../happening-kind.js';
import { coneResponse, sightOf } from '../sight.js';

/** I/d² with I = Φ/4π, through the cone, lx. */
const lux = (
  { params, t, at }: Moment<Record<'lasts' | 'lumens', number>>,
  receiver: Receiver,
): number => {
  if (!during(t, params.lasts)) return 0;
  const sight = sightOf(receiver.place, at);
  const candela = params.lumens / (4 * Math.PI);
  return (candela * coneResponse(sight, receiver.halfAngle)) / sight.distance ** 2;
};

export const lampOn = defineHappening({
  kind: 'lamp-on',
  label: 'A lamp is switched on',
  summary:
    'A room lamp or torch lights up at a place; an old filament lamp gives much infrared too.',
  words: ['lamp', 'torch', 'light', 'bulb', 'halogen', 'nuisance'],
  usually: 'nuisance',
  where: 'point',
  passes: 2,
  params: [
    { id: 'lumens', label: 'Luminous flux', unit: '', default: 800, min: 1, max: 1e5 },
    choice('filament', 'Kind of lamp', ['LED', 'filament'], 'LED'),
    { id: 'lasts', label: 'Lasts', unit: 's', default: 10, min: 0.1, max: 86400 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    light: lux,
    // A filament lamp gives about a tenth of its power at 800–1000 nm, some 8 mW per lumen.
    infrared: (now, receiver) =>
      now.params.filament === 'filament' ? 0.008 * lux(now, receiver) : 0,
  },
  source:
    'Point source of Φ/4π; 60 W filament lamp 700 lm with about 6 W at 800–1000 nm (from memory).',
});
