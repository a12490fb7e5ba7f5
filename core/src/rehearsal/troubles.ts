import { kindOf } from '../catalog/index.js';
import type { PartPeaks, PeakStress } from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import { findHappeningKind, happeningSpan } from '../scene/index.js';
import type { CoSimulation } from './co-simulation.js';
import type { DamageWatch } from './damage-watch.js';
import type { Rehearsal } from './rehearsal.js';
import type { Trouble } from './trouble.js';
import { supervised, type Outage } from './supervisor.js';

/** Stresses below this share of a rating are not told. */
const farFrom = 0.25;

/** What went on in a circuit, as far as it was followed in time. */
export type Electrical = Pick<Rehearsal, 'troubles' | 'stresses' | 'electrolysed'>;

type Run = Pick<CoSimulation, 'peaks' | 'chatters' | 'dryRuns'> & {
  damage: DamageWatch;
  outages: readonly Outage[];
};

export const notFollowed: Electrical = { troubles: [], stresses: [], electrolysed: {} };

export const electricalOf = (design: Design, scene: Scene, run: Run): Electrical => ({
  troubles: troublesOf(design, scene, run),
  stresses: hardest(run.peaks),
  electrolysed: electrolysedIn(design, run.peaks),
});

/** Everything electrical that went wrong, in the order of time. */
function troublesOf(design: Design, scene: Scene, run: Run): Trouble[] {
  const beyond = hardest(run.peaks).filter((s) => s.share > 1);
  return [
    ...run.damage.troubles,
    ...beyond.map(overstress),
    ...run.chatters.map(({ part, at, every }): Trouble => ({
      ...{ part, what: 'switched without end', t: at },
      because: `every ${formatQuantity(every, 's')}, and nothing keeps it in either state`,
    })),
    ...dry(run.dryRuns),
    ...resets(design, scene, run.outages),
  ].sort((a, b) => a.t - b.t);
}

/** What went through electrodes, A·s by part. */
const electrolysedIn = ({ parts }: Design, peaks: readonly PartPeaks[]): Record<string, number> =>
  Object.fromEntries(
    parts.flatMap((part) => {
      const found = kindOf(part).electrodes && peaks.find((p) => p.part === part.id);
      return found ? [[part.id, found.charge]] : [];
    }),
  );

/** The hardest moment of each part, as far as that is worth telling. */
const hardest = (peaks: readonly PartPeaks[]): PeakStress[] =>
  peaks.flatMap(({ ratings }) => {
    const [most] = [...ratings].sort((a, b) => b.share - a.share);
    return most && most.share > farFrom ? [most] : [];
  });

/** A pump bears to run without water for so long, s (from memory: it takes the water along that is left in it). */
const bearsDry = 5;

/** Pumps that ran on without water, the first time of each. */
function dry(runs: CoSimulation['dryRuns']): Trouble[] {
  const long = runs.filter(({ from, to }) => to - from > bearsDry);
  const firsts = long.filter(({ part }, i) => long.findIndex((d) => d.part === part) === i);
  return firsts.map(({ part, from, to }) => {
    const times = long.filter((d) => d.part === part).length;
    return {
      ...{ part, what: 'ran dry', t: from },
      ...(times > 1 ? { times } : {}),
      because: `for ${formatQuantity(to - from, 's')} there was no water left to pump`,
    };
  });
}

/** A part that was pressed beyond a rating for longer than it bears. */
const overstress = (stress: PeakStress): Trouble => ({
  part: stress.part,
  what: 'was beyond its rating',
  t: stress.since ?? stress.at,
  because: `${stress.label} reached ${formatQuantity(stress.value, stress.unit)} at ${formatQuantity(stress.at, 's')}, of ${formatQuantity(stress.limit, stress.unit)}`,
});

/** The controller reset by what the circuit itself draws; where the scene takes the supply away that is meant. */
function resets(design: Design, scene: Scene, outages: readonly Outage[]): Trouble[] {
  const controller = supervised(design);
  const cuts = scene.happenings
    .filter((h) => findHappeningKind(h.kind)?.contributes?.supply)
    .map(happeningSpan);
  const own = outages.filter(
    ({ from, unfed }) => unfed && !cuts.some(({ start, end }) => from >= start && from <= end),
  );
  const [first] = own;
  if (!controller || !first) return [];
  return [
    {
      ...{ part: controller.id, what: 'was reset', t: first.from, because: first.because },
      ...(own.length > 1 ? { times: own.length } : {}),
    },
  ];
}
