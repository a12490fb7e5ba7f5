import { check, fiveQuestions, gatherEvidence, type Answer, type Finding } from '@yurei/core/check';
import type { Design } from '@yurei/core/design';
import {
  rehearse,
  snapshot,
  type LogicChange,
  type Rehearsal,
  type Snapshot,
} from '@yurei/core/rehearsal';

/** A moment to look at the circuit in: at rest, or in a rehearsal with the decisions taken there. */
export interface Moment {
  t: number;
  logic: LogicChange[];
}

const sceneOf = (design: Design, id: string | undefined) => design.scenes.find((s) => s.id === id);

/** What the workers answer. */
export const bench = {
  /** The solved circuit at a moment. */
  look(design: Design, scene: string | undefined, moment: Moment | undefined): Snapshot {
    return snapshot(design, sceneOf(design, scene), moment?.t ?? 0, moment);
  },

  /** What the rules find, and the five questions as far as they are answered. */
  judge(
    design: Design,
    scene: string | undefined,
    rehearsal: Rehearsal | undefined,
  ): { findings: Finding[]; answers: Answer[] } {
    const evidence = gatherEvidence(design, sceneOf(design, scene));
    const findings = check(evidence);
    return { findings, answers: fiveQuestions(evidence, findings, rehearsal) };
  },

  /** Plays a scene; undefined when the design has none of that id. */
  rehearse(design: Design, scene: string | undefined): Rehearsal | undefined {
    const chosen = sceneOf(design, scene);
    return chosen && rehearse(design, chosen);
  },
};

export type Bench = typeof bench;
