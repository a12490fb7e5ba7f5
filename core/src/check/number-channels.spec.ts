import type { Channel, Design } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { check, gatherEvidence } from './index.js';

/** Findings about the knob of the workbench lamp, whose reading sets how bright the lamp is. */
function aboutKnob(change: (design: Design) => Design): string[] {
  const design = change(demo('workbench-lamp'));
  return check(gatherEvidence(design, design.scenes[0]))
    .filter((f) => f.about.includes('knob') && f.severity === 'error')
    .map((f) => f.code);
}
const adjuster =
  (more: Partial<Channel>) =>
  (design: Design): Design => ({
    ...design,
    channels: design.channels.map((c) => (c.id === 'knob' ? { ...c, ...more } : c)),
  });

describe('a channel that only gives a number', () => {
  it('is not asked where it trips', () => {
    expect(aboutKnob(adjuster({ threshold: 100 }))).toEqual([]);
    expect(aboutKnob(adjuster({ threshold: 1023 }))).toEqual([]);
  });
  it('is, as soon as a rule asks for its answer', () => {
    const asked = (design: Design): Design => ({
      ...adjuster({ threshold: 100 })(design),
      rules: [
        ...design.rules,
        { ...design.rules[0], id: 'r9', when: { is: 'channel', channel: 'knob' } },
      ],
    });
    expect(aboutKnob(asked)).toEqual(['tripped-at-rest']);
  });
});
