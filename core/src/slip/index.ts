import { choices } from './choices.js';
import { contacts } from './contacts.js';
import { grounds } from './grounds.js';
import { inputs } from './inputs.js';
import { parts, wires } from './left-out.js';
import { legs } from './legs.js';
import { pins } from './pins.js';
import { poles } from './poles.js';
import type { SlipKind } from './slip.js';
import { turned } from './turned.js';
import { values } from './values.js';

/** The usual slips of building by hand. */
export const slipKinds: readonly SlipKind[] = [
  wires,
  grounds,
  turned,
  legs,
  inputs,
  contacts,
  pins,
  values,
  choices,
  poles,
  parts,
];

export type { Slip, SlipKind } from './slip.js';
