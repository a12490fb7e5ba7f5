import type { Happening, Point } from '../../design/index.js';
import type { HappeningKind } from '../happening-kind.js';
import { distanceToStretch, shadedShare } from '../shadow.js';

const lengthOf = ({ from, to }: Happening): number =>
  from && to ? Math.hypot(to.x - from.x, to.y - from.y) : 0;

function whereAt(happening: Happening, speed: number, t: number): Point | undefined {
  const { from, to } = happening;
  const share = (speed * t) / lengthOf(happening);
  if (!from || !to || !(share >= 0 && share <= 1)) return undefined;
  return { x: from.x + share * (to.x - from.x), y: from.y + share * (to.y - from.y) };
}

export const crossing: HappeningKind = {
  kind: 'crossing',
  label: 'Something crosses',
  summary: 'A person, animal or thing of some width goes along a straight way and casts a shadow.',
  moves: true,
  params: [
    {
      id: 'speed',
      label: 'Speed',
      unit: 'm/s',
      default: 1.3,
      min: 0.01,
      max: 100,
      usual: [0.05, 30],
    },
    { id: 'width', label: 'Width', unit: 'm', default: 0.4, min: 0.005, max: 10 },
  ],
  lasts: (happening, { speed }) => lengthOf(happening) / speed,
  blocks: (happening, { speed, width }, t, source, receiver) => {
    const body = whereAt(happening, speed, t);
    if (!body) return 0;
    const { distance, between } = distanceToStretch(body, source, receiver.place);
    return between ? shadedShare(distance, width / 2, receiver.radius) : 0;
  },
  source: 'Opaque disc in plan view; walking speed 1.2–1.4 m/s (common practice).',
};
