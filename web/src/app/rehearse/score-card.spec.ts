import { demo, openBench, showSolved } from '../../testing/workbench-bed';
import { bench as core } from '../bench/bench-core';
import { ScoreCard } from './score-card';

it('tells how long a battery lasts once it has been followed down', async () => {
  const { workers } = await openBench(demo('fuel-locker-loop'));
  workers.timed.follow.mockImplementation(async (...asked) => {
    const settled = core.rehearse(...asked);
    return settled && { ...settled, circuit: 'in time' };
  });
  let release: () => void = () => undefined;
  const held = new Promise<void>((done) => (release = done));
  const down = {
    ...{ lasts: 300 * 86_400, part: 'G1', left: 0, because: '12 V battery is empty' },
    ...{ aDay: { G1: { all: 0.003, atRest: 0.0029 } }, course: [] },
  };
  workers.timed.runDown.mockImplementation(async () => {
    await held;
    return down;
  });
  const card = await showSolved(ScoreCard);
  await card.until(() => card.text().includes('being followed down'));
  release();
  await card.until(() => card.text().includes('300 days'));
  expect(card.text()).toMatch(
    /12 V battery .*300 days loses 0\.3 % a day, at rest 0\.29 %, where such a scene comes once a day and light and air stay so; in the end 12 V battery is empty/,
  );
});

it('tells how long electrodes last by the charge that goes through them', async () => {
  const { workers } = await openBench(demo('bilge-sump'));
  workers.timed.follow.mockImplementation(async (...asked) => core.follow(...asked));
  const card = await showSolved(ScoreCard);
  await card.until(() => card.text().includes('Electrodes of'));
  expect(card.text()).toMatch(
    /Electrodes of .* 15\.\d mA·h a day one is eaten up in 12\d days where such a scene comes once a day \(2\.00 A·h by Faraday’s law\)/,
  );
});

it('tells how long contacts last by how often they are switched', async () => {
  await openBench(demo('drying-room-fan'));
  const card = await showSolved(ScoreCard);
  expect(card.text()).toMatch(
    /pulled in 2 times its contacts last \d+ years where such a scene comes once a day \(50000 operations, common practice\)/,
  );
});
