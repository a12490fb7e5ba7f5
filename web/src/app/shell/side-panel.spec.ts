import type { Verdict } from '@yurei/core/rehearsal';
import type { Diagnosis } from '@yurei/core/diagnosis';
import { defer, firstValueFrom, from, NEVER, Observable, Subject, throwError } from 'rxjs';
import type { Edit } from '@yurei/core/design';
import { bench as benchCore } from '../bench/bench-core';
import { piecesOf, type Judging } from '../bench/judging';
import { openBench, showSolved, slipwayBeam } from '../../testing/workbench-bed';
import { SidePanel } from './side-panel';

/** The demo with the diode taken out, which the sounder's rule must find. */
const without = (part: string) => {
  const design = slipwayBeam();
  design.parts = design.parts.filter((p) => p.id !== part);
  design.wires = design.wires.filter((w) => ![w.from, w.to].some((e) => e.startsWith(`${part}.`)));
  return design;
};

it('lists every root, and only those about what is picked', async () => {
  const bench = await openBench(without('D1'));
  const panel = await showSolved(SidePanel);
  await panel.until(() => bench.diagnosis.roots() !== undefined);
  expect(panel.text('.heading')).toBe('all findings');
  expect(panel.text('.finding')).toContain('No diode across Sounder');
  bench.selection.pick('part', 'E1');
  await panel.settle();
  expect(panel.all('.finding').map((card) => card.textContent)).not.toContainEqual(
    expect.stringContaining('No diode across Sounder'),
  );
});

it('mends what a finding offers to mend, as one step to undo', async () => {
  const bench = await openBench(without('D1'));
  const panel = await showSolved(SidePanel);
  const offered = () => bench.diagnosis.roots()?.[0]?.cures[0];
  await panel.until(() => offered()?.proof !== undefined);
  expect(panel.text('yu-offer-line')).toContain('everything else stays');
  const before = bench.session.design();
  await panel.press(offered()?.label ?? '');
  await panel.until(() => bench.diagnosis.roots()?.length === 0);
  bench.session.undo();
  expect(bench.session.design()).toEqual(before);
});

it('folds what follows under its root, and names the likely slip', async () => {
  const design = slipwayBeam();
  design.wires = design.wires.filter((w) => ![w.from, w.to].includes('G1.minus'));
  const bench = await openBench(design);
  const panel = await showSolved(SidePanel);
  await panel.until(() => bench.diagnosis.roots() !== undefined);
  expect(
    panel.all('.finding[data-severity="error"], .finding[data-severity="caution"]'),
  ).toHaveLength(1);
  expect(panel.text('yu-fold legend')).toContain('more follow from it');
  expect(panel.text('yu-offer-line')).toContain('Likely: No wire leads from');
});

/** A scene in which someone was noticed, and with any change is missed. */
const missedWith: Judging['outcomes'] = (design, edits) => {
  const [scene] = design.scenes;
  const verdict = (outcome: 'noticed' | 'missed') =>
    ({ happening: 'walker', name: 'Someone walks up the slipway', outcome }) as Verdict;
  return from(
    piecesOf(design, edits).map((piece) => ({
      ...piece,
      outcomes: {
        verdicts: piece.scene === scene ? [verdict(piece.edit ? 'missed' : 'noticed')] : [],
        spurious: [],
      },
    })),
  );
};

it('offers nothing before it has been tried in every scene, and nothing that makes a verdict worse', async () => {
  const bench = await openBench(without('D1'));
  bench.workers.judging.outcomes.mockImplementation(missedWith);
  const panel = await showSolved(SidePanel);
  await panel.until(() => bench.diagnosis.roots()?.[0]?.cures[0]?.proof !== undefined);
  const [scene] = slipwayBeam().scenes;
  expect(panel.text('yu-offer-line')).toContain(`is not offered: ${scene.name}: “Someone walks`);
  expect(panel.all('yu-offer-line button')).toHaveLength(0);
});

it('of a design without scenes cures are offered as they are found', async () => {
  const bench = await openBench({ ...without('D1'), scenes: [] });
  const panel = await showSolved(SidePanel);
  await panel.until(() => bench.diagnosis.roots()?.[0]?.cures[0]?.proof !== undefined);
  expect(panel.all('yu-offer-line button')).not.toHaveLength(0);
});

it.each([
  ['is wrong', without('D1'), 1],
  ['is sound', slipwayBeam(), 0],
] as const)(
  'of a design that %s scenes are gone through without a cure beside the trials, until it is changed',
  async (_, design, times) => {
    const bench = await openBench(design);
    let [listened, left] = [0, 0];
    bench.workers.judging.outcomes.mockImplementation((_design, [edit]) =>
      edit
        ? NEVER
        : new Observable(() => {
            listened += 1;
            return () => (left += 1);
          }),
    );
    const panel = await showSolved(SidePanel);
    await panel.until(() => bench.diagnosis.roots() !== undefined);
    expect([listened, left]).toEqual([times, 0]);
    bench.session.edit({ type: 'set-param', id: 'R1', param: 'ohms', value: 470 });
    await panel.until(() => left === times);
  },
);

