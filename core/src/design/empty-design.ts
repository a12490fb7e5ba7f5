import { emptyBrief } from './brief.js';
import { currentVersion, type Design } from './types.js';

/** A new design with nothing in it. */
export function emptyDesign(title: string): Design {
  return {
    format: 'yurei-design',
    version: currentVersion,
    title,
    purpose: '',
    site: '',
    brief: emptyBrief,
    plan: { width: 12, depth: 8, walls: [] },
    parts: [],
    wires: [],
    groups: [],
    controller: { pins: [] },
    channels: [],
    outputs: [],
    counters: [],
    machines: [],
    rules: [],
    sequences: [],
    notices: [],
    scenes: [],
    recordings: [],
    readings: [],
    accepted: [],
    notes: '',
  };
}
