import { brief } from '../testing/small.js';
import { demo } from '../testing/demo.js';
import { powerCut } from './index.js';

/** A relay held by the mains; its contact that is closed at rest puts a buzzer on cells. */
const failSafe = brief(
  'adapter G volts=12, relay-12v K, alkaline-pack B volts=6, active-buzzer P',
  'G.plus K.plus, G.minus K.minus, B.plus K.com, K.nc P.plus, P.minus B.minus, B.minus G.minus',
);

it('a relay that drops out when the mains fail sounds what hangs on cells, within milliseconds', () => {
  const { mains, acts } = powerCut(failSafe);
  expect(mains).toBe(true);
  expect(acts).toMatchObject([{ part: 'P', word: 'sounding' }]);
  expect(acts[0]?.after).toBeGreaterThan(0);
  expect(acts[0]?.after).toBeLessThan(0.5);
  expect(acts[0]?.because).toMatch(/V across it/);
});

it('what hangs on the mains by itself falls silent, and what hangs on cells goes on', () => {
  const buzzer = (feed: string) =>
    brief(
      `adapter G volts=6, alkaline-pack B volts=6, active-buzzer P`,
      `G.minus B.minus, ${feed}.plus P.plus, ${feed}.minus P.minus`,
    );
  expect(powerCut(buzzer('G')).acts).toEqual([]);
  expect(powerCut(buzzer('B')).acts).toMatchObject([{ part: 'P', after: 0 }]);
});

it('what is on cells alone has no mains to lose', () => {
  expect(powerCut(demo('watch-seat-timer'))).toEqual({ mains: false, acts: [] });
});
