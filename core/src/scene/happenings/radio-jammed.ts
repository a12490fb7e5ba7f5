import { defineHappening } from '../define-happening.js';

export const radioJammed = defineHappening({
  kind: 'radio-jammed',
  label: 'The radio is jammed',
  summary: 'Something sends on the same frequency: no message by radio is heard meanwhile.',
  words: ['jam', 'radio', 'interference', 'message', 'lost', 'network', 'sabotage', 'wireless'],
  usually: 'nuisance',
  where: 'everywhere',
  params: [{ id: 'lasts', label: 'Lasts', unit: 's', default: 60, min: 0.01, max: 864000 }],
  lasts: ({ params }) => params.lasts,
  jams: true,
  cautions: ['Jamming a radio on purpose is against the law nearly everywhere: only rehearse it.'],
  source:
    'Every message that begins meanwhile is lost; what is told again later is heard then (own convention).',
});
