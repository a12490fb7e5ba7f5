import { emptyDesign } from '@yurei/core/design';
import { openBench, show } from '../../testing/workbench-bed';
import { EmptyBench } from './empty-bench';

describe('an empty bench', () => {
  it('begins with a whole small design, at one press and undone with one', async () => {
    const bench = await openBench(emptyDesign('New'));
    const empty = await show(EmptyBench);
    await empty.press('a door or window opening');
    const design = bench.session.design();
    expect(design?.parts.map((p) => p.kind)).toContain('loop-contact');
    expect(design?.rules).toHaveLength(1);
    expect(design?.scenes[0].happenings.map((h) => h.kind)).toEqual(['door-opens']);
    bench.session.undo();
    expect(bench.session.design()).toEqual(emptyDesign('New'));
  });

  it('leaves the way by hand open', async () => {
    await openBench(emptyDesign('New'));
    const empty = await show(EmptyBench);
    const chosen = jest.fn();
    empty.fixture.componentInstance.byHand.subscribe(chosen);
    await empty.press('Add part');
    expect(chosen).toHaveBeenCalled();
  });
});
