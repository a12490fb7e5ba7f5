import type { Action, Design, Drive } from '@yurei/core/design';
import { demo, openBench, show, showSolved } from '../../testing/workbench-bed';
import { ActsField } from './acts-field';
import { DriveField } from './drive-field';
import { actChoices, driveChoice, driveChoices, driveFrom } from './drives';
import { MachineEditor } from './machine-editor';
import { addEdit, machineKinds } from './new-things';
import { RuleCard } from './rule-card';
import { Things } from './things';

const stairs = (): Design => demo('loft-stairs');

/** A field within a sentence, by what it is called. */
describe('how an output is driven', () => {
  it('every way that is offered makes a drive that is shown as that way', () => {
    const design = stairs();
    const offered = driveChoices(design, { as: 'on' }).map((c) => c.value);
    expect(offered.length).toBeGreaterThan(10);
    for (const choice of offered) expect(driveChoice(driveFrom(design, choice))).toBe(choice);
  });
  it('beats that are no times are given back', async () => {
    await openBench(stairs());
    const drive: Drive = { as: 'pattern', beats: [0.4, 0.6, 0.1, 0.9] };
    const field = await show(DriveField, { drive });
    const changes: Drive[] = [];
    field.fixture.componentInstance.changed.subscribe((d) => changes.push(d));
    await field.type('Seconds on and off in turn', '0,4 soon');
    expect(field.field('Seconds on and off in turn').value).toBe('0.4 0.6 0.1 0.9');
    await field.type('Seconds on and off in turn', '0,4 2');
    expect(changes).toEqual([{ as: 'pattern', beats: [0.4, 2] }]);
  });
  it('what is done keeps how it was driven when another output is taken; the last one stays', async () => {
    await openBench(stairs());
    const acts: Action[] = [{ do: 'drive', output: 'sounder', drive: { as: 'level', level: 0.3 } }];
    const field = await show(ActsField, { acts, least: 1 });
    const changes: Action[][] = [];
    field.fixture.componentInstance.changed.subscribe((a) => changes.push(a));
    await field.type('What is done', 'drive lamp');
    expect(changes.at(-1)).toEqual([
      { do: 'drive', output: 'lamp', drive: { as: 'level', level: 0.3 } },
    ]);
    expect(field.all('[aria-label="Do not do this"]')).toHaveLength(0);
    expect(actChoices(stairs(), true).some((c) => c.value.startsWith('drive'))).toBe(false);
  });
});

describe('a rule', () => {
  const open = async () => {
    const bench = await openBench(stairs());
    const rule = () => bench.session.design()?.rules.find((r) => r.id === 'r4');
    const card = await showSolved(RuleCard, { rule: rule(), open: true });
    const follow = async (): Promise<void> => {
      card.fixture.componentRef.setInput('rule', rule());
      await card.settle();
    };
    return { bench, card, rule, follow };
  };
  it('ends when its condition ceases, once, by a reset or by another condition', async () => {
    const { card, rule, follow } = await open();
    const ways: [string, object][] = [
      ['once', { once: true, hold: 1, latch: false }],
      ['latch', { latch: true }],
      ['until', { latch: true, until: { is: 'channel', channel: 'low' } }],
      ['ceases', { latch: false }],
    ];
    for (const [way, expected] of ways) {
      await card.type('How it ends', way);
      expect(rule()).toMatchObject(expected);
      await follow();
    }
    expect(rule()).not.toHaveProperty('until');
    expect(rule()).not.toHaveProperty('once');
  });
  it('is given times, moved, copied and removed', async () => {
    const { bench, card, rule, follow } = await open();
    await card.press('+ for at most …');
    await follow();
    await card.type('for at most', '2m');
    expect(rule()?.atMost).toBe(0.002);
    await follow();
    await card.press('decide before the one above');
    expect(
      bench.session
        .design()
        ?.rules.map((r) => r.id)
        .slice(2, 4),
    ).toEqual(['r4', 'r3']);
    await card.press('duplicate');
    expect(bench.session.design()?.rules.at(-1)).toEqual({ ...rule(), id: 'r6' });
    await card.press('remove');
    expect(rule()).toBeUndefined();
  });
});

it('modes are named, added, begun in and removed; ways are led, ordered and given a reason', async () => {
  const bench = await openBench(stairs());
  const machine = () => bench.session.design()?.machines[0];
  const editor = await show(MachineEditor, { machine: machine(), picked: 2 });
  const follow = async (): Promise<void> => {
    editor.fixture.componentRef.setInput('machine', machine());
    await editor.settle();
  };
  await editor.press('+ mode');
  await follow();
  expect(machine()?.modes.at(-1)).toEqual({ id: 'm1', name: 'Mode 6' });
  editor.find('[aria-label="Armed is the mode after a reset"]').click();
  expect(machine()?.start).toBe('armed');
  await follow();
  await editor.type('To', 'm1');
  expect(machine()?.transitions[2]).toEqual({ from: 'leaving', to: 'm1', after: 12 });
  await follow();
  await editor.press('+ when …');
  await follow();
  expect(machine()?.transitions[2].when).toEqual({ is: 'channel', channel: 'low' });
  editor.find('[aria-label="At once"]').click();
  expect(machine()?.transitions[2]).not.toHaveProperty('after');
  await follow();
  await editor.press('look at it earlier');
  expect(machine()?.transitions[1].to).toBe('m1');
});

describe('counts, notices, fades, sleep', () => {
  it('are changed in their lines', async () => {
    const bench = await openBench(stairs());
    const things = await showSolved(Things);
    await things.type('to', '12');
    expect(bench.session.design()?.counters[0].most).toBe(12);
    await things.type('What it tells', 'mode guard');
    expect(bench.session.design()?.notices[0].tells).toEqual({ tell: 'mode', machine: 'guard' });
    await things.press('+ sleep');
    expect(bench.session.design()?.controller.sleep).toEqual({ every: 8, awake: 0.1 });
    await things.type('Stays awake for', '20');
    expect(bench.session.design()?.controller.sleep?.awake).toBeLessThan(8);
    things.find('[aria-label="No fade"]').click();
    await things.settle();
    expect(bench.session.design()?.outputs[1]).not.toHaveProperty('fade');
  });
});

it.each(machineKinds.map((kind, i) => [kind.label, i] as const))(
  '%s: a chart to begin with',
  (_, i) => {
    const edit = addEdit(stairs(), `machine ${i}`);
    expect(edit).toMatchObject({ type: 'put-machine' });
    if (edit?.type !== 'put-machine') return;
    const { machine } = edit;
    const ids = machine.modes.map((m) => m.id);
    expect(ids).toContain(machine.start);
    for (const way of machine.transitions) expect(ids).toContain(way.to);
  },
);
