import { applyEdit, type Design } from '../design/index.js';
import { slipwayBeam } from '../testing/demo.js';
import { newChannel } from './new-channel.js';
import { outputOn, pinsToDrive } from './new-output.js';

const without = (design: Design): Design => ({ ...design, channels: [], outputs: [], rules: [] });
const design = slipwayBeam();
const bare = without(design);
const [channel] = design.channels;
const [output] = design.outputs;

it('reads an analogue pin from the middle of its range', () => {
  const { channel: made, edits } = newChannel(bare, channel.pin);
  expect(made).toMatchObject({ id: 'ch1', pin: channel.pin, threshold: 512, hysteresis: 51 });
  const after = edits.reduce(applyEdit, bare);
  expect(after.channels).toEqual([made]);
});

it('takes an id that is free', () => {
  const { edits } = newChannel(bare, channel.pin);
  const after = edits.reduce(applyEdit, bare);
  expect(newChannel(after, channel.pin).channel.id).toBe('ch2');
});

it('drives wired pins that no channel reads', () => {
  expect(pinsToDrive(design)).toContain(output.pin);
  expect(pinsToDrive(design)).not.toContain(channel.pin);
  expect(pinsToDrive({ ...bare, wires: [] })).toEqual([]);
});

it('makes an output once for each pin', () => {
  const { output: made, edits } = outputOn(bare, output.pin);
  expect(made).toMatchObject({ pin: output.pin, active: 'high' });
  const after = edits.reduce(applyEdit, bare);
  expect(outputOn(after, output.pin).output).toEqual(made);
});
