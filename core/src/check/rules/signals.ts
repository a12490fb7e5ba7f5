import { channelReader } from '../../catalog/index.js';
import { beyond, levelsAtRest } from '../../logic/index.js';
import { everyState, sweptStates, type Evidence, type State } from '../evidence.js';
import type { Found, Rule } from '../finding.js';
import { answersInTime, inUse, tellsInTime } from '../lookup.js';
import { branchOf } from '../../wiring/index.js';
import { onlyNumbers } from './channels.js';
import { severityOfIdle } from './progress.js';

/** Whether anything that is read or acts differs between two states. */
function noticed(a: State, b: State): boolean {
  if (a.acting.size !== b.acting.size || [...a.acting].some((id) => !b.acting.has(id))) return true;
  return [...a.counts].some(([id, counts]) => counts !== b.counts.get(id));
}

/** Whether a channel's pin leads to a part. */
const isRead = ({ design }: Evidence, id: string): boolean =>
  design.channels.some((c) => branchOf(design, c.pin).includes(id));

export const sensorUnread: Rule = {
  code: 'sensor-unread',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A sensor that nothing hears',
  bench: 'It feels everything and nobody is told.',
  source: 'Solved with the sensor through its range: no reading and nothing that acts follows.',
  find: (evidence) => {
    const { quiet, wiring, design } = evidence;
    if (quiet.solution.method === 'none') return [];
    return [...evidence.sweeps].flatMap(([id, sweeps]): Found[] => {
      const part = wiring.part(id);
      const felt = sweeps.filter((s) => s.felt);
      const [most] = felt;
      if (!part || !most || !inUse(evidence, part)) return [];
      const heard = felt.some(
        ({ states: [first, ...others] }) =>
          first && [quiet, ...others].some((s) => noticed(s, first)),
      );
      if (heard || (tellsInTime(part) && isRead(evidence, id))) return [];
      const whom = design.channels.length > 0 ? 'no channel reads anything else' : 'nothing acts';
      return [
        {
          subject: id,
          severity: severityOfIdle(evidence, design.channels.length > 0),
          title: `${part.name} is not heard`,
          reason: `Whatever ${most.label} it feels, ${whom}.`,
          about: [id],
        },
      ];
    });
  },
};

export const channelDeaf: Rule = {
  code: 'channel-deaf',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'threshold',
  title: 'A channel that reads the same whatever happens',
  bench: 'It shows a number and never another one.',
  source:
    'Solved with each sensor through its range, in each happening and with each output alone.',
  find: (evidence) => {
    const { design, quiet } = evidence;
    if (quiet.solution.method === 'none') return [];
    // What follows an output only is not a sensor's doing.
    const states = [...evidence.happening, ...sweptStates(evidence)];
    return design.channels
      .filter((c) => channelReader(design, c.pin) && quiet.counts.has(c.id))
      .filter((c) => !answersInTime(evidence, c.pin))
      .filter((c) => states.every((s) => s.counts.get(c.id) === quiet.counts.get(c.id)))
      .map((channel): Found => ({
        subject: channel.id,
        title: `${channel.name} follows nothing`,
        reason: `It reads ${quiet.counts.get(channel.id)} at rest, and the same with every sensor through its range and in every happening.`,
        about: [channel.id, channel.pin],
      }));
  },
};

export const channelOneSided: Rule = {
  code: 'channel-one-sided',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'threshold',
  title: 'A channel that never changes its answer',
  bench: 'Whatever happens, the answer is the same.',
  source:
    'Solved with each sensor through its range, in each happening and with each output alone, against the threshold.',
  find: (evidence) => {
    const { design, quiet, wiring } = evidence;
    if (quiet.solution.method === 'none' || evidence.sweeps.size === 0) return [];
    const states = [...everyState(evidence), ...sweptStates(evidence)];
    const numeric = onlyNumbers(design);
    return design.channels.flatMap((channel): Found[] => {
      const rest = quiet.counts.get(channel.id);
      if (rest === undefined || numeric.has(channel.id) || channel.baseline) return [];
      // How a loop reads that is cut or shorted is not among what sensors feel.
      if (wiring.ends(channel.pin).some((e) => e.kind.loop?.resistors)) return [];
      const levels = levelsAtRest(channel, rest);
      const counts = states.flatMap((s) => s.counts.get(channel.id) ?? []);
      const passes = (count: number): boolean => levels.some((l) => beyond(l, count));
      const moves = counts.some((c) => c !== rest);
      if (!moves || counts.some((c) => passes(c) !== passes(rest))) return [];
      const [low, high] = [Math.min(...counts), Math.max(...counts)];
      return [
        {
          subject: channel.id,
          title: `${channel.name} never changes sides`,
          reason: `With every sensor through its range it reads ${low} to ${high}, and all of that is on one side of its threshold.`,
          about: [channel.id, channel.pin],
        },
      ];
    });
  },
};
