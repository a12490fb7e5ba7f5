import type { Part } from '../design/index.js';
import { endsOf } from './catalog.js';
import { resistor } from './kinds/resistor.js';

/** What is left where something is joined, and where it is open: a wire's end, and the leakage of board and air, Ω. */
const joined = 1e-3;
const open = 1e9;

/** A contact that a scene puts where it opens or bridges something: at once, without bounce or limit. */
export const sceneContact = (id: string, closed: boolean): Part => ({
  id,
  kind: resistor.kind,
  name: id,
  params: contactStands(closed),
});

/** The values that open or close such a contact. */
export const contactStands = (closed: boolean): Record<string, number> => ({
  ohms: closed ? joined : open,
});

const ends = endsOf(resistor.kind);
export const contactEnd = ends[0].id;
export const contactOtherEnd = ends[1].id;
