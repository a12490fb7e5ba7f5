import { lastsOf } from './lasts.js';

it('tells how long a battery lasts, what it loses and what ends it', async () => {
  const { text, json, exitCode } = await lastsOf('demo/fuel-locker-loop.yurei.json', {});
  expect(text).toMatch(
    /^12 V battery \(G1\) +\d+ days +loses 0\.\d+ % a day, 0\.\d+ % at rest; in the end /,
  );
  expect(text).toMatch(/^at first +G1 90 %$/m);
  expect(json).toMatchObject({ times: 1, batteries: { part: 'G1' } });
  expect(exitCode).toBe(0);
});

it('tells how long contacts last where the scene comes more often', async () => {
  const [once, often] = await Promise.all(
    ['1', '10'].map((times) => lastsOf('demo/drying-room-fan.yurei.json', { times })),
  );
  const lasts = ({ json }: typeof once): number =>
    (json as { contacts: { lasts: number }[] }).contacts[0].lasts;
  expect(lasts(once) / lasts(often)).toBeCloseTo(10, 6);
});

it('says so where nothing is used up', async () => {
  const { text } = await lastsOf('demo/slipway-beam.yurei.json', {});
  expect(text).toBe(
    'There is no battery, no relay and no bare electrode in it; how other parts age is not computed.',
  );
});

it.each(['-1', 'twice', '1e9', ''])('refuses %s times a day', async (times) => {
  await expect(lastsOf('demo/slipway-beam.yurei.json', { times })).rejects.toThrow(
    `--times ${times} is not a number from 0 to 86400.`,
  );
});
