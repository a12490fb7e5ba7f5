/** What sensors met, held against what they meet. */
import { Circuit } from '../circuit/index.js';
import { momentIn, setStage } from '../scene/index.js';
import { demo } from '../testing/demo.js';
import { Stimuli } from './stimuli.js';

it('another fob is another, however little their numbers differ, and the same one is the same again', () => {
  const design = demo('rigging-store-fob');
  const circuit = new Circuit(design);
  const stimuli = new Stimuli(setStage(design), circuit);
  const [scene] = design.scenes;
  const [shown] = scene.happenings;
  const hold = (tag: number): void => {
    const happenings = [{ ...shown, params: { tag, lasts: 5 } }];
    stimuli.update(momentIn({ ...scene, happenings }, shown.start + 1), () => undefined);
  };
  hold(620_417);
  const first = stimuli.mark;
  hold(620_418);
  expect(stimuli.isAt(first)).toBe(false);
  hold(620_417);
  expect(stimuli.isAt(first)).toBe(true);
  hold(620_418);
  stimuli.recall(first);
  expect([stimuli.isAt(first), circuit.stimulusOf('B1').tag]).toEqual([true, 620_417]);
});
