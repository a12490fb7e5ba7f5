/** While the radio is jammed nobody hears what is sent; what is told again afterwards is heard then. */
import type { Design, Scene } from '../design/index.js';
import { channel, onBoard, output, placed, sceneOf } from '../testing/small.js';
import { eventsOf, rehearse } from './index.js';

/** A light sensor whose answer is told by a notice, with a sign of life so often, s. */
const teller = (heartbeat?: number): Design => ({
  ...placed(
    onBoard(
      'photoresistor B, resistor R ohms=10000',
      'U.5V B.a, B.b R.a, R.b U.GND, B.b U.A0',
      channel('U.A0', { threshold: 600 }),
    ),
  ),
  notices: [
    {
      ...{ id: 'n1', name: 'Light' },
      tells: { tell: 'condition', condition: { is: 'channel', channel: 'c1' } },
      ...(heartbeat === undefined ? {} : { heartbeat }),
    },
  ],
});

/** A lamp from 4 s to the end, noticed by the notice; jammed between two moments. */
const evening = (from: number, lasts: number): Scene =>
  sceneOf(
    18,
    {
      ...{ kind: 'lamp-on', start: 4, path: [{ x: 0.5, y: 0 }] },
      params: { lasts: 30 },
      signs: [{ by: 'notice', notice: 'n1' }],
    },
    { kind: 'radio-jammed', intent: 'nuisance', start: from, params: { lasts } },
  );

const verdict = (design: Design, scene: Scene) =>
  rehearse(design, scene, undefined, 'time').verdicts[0];

it('a message that is sent meanwhile is heard by nobody, and that is told', () => {
  expect(verdict(teller(), evening(14, 1)).outcome).toBe('noticed');
  const { outcome, because } = verdict(teller(), evening(3, 3));
  expect(outcome).toBe('missed');
  expect(because).toMatch(/sent from 3\.00\ss to 6\.00\ss nobody heard: the radio was jammed/);
  const run = rehearse(teller(), evening(3, 3), undefined, 'time');
  const sent = eventsOf(teller(), run).filter((e) => e.kind === 'notice');
  expect(sent.find((e) => e.t > 4)?.text).toMatch(/nobody hears it$/);
  const free = eventsOf(teller(), { ...run, jams: [] }).filter((e) => e.kind === 'notice');
  expect(free.map((e) => e.text).join()).not.toMatch(/nobody/);
});

it('a sign of life tells it afterwards, so much later', () => {
  const { outcome, delay = 0 } = verdict(teller(5), evening(3, 3));
  expect(outcome).toBe('noticed');
  // Sent at 0 s, and as the light comes on at 4 s; then 5 s after that.
  expect(delay).toBeGreaterThan(4.9);
  expect(delay).toBeLessThan(5.3);
});

it('a jam by itself is quiet: nothing is told of it', () => {
  const { verdicts, spurious } = rehearse(teller(), evening(8, 3), undefined, 'time');
  expect(verdicts[1]?.outcome).toBe('quiet');
  expect(spurious).toEqual([]);
});

it('a jam as the board begins is quiet too: its first message comes with the next sign of life', () => {
  const [, jam] = evening(0, 3).happenings;
  const alone = { ...evening(0, 3), happenings: [jam] };
  const { verdicts } = rehearse(teller(5), alone, undefined, 'time');
  expect(verdicts[0]?.outcome).toBe('quiet');
});

it('a message of a part is lost like any other', () => {
  const design = placed(
    onBoard(
      'photoresistor B, resistor R ohms=10000, network-message N',
      'U.5V B.a, B.b R.a, R.b U.GND, B.b U.A0, N.send U.D8, N.GND U.GND',
      { ...channel('U.A0', { threshold: 600 }) },
    ),
  );
  const driven = output('U.D8');
  const whole: Design = {
    ...design,
    controller: { pins: [...design.controller.pins, ...driven.controller.pins] },
    outputs: driven.outputs,
    rules: driven.rules.map((r) => ({ ...r, when: { is: 'channel', channel: 'c1' } })),
  };
  const [lamp, jam] = evening(3, 3).happenings;
  const bySending = { ...lamp, signs: [] };
  const scene = (jammed: boolean): Scene => ({
    ...evening(3, 3),
    happenings: jammed ? [bySending, jam] : [bySending],
  });
  expect(verdict(whole, scene(false)).outcome).toBe('noticed');
  expect(verdict(whole, scene(true)).outcome).toBe('missed');
});
