import { Subject } from 'rxjs';
import { TestBed } from '@angular/core/testing';
import { applyEdit, type Condition, type Design } from '@yurei/core/design';
import { writeScxml } from '@yurei/core/exchange';
import {
  demo,
  openBench,
  show,
  showSolved,
  slipwayBeam,
  type Screen,
} from '../../testing/workbench-bed';
import { ActStep } from './act';
import { inLines } from './chart-layout';
import { chartsEdit } from './charts-edit';
import { ConditionField } from './condition-field';
import { BenchBoard } from '../data/bench-board';
import { Lanes } from './lanes';

const stairs = (): Design => demo('loft-stairs');

const menuOf = '[aria-label="Change this condition"]';
/** Takes an entry of the menu of a condition. */
async function choose(step: Screen<unknown>, button: HTMLElement, entry: string): Promise<void> {
  button.click();
  await step.settle();
  const entries = step.all('.p-menu-item-link');
  entries.find((e) => e.textContent?.trim() === entry)?.click();
  await step.settle();
}

describe('the Act step', () => {
  it('shows modes as a chart, the present one marked, and rules as sentences', async () => {
    await openBench(stairs());
    const step = await showSolved(ActStep);
    await step.until(() => step.all('yu-mode-chart .mode').length === 5);
    expect(step.text('yu-mode-chart .mode.now')).toMatch(/^Armed now/);
    expect(
      step.all('yu-mode-chart .arrow').map((a) => a.textContent.replace(/\s+/g, ' ').trim()),
    ).toContain('after 12 s');
    expect(step.all('yu-rule-card .sentence')[2].textContent).toMatch(
      /when Alarm begins → Sounder pattern evacuation, three pulses for at most 15 min, until Off/,
    );
    expect(step.text('.rules')).toContain('Every mode can be reached and left');
  });

  it('says nothing of modes and rules that are not there', async () => {
    await openBench(stairs());
    const both = await showSolved(ActStep);
    expect(both.text('.rules .fine')).toMatch(/^Every mode .* No two rules want/);
    const [rule] = slipwayBeam().rules;
    for (const rules of [[rule], []]) {
      TestBed.resetTestingModule();
      await openBench({ ...slipwayBeam(), rules });
      const step = await showSolved(ActStep);
      expect(step.text('.rules')).not.toContain('whatever happens');
    }
  });

  it('a rule is added, its condition turned, and taken back with undo', async () => {
    const bench = await openBench(stairs());
    const step = await showSolved(ActStep);
    await step.press('Add rule');
    const added = (): Condition | undefined => bench.session.design()?.rules.at(-1)?.when;
    expect(added()).toEqual({ is: 'channel', channel: 'low' });
    const menus = (): HTMLElement[] => step.all(`yu-rule-card .open ${menuOf}`);
    await choose(step, menus()[0], 'not …');
    expect(added()).toEqual({ is: 'not', of: { is: 'channel', channel: 'low' } });
    await choose(step, menus().at(-1) as HTMLElement, 'only its first part');
    await choose(step, menus()[0], 'a mode');
    expect(added()).toEqual({ is: 'mode', machine: 'guard', mode: 'off' });
    for (let i = 0; i < 4; i++) bench.session.undo();
    expect(bench.session.design()).toEqual(stairs());
  });

  it('proposes the rule that anyone would write first, and takes it at one press', async () => {
    const bench = await openBench({ ...slipwayBeam(), rules: [] });
    const step = await showSolved(ActStep);
    expect(step.text('.proposal')).toMatch(/when Beam → Sounder on/);
    await step.press('Take this rule');
    expect(bench.session.design()?.rules).toMatchObject([
      { when: { is: 'channel', channel: 'beam' }, then: [{ do: 'drive', output: 'sounder' }] },
    ]);
    expect(step.all('.proposal')).toEqual([]);
  });

  it('says what is true whatever happens', async () => {
    const design = stairs();
    design.machines[0].transitions = design.machines[0].transitions.slice(1);
    await openBench(design);
    const step = await showSolved(ActStep);
    const truths = step.all('.truth').map((t) => t.textContent.trim());
    expect(truths).toContain('Alarm is never left, but by a reset.');
  });

  it('a mode that goes takes its ways along, and rules that asked for it', async () => {
    const bench = await openBench(stairs());
    const step = await showSolved(ActStep);
    step.find('[aria-label="Remove mode Alarm"]').click();
    await step.settle();
    const design = bench.session.design();
    expect(design?.machines[0].modes.map((m) => m.id)).not.toContain('alarm');
    expect(design?.rules.map((r) => r.id)).toEqual(['r1', 'r2', 'r4', 'r5']);
  });

  it('without a controller that drives anything it says what to do next', async () => {
    await openBench({
      ...stairs(),
      rules: [],
      outputs: [],
      machines: [],
      counters: [],
      notices: [],
      channels: [],
    });
    const step = await show(ActStep);
    expect(step.text('.rules')).toContain('The controller drives nothing yet');
    expect(step.text('.charts')).toContain('None yet: rules hold at all times');
  });
});

