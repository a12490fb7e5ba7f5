import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';

export const waterFlows = defineHappening({
  kind: 'water-flows',
  label: 'Water flows in the pipe',
  summary: 'A tap is opened and closed, or a pipe has burst.',
  words: ['flow', 'tap', 'pipe', 'burst', 'leak', 'hose', 'water'],
  where: 'everywhere',
  params: [
    { id: 'rate', label: 'Flow', unit: 'L/min', default: 6, min: 0.01, max: 1000 },
    { id: 'opens', label: 'Opens and closes in', unit: 's', default: 0.5, min: 0.01, max: 60 },
    { id: 'lasts', label: 'Runs for', unit: 's', default: 20, min: 0, max: 864000 },
  ],
  lasts: ({ params }) => 2 * params.opens + params.lasts,
  contributes: {
    flow: ({ params, t }) => params.rate * trapezoid(t, params.opens, params.lasts, params.opens),
  },
  source: 'A kitchen tap gives 6–10 L/min (from memory).',
});
