import { defineHappening } from '../define-happening.js';

export const smokeFills = defineHappening({
  kind: 'smoke-fills',
  label: 'Smoke fills the room',
  summary: 'Smoke thickens, stays and is vented.',
  words: ['smoke', 'fire', 'burn', 'toast', 'cook'],
  danger: 'fire',
  where: 'everywhere',
  params: [
    { id: 'density', label: 'Thickest', unit: 'dB/m', default: 0.5, min: 0.001, max: 20 },
    { id: 'grows', label: 'Grows in', unit: 's', default: 120, min: 1, max: 86400 },
    { id: 'stays', label: 'Stays', unit: 's', default: 120, min: 0, max: 86400 },
    { id: 'clears', label: 'Clears in', unit: 's', default: 300, min: 1, max: 86400 },
  ],
  lasts: ({ params }) => params.grows + params.stays + params.clears,
  contributes: {
    smoke: ({ params, t }) => {
      const { density, grows, stays, clears } = params;
      if (t < 0 || t > grows + stays + clears) return undefined;
      if (t < grows) return (density * t) / grows;
      return density * Math.min(1, Math.max(0, 1 - (t - grows - stays) / clears));
    },
  },
  cautions: ['Try it with test aerosol or a smoke stick, never with a real fire.'],
  source:
    'Obscuration in dB/m as smoke tests state it (EN 54-7); detectors answer near 0.1–0.2 dB/m (from memory).',
});