it('without a controller it says what the circuit does, in the same words', async () => {
  await openBench(demo('bilge-sump'));
  const step = await showSolved(ActStep);
  await step.until(() => step.all('.deed').length > 0);
  expect(step.text('.deed')).toMatch(
    /^when water level at Sump rods rises above .* → Sump pump running until it falls below/,
  );
  expect(() => step.find('.bar')).toThrow();
});

it('does not tell of a sounder that only a tone makes sound what it cannot know', async () => {
  const design = demo('steps-lamp-at-dusk');
  design.parts.push({ id: 'P9', kind: 'piezo-buzzer', name: 'Beeper', params: {} });
  await openBench(design);
  const step = await showSolved(ActStep);
  expect(step.text('.circuit')).toMatch(/Whether Beeper sounds cannot be told so.*rehearse it/);
});

it('a condition of each kind is put into words that can be changed', async () => {
  await openBench(stairs());
  const key: Condition = { is: 'channel', channel: 'key' };
  const kinds: [Condition, RegExp][] = [
    [{ is: 'all', of: [key, key] }, /and/],
    [{ is: 'at least', n: 1, of: [key, key] }, /^at least of Key/],
    [{ is: 'for', seconds: 2, of: key }, /for/],
    [{ is: 'then', first: key, second: key, within: 1 }, /then .* within/],
    [
      { is: 'press', channel: 'key', press: 'double', long: 1, gap: 0.4 },
      /^double press of Key , long is , second within/,
    ],
    [{ is: 'reading', channel: 'key', compare: 'above', counts: 3 }, /reads/],
    [{ is: 'changes', channel: 'key', by: 5, over: 1 }, /^Key moves by within/],
    [{ is: 'flickers', channel: 'key', from: 1, to: 9, over: 1 }, /flickers at to over/],
    [{ is: 'time', from: 0, to: 60 }, /^between and/],
  ];
  for (const [condition, words] of kinds) {
    const field = await show(ConditionField, { condition });
    expect(field.text()).toMatch(words);
    const changes: Condition[] = [];
    field.fixture.componentInstance.changed.subscribe((c) => changes.push(c));
    await choose(field, field.all(menuOf).at(-1) as HTMLElement, '… and …');
    expect(changes.at(-1)).toMatchObject({ is: 'all', of: [condition, {}] });
    field.fixture.destroy();
  }
});

it('blocks of a sequence are nudged with the arrow keys and keep within it', async () => {
  const design = stairs();
  design.sequences = [
    {
      id: 's',
      name: 'S',
      length: 10,
      times: 1,
      lanes: [{ output: 'lamp', blocks: [{ start: 1, length: 2, drive: { as: 'on' } }] }],
    },
  ];
  const bench = await openBench(design);
  const lanes = await show(Lanes, { sequence: design.sequences[0] });
  await lanes.key(lanes.find('.block'), 'ArrowRight');
  const block = () => bench.session.design()?.sequences[0].lanes[0].blocks[0];
  expect(block()).toMatchObject({ start: 1.2, length: 2 });
  await lanes.key(lanes.find('.block'), 'ArrowRight', { shiftKey: true });
  expect(block()?.length).toBeCloseTo(2.2);
});