it('holds the likeliest cure of each root against the scenes first', async () => {
  const bench = await openBench(without('D1'));
  const { trying, judging } = bench.workers;
  const design = without('D1');
  const [root] = benchCore.diagnose(design, design.scenes[0].id).diagnosis.roots;
  const [cure] = root.cures;
  const named = (label: string) => ({
    ...cure,
    edit: { type: 'describe', fields: { title: label } } as Edit,
  });
  const other = { ...root, finding: { ...root.finding, id: 'other' } };
  const roots = [
    { ...root, cures: [named('a'), named('b')] },
    { ...other, cures: [named('c')] },
  ];
  trying.diagnose.mockResolvedValue({ diagnosis: { roots, asides: [] }, isUnexplained: false });
  const panel = await showSolved(SidePanel);
  const asked = () => judging.outcomes.mock.calls.flatMap(([, edits]) => edits).filter(Boolean);
  await panel.until(() => asked().length > 0);
  expect(asked()).toEqual(['a', 'c', 'b'].map((label) => named(label).edit));
});

it('shows roots while it is still tried whether two mistakes explain them, and proves each cure once', async () => {
  const design = without('D1');
  const bench = await openBench(design);
  const { trying, judging } = bench.workers;
  const [root] = benchCore.diagnose(design, design.scenes[0].id).diagnosis.roots;
  const two = { type: 'describe', fields: { title: 'both' } } as Edit;
  const asides: never[] = [];
  trying.diagnose.mockResolvedValue({
    diagnosis: { roots: [root], asides },
    isUnexplained: true,
  });
  const further = new Subject<Diagnosis>();
  trying.countOnTwo.mockImplementation(() => firstValueFrom(further));
  const panel = await showSolved(SidePanel);
  await panel.until(() => panel.text('yu-offer-line').includes('everything else stays'));
  expect(panel.text()).toContain('Trying two changes at once…');
  further.next({
    roots: [{ ...root, cures: [...root.cures, { ...root.cures[0], edit: two }] }],
    asides,
  });
  await panel.until(() => bench.diagnosis.roots()?.[0]?.cures[1]?.proof !== undefined);
  expect(panel.text()).not.toContain('Trying');
  const tried = judging.outcomes.mock.calls.flatMap(([, edits]) => edits).filter(Boolean);
  expect(tried).toEqual([root.cures[0].edit, two]);
});

it('holds cures against every scene where what scenes come to could not be foreseen', async () => {
  const bench = await openBench(without('D1'));
  const { outcomes } = bench.workers.judging;
  const inThread = outcomes.getMockImplementation();
  let turn = 0;
  outcomes.mockImplementation((...asked) =>
    defer(() =>
      turn++ === 0 || !inThread
        ? throwError(() => new Error('The worker ended.'))
        : inThread(...asked),
    ),
  );
  const panel = await showSolved(SidePanel);
  await panel.until(() => bench.diagnosis.roots()?.[0]?.cures[0]?.proof !== undefined);
  expect(panel.text('yu-offer-line')).toContain('everything else stays');
});

it.each([
  ['part', 'R1', 'yu-part-panel'],
  ['wire', 'w7', 'yu-wire-panel'],
  ['channel', 'beam', 'yu-channel-panel'],
  ['happening', 'walker', 'yu-happening-panel'],
] as const)('shows the panel of a %s', async (type, id, tag) => {
  const bench = await openBench();
  const panel = await showSolved(SidePanel);
  bench.selection.pick(type, id);
  await panel.settle();
  expect(panel.find(tag)).toBeTruthy();
});

it('takes what is no mistake here, with a reason, and tells it again when that is taken back', async () => {
  const bench = await openBench(without('D1'));
  const panel = await showSolved(SidePanel);
  await panel.until(() => bench.diagnosis.roots() !== undefined);
  await panel.press('Not a mistake here');
  const [field] = panel.all('.ask input') as HTMLInputElement[];
  field.value = 'The sounder has one inside.';
  field.dispatchEvent(new Event('input'));
  await panel.settle();
  await panel.press('Keep with the design');
  await panel.until(() => bench.diagnosis.roots()?.length === 0);
  expect(bench.session.design()?.accepted).toMatchObject([
    { finding: 'coil-without-diode:P1', reason: 'The sounder has one inside.' },
  ]);
  expect(panel.text('yu-fold')).toBeDefined();
  expect(panel.text()).toContain('No mistake here: The sounder has one inside.');
  await panel.press('Tell it again');
  await panel.until(() => bench.diagnosis.roots()?.length === 1);
});

it('never folds away what may hurt someone, and lets nobody call it no mistake', async () => {
  const design = slipwayBeam();
  design.parts.push({ id: 'G9', kind: 'lithium-cell', name: 'Spare cell', params: {} });
  await openBench(design);
  const panel = await showSolved(SidePanel);
  const open = panel.all('.finding').filter((card) => !card.closest('yu-fold'));
  const cell = open.find((card) => card.textContent.includes('never charge below 0'));
  expect(cell).toBeDefined();
  expect(cell?.querySelector('yu-accept-line button')).toBeNull();
});
