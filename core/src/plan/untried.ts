import { freshId, type Design, type Edit, type Need, type Scene } from '../design/index.js';
import { draftHappening, findHappeningKind, happeningSpan } from '../scene/index.js';

/** What of the brief no scene tries: it may be noticed, or not. */
export function untried({ brief, scenes }: Pick<Design, 'brief' | 'scenes'>): Need[] {
  const tried = new Set(scenes.flatMap((s) => s.happenings.map((h) => h.need)));
  return brief.needs.filter((need) => !tried.has(need.id));
}

/** Quiet before what is added, s. */
const quiet = 5;

/** Has something of the brief happen in a scene, after all that happens there already; the scene lasts as long as that takes. */
export function tryIn(design: Design, scene: Scene, need: Need): Edit | undefined {
  const kind = findHappeningKind(need.kind);
  if (!kind) return undefined;
  const ends = scene.happenings.map((h) => happeningSpan(h).end);
  const ids = scene.happenings.map((h) => h.id);
  const start = Math.ceil(Math.max(0, ...ends.filter((end) => end < scene.duration)) + quiet);
  const given = { id: freshId('h', ids), start, intent: need.intent };
  const happening = draftHappening(design, kind, given, need);
  const duration = Math.max(scene.duration, Math.ceil(happeningSpan(happening).end + quiet));
  const longer = { ...scene, duration, happenings: [...scene.happenings, happening] };
  return { type: 'put-scene', scene: longer };
}