it('a sequence is played on the bench: what acts is told, until it is over or stopped', async () => {
  const design = stairs();
  const blocks = [{ start: 1, length: 2, drive: { as: 'on' as const } }];
  design.sequences = [
    { id: 's', name: 'S', length: 10, times: 1, lanes: [{ output: 'lamp', blocks }] },
  ];
  await openBench(design);
  const board = TestBed.inject(BenchBoard);
  const [lines, sent] = [new Subject<string>(), [] as string[]];
  board.open({ lines, send: (line) => sent.push(line) }, 'stand-in');
  const lanes = await show(Lanes, { sequence: design.sequences[0] });
  await lanes.press('play on the bench');
  expect(sent).toContain('play s');
  const hear = async (...heard: string[]): Promise<void> => {
    heard.forEach((line) => lines.next(line));
    await lanes.settle();
  };
  await hear('# ok play s');
  expect(lanes.text('[role=status]')).toBe('On the bench: nothing acts.');
  await hear('# acts P1 on');
  expect(lanes.text('[role=status]')).toMatch(/^On the bench: .* sounding\.$/);
  await hear('# acts P1 off', '# played s');
  expect(lanes.text()).toContain('play on the bench');
  await lanes.press('play on the bench');
  await hear('# ok play s');
  await lanes.press('stop on the bench');
  expect(sent.at(-1)).toBe('stop');
});

it('a sequence made shorter cuts its blocks, and gives up those that lie behind its end', async () => {
  const design = stairs();
  const on = { as: 'on' } as const;
  const blocks = [
    { start: 1, length: 4, drive: on },
    { start: 6, length: 2, drive: on },
  ];
  design.sequences = [
    { id: 's', name: 'S', length: 10, times: 1, lanes: [{ output: 'lamp', blocks }] },
  ];
  const bench = await openBench(design);
  const lanes = await show(Lanes, { sequence: design.sequences[0] });
  const lasts = lanes.find<HTMLInputElement>('[aria-label="Lasts"]');
  lasts.value = '3';
  lasts.dispatchEvent(new Event('input'));
  lasts.dispatchEvent(new Event('change'));
  await lanes.settle();
  const [made] = bench.session.design()?.sequences ?? [];
  expect(made).toMatchObject({ length: 3, lanes: [{ blocks: [{ start: 1, length: 2 }] }] });
  expect(made.lanes[0].blocks).toHaveLength(1);
});

describe('modes from a state chart file', () => {
  it('are taken in where all that they ask for is there', () => {
    const design = stairs();
    const text = writeScxml(design).replace('12s', '15s');
    const read = chartsEdit(design, text);
    expect(read.ok && applyEdit(design, read.edit).machines[0].transitions[2].after).toBe(15);
  });
  it('and refused where not, or where they cannot be read', () => {
    const design = stairs();
    const told = (text: string): string => {
      const read = chartsEdit(design, text);
      return read.ok ? '' : read.problems.join();
    };
    expect(told(writeScxml(design).replaceAll('low', 'west'))).toMatch(/There is no channel west/);
    expect(told('<html/>')).toMatch(/root is <html>/);
  });
  it.each([
    ['no state chart', '<scxml><state id="', /modes\.scxml: .*/],
    ['a file of another kind', '<html/>', /modes\.scxml: .*root is <html>/],
    ['a large one', 'x'.repeat(2_000_001), /modes\.scxml is larger than 2 MB/],
  ])('says in place why %s is not taken, and nothing once one is', async (_, text, words) => {
    const design = stairs();
    const bench = await openBench(design);
    const act = await showSolved(ActStep);
    const give = async (content: string): Promise<void> => {
      const input = act.find<HTMLInputElement>('yu-file-button input');
      const file = new File([content], 'modes.scxml');
      // jsdom's files do not tell their text.
      Object.assign(file, { text: async () => content });
      Object.defineProperty(input, 'files', { value: [file], configurable: true });
      input.dispatchEvent(new Event('change'));
      await act.settle();
    };
    await give(text);
    await act.until(() => words.test(act.text('.unread')));
    expect(bench.session.design()).toEqual(design);
    await give(writeScxml(design).replace('12s', '15s'));
    await act.until(() => act.all('.unread').length === 0);
    expect(bench.session.design()?.machines[0].transitions[2].after).toBe(15);
  });
});

it('labels of ways are broken between words', () => {
  expect(inLines('Lower beam then Upper beam within 1.5 s')).toEqual([
    'Lower beam then Upper',
    'beam within 1.5 s',
  ]);
});
