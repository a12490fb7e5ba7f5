import type { Part } from '../design/index.js';
import { toggleSwitch } from './kinds/toggle-switch.js';

/** A contact that a scene puts where it opens or bridges something: of next to no resistance, without bounce or limit. */
export const sceneContact = (id: string, closed: boolean): Part => ({
  id,
  kind: toggleSwitch.kind,
  name: id,
  params: { ...contactStands(closed), ohms: 1e-3, bounce: 0, maxAmps: 30 },
});

/** The values that open or close such a contact. */
export const contactStands = (closed: boolean): Record<string, number> => ({
  position: closed ? 1 : 0,
});

/** Its two ends. */
export const [contactEnd, contactOtherEnd] = toggleSwitch.terminals.map(({ id }) => id);
