import { commented } from '../code/index.js';
import type { Design } from '../design/index.js';
import { plainStem } from './plain-stem.js';

/** A notice as the last part of a topic: no sign that means something there. */
export const topicOf = (name: string): string => commented(name).replace(/[+#/]/g, '-') || '-';

/** What the topics of a design begin with. */
export const topicsOf = ({ title }: Design): string => `yurei/${plainStem(title).toLowerCase()}`;

/** Whether a board that sleeps between readings rests: what notes edges keeps it awake. */
export const rests = ({ controller, channels }: Pick<Design, 'controller' | 'channels'>): boolean =>
  controller.sleep !== undefined && !channels.some((c) => c.edge);
