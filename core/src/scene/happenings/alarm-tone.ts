import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';
import { sightOf } from '../sight.js';
import { pressureAt } from '../../quantity/index.js';

export const alarmTone = defineHappening({
  kind: 'alarm-tone',
  label: 'Another alarm sounds',
  summary: 'A bought smoke or gas alarm beeps in its evacuation pattern.',
  words: ['smoke alarm', 'beep', 'siren', 'sound', 'alarm of an alarm'],
  where: 'point',
  passes: 2,
  params: [
    { id: 'level', label: 'Level at 1 m', unit: 'dB', default: 95, min: 0, max: 130 },
    { id: 'lasts', label: 'Lasts', unit: 's', default: 20, min: 0.5, max: 86400 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    sound: ({ params, t, at }, receiver) => {
      const inCycle = t % 4;
      const on = during(t, params.lasts) && inCycle < 3 && inCycle % 1 < 0.5;
      return on ? pressureAt(params.level, sightOf(receiver.place, at).distance) : undefined;
    },
  },
  source:
    'Three pulses of 0.5 s every second, then 1.5 s more of silence: a 4 s cycle (ISO 8201); 85 dB at 3 m is usual (UL 217, from memory).',
});
