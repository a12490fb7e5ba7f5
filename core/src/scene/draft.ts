import { kindOf } from '../catalog/index.js';
import type { Design, Happening, Need, Scene } from '../design/index.js';
import type { Circumstances, HappeningKind } from './happening-kind.js';
import { contributes, happeningKinds, happeningSpan } from './happenings.js';
import { usualAim } from './targets.js';
import { usualPath } from './usual-path.js';

/** Quiet before the first happening, and what follows each besides the times of the program, s. */
const quiet = 5;
/** A pause is not longer than this, whatever the program holds on for, s. */
const longestPause = 900;
const longestScene = 1e5;

/**
 * Kinds of happening that some part of a design feels: first what gives it that, then what only is in its way.
 *
 * @param at where and when: what cannot happen then is left out
 */
export function fittingKinds(
  design: Pick<Design, 'parts'>,
  at: Circumstances = {},
): HappeningKind[] {
  const felt = [...new Set(design.parts.flatMap((p) => kindOf(p).senses?.quantities ?? []))];
  const gives = (kind: HappeningKind): boolean => felt.some((q) => kind.contributes?.[q]);
  const fits = happeningKinds.filter(
    (kind) => happensIn(kind, at) && felt.some((q) => contributes(kind, q)),
  );
  return [...fits.filter(gives), ...fits.filter((kind) => !gives(kind))];
}

/** Whether a kind of happening can come where and when that is. */
export const happensIn = ({ only = {} }: HappeningKind, at: Circumstances): boolean =>
  (['outdoors', 'by'] as const).every(
    (of) => only[of] === undefined || at[of] === undefined || only[of] === at[of],
  );

/**
 * A happening of a kind as it usually comes: where it is felt, and aimed at what it is mostly aimed at.
 *
 * @param need of the brief, which it tries: as large, fast and far as told there
 */
export function draftHappening(
  design: Design,
  kind: HappeningKind,
  given: Pick<Happening, 'id' | 'start' | 'intent'>,
  need?: Need,
): Happening {
  const [path, target] = [usualPath(design, kind, need?.far), usualAim(design, kind)];
  return {
    ...given,
    kind: kind.kind,
    name: need?.name ?? kind.label,
    params: need?.params ?? {},
    ...(need ? { need: need.id } : {}),
    ...(need?.within === undefined ? {} : { within: need.within }),
    ...(target ? { target } : {}),
    ...(path ? { path } : {}),
  };
}

/**
 * A scene in which things happen one after the other. After each there is time for what it set off to be over: the
 * longest time for which a rule holds on or locks out, and some quiet.
 */
export function draftScene(
  design: Design,
  given: Pick<Scene, 'id' | 'name' | 'ambient'> & {
    happens: readonly { kind: HappeningKind; intent: Happening['intent']; need?: Need }[];
  },
): Scene {
  const { happens, ...about } = given;
  const times = design.rules.map((r) => (r.hold ?? 0) + (r.atLeast ?? 0) + (r.lockOut ?? 0));
  const pause = Math.min(longestPause, Math.max(0, ...times)) + quiet;
  let at = quiet;
  const happenings = happens.map(({ kind, intent, need }, i): Happening => {
    const given = { id: `h${i + 1}`, start: at, intent };
    const happening = draftHappening(design, kind, given, need);
    at = Math.ceil(happeningSpan(happening).end + pause);
    return happening;
  });
  const duration = Math.min(longestScene, Math.max(30, at));
  return {
    ...about,
    seed: 1,
    duration,
    happenings: happenings.filter((h) => h.start < duration),
  };
}
