import { currentVersion, type Design } from './types.js';

/** A new design with nothing in it. */
export function emptyDesign(title: string): Design {
  return {
    format: 'yurei-design',
    version: currentVersion,
    title,
    purpose: '',
    site: '',
    parts: [],
    wires: [],
    controller: { pins: [] },
    channels: [],
    outputs: [],
    rules: [],
    scenes: [],
    notes: '',
  };
}
