/** A carbon monoxide alarm in rules, against the times within which EN 50291-1 and UL 2034 want it to sound. */
import type { Condition, Rule } from '../design/index.js';
import { program, switching, yesNo } from '../testing/play-program.js';

const minute = 60;
/** Concentrations, ppm, from which a channel answers, and how long it must be so. */
const european = { levels: [40, 75, 200], minutes: [75, 25, 2] };
const american = { levels: [60, 120, 300], minutes: [120, 30, 10] };

/** When the alarm sounds in a steady concentration, minutes; Infinity if it never does. */
function soundsAfter(ppm: number, { levels, minutes }: typeof european): number {
  const ids = ['a', 'b', 'c'];
  const rules = ids.map((channel, i): Rule => {
    const of: Condition = { is: 'channel', channel };
    const when: Condition = { is: 'for', of, seconds: minutes[i] * minute };
    return {
      id: channel,
      when,
      hold: 0,
      latch: true,
      then: [{ do: 'drive', output: 'o', drive: { as: 'on' } }],
    };
  });
  const channels = ids.map((id) => ({ ...yesNo(id), every: 10 }));
  const over = ids.filter((_, i) => ppm > levels[i]).join('');
  const began = /^([\d.]+)\+/.exec(
    switching(program({ channels, rules }), [[0, over]], 300 * minute),
  );
  return began ? Number(began[1]) / minute : Infinity;
}

it.each([
  // EN 50291-1: 30 ppm no alarm before 120 min; 50 ppm 60–90 min; 100 ppm 10–40 min; 300 ppm within 3 min.
  [european, 30, 120, Infinity],
  [european, 50, 60, 90],
  [european, 100, 10, 40],
  [european, 300, 0, 3],
  // UL 2034: 70 ppm 60–240 min; 150 ppm 10–50 min; 400 ppm 4–15 min.
  [american, 70, 60, 240],
  [american, 150, 10, 50],
  [american, 400, 4, 15],
])('%j in %d ppm sounds between %d and %d min', (alarm, ppm, from, to) => {
  const after = soundsAfter(ppm, alarm);
  expect(after).toBeGreaterThanOrEqual(from);
  expect(after).toBeLessThanOrEqual(to);
});

it('a breath of clean air begins the time anew', () => {
  const rule: Rule = {
    id: 'r',
    when: { is: 'for', of: { is: 'channel', channel: 'a' }, seconds: 25 * minute },
    hold: 0,
    latch: false,
    then: [{ do: 'drive', output: 'o', drive: { as: 'on' } }],
  };
  const said = [
    [0, 'a'],
    [20 * minute, ''],
    [21 * minute, 'a'],
    [50 * minute, ''],
  ] as const;
  expect(switching(program({ rules: [rule] }), said, 60 * minute)).toBe(
    `${46 * minute}+ ${50 * minute}-`,
  );
});
