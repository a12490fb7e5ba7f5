import { trialsOf } from './nights.js';

const beam = 'demo/slipway-beam.yurei.json';
const still = {
  temperature: '0',
  supply: '0',
  start: '0',
  strength: '0',
  place: '0',
  nominal: true,
};

it('tells how often each happening was noticed, with bounds, and how fast', async () => {
  const { text, exitCode } = await trialsOf(beam, { ...still, nights: '5' });
  expect(text).toMatch(/^5 nights/);
  // None of five missed: at least 0.025^(1/5).
  expect(text).toMatch(
    /Someone walks up the slipway +noticed 5 of 5 \(47\.8 % … 100\.0 %\)\s+after 51\.\d\sms/,
  );
  expect(text).toMatch(/Gull flies through +fired falsely 0 of 5/);
  expect(text).toContain('Nothing that varies matters more than chance');
  expect(exitCode).toBe(0);
});

it('draws a night again by its seed', async () => {
  const all = await trialsOf(beam, { nights: '6', seed: '40', place: '0.3' });
  const { worst } = all.json as { worst: { seed: number; strays: number }[] };
  expect(all.exitCode).toBe(1);
  const [first] = worst;
  const again = await trialsOf(beam, { nights: '1', seed: String(first.seed), place: '0.3' });
  expect((again.json as { worst: unknown[] }).worst).toEqual([first]);
});

it.each([
  [{ nights: '0' }, /--nights 0: give a whole number from 1/],
  [{ nights: 'many' }, /--nights many/],
  [{ seed: '-1' }, /--seed -1/],
  [{ place: 'far' }, /--place far: give 0 to 100/],
  [{ supply: '2' }, /--supply 2: give 0 to 0.5/],
])('refuses %j', async (options, reason) => {
  await expect(trialsOf(beam, options)).rejects.toThrow(reason);
});
