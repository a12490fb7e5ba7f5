import { freshId, type Brief, type Design, type Need, type Scene } from '../design/index.js';
import {
  draftScene,
  findHappeningKind,
  happensIn,
  profiles,
  type Profile,
} from '../scene/index.js';

/** By where and when: the surroundings in which it is tried. */
const siteOf = {
  indoors: { day: 'lit-room', night: 'dark' },
  outdoors: { day: 'overcast', night: 'moon' },
} as const;

/** Its water surface, m². */
const usualTank = 0.05;

/**
 * The surroundings in which a brief is tried: by day, by night, or both. As long as nobody said where and when, it is where
 * and when what must be noticed can happen: in a room and by day, if it can happen there.
 */
export function sitesOf(brief: Pick<Brief, 'outdoors' | 'by'>, needs: readonly Need[]): Profile[] {
  const only = needs.flatMap(({ intent, kind }) =>
    intent === 'wanted' ? (findHappeningKind(kind)?.only ?? []) : [],
  );
  const outdoors = brief.outdoors ?? only.some((at) => at.outdoors);
  const by = brief.by ?? only.find((at) => at.by)?.by ?? 'day';
  const site = siteOf[outdoors ? 'outdoors' : 'indoors'];
  const times = by === 'always' ? (['day', 'night'] as const) : [by];
  return times.flatMap((time) => {
    const profile = profiles.find(({ id }) => id === site[time]);
    return profile ? [{ ...profile, circumstances: { outdoors, by: time } }] : [];
  });
}

/**
 * Scenes in which what is needed happens, one in each of the brief's surroundings, at the latitude of those that there are; what
 * cannot happen there is left out.
 *
 * @param design with its parts in place, as what happens is put before what feels it
 */
export function firstScenes(design: Design, needs: readonly Need[], name: string): Scene[] {
  const ids = design.scenes.map((s) => s.id);
  const sites = sitesOf(design.brief, needs);
  const latitude = design.scenes[0]?.ambient['latitude'];
  return sites.map(({ label, ambient, circumstances }) => {
    const id = freshId('scene', ids);
    ids.push(id);
    const happens = needs.flatMap((need) => {
      const kind = findHappeningKind(need.kind);
      return kind && happensIn(kind, circumstances) ? [{ kind, intent: need.intent, need }] : [];
    });
    // Water that runs in needs something to run into.
    const surrounded = {
      ...ambient,
      ...(happens.some(({ kind }) => kind.filled) ? { tank: usualTank } : {}),
      ...(latitude === undefined ? {} : { latitude }),
    };
    const named = sites.length > 1 ? `${name}: ${label}` : name;
    return draftScene(design, { id, name: named.slice(0, 120), ambient: surrounded, happens });
  });
}
