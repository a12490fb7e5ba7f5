import type { Need, Scene } from '../design/index.js';
import { exactBounds, type Share } from '../judge/index.js';
import { triedIn, type Trial } from '../trials/index.js';

/** How often something of the brief was dealt with so over many nights. */
export interface Chance {
  need: string;
  name: string;
  intent: Need['intent'];
  /** Of what must be noticed: nights in which it was; of a nuisance: in which it fired. With exact bounds. */
  share: Share;
}

/** Nights of one scene. */
export interface Nights {
  scene: Scene;
  trials: readonly Trial[];
}

/** What many nights of all scenes of a brief tell of each need; one that was felt in none has no tries. */
export function chancesOf(needs: readonly Need[], nights: readonly Nights[]): Chance[] {
  return needs.map(({ id, name, intent }) => {
    const tried = nights.flatMap(({ scene, trials }) =>
      scene.happenings.filter((h) => h.need === id).flatMap((h) => triedIn(trials, h.id)),
    );
    const counts = intent === 'wanted' ? 'noticed' : 'fired falsely';
    const events = tried.filter(({ outcome }) => outcome === counts).length;
    return { need: id, name, intent, share: exactBounds(events, tried.length) };
  });
}
