import type { Design, Edit, Scene } from '@yurei/core/design';
import type { Outcomes } from '@yurei/core/rehearsal';
import type { Observable } from 'rxjs';

/** A scene to be gone through with one of some changes. */
export interface ScenePiece {
  /** Which change, and the change itself: none where it is undefined. */
  which: number;
  edit: Edit | undefined;
  scene: Scene;
}

/** What a scene came to with it. */
export interface SceneOutcomes extends ScenePiece {
  outcomes: Outcomes;
}

/** Goes through scenes with changes, several at a time. */
export interface Judging {
  /**
   * What every scene comes to with each of some changes, or without any for an undefined one. They are begun in their order, and told
   * as they are done; whoever stops listening ends the work.
   */
  outcomes(design: Design, edits: readonly (Edit | undefined)[]): Observable<SceneOutcomes>;
}

/** Every scene of a design with each of some changes, one change after the other. */
export const piecesOf = ({ scenes }: Design, edits: readonly (Edit | undefined)[]): ScenePiece[] =>
  edits.flatMap((edit, which) => scenes.map((scene) => ({ which, edit, scene })));
