import { applyEdit, emptyDesign, type Design, type Edit } from './index.js';

const base: Design = {
  ...emptyDesign('x'),
  parts: [
    { id: 'B1', kind: 'recorded-sensor', name: 'B1', params: {}, recording: 'r1' },
    { id: 'B2', kind: 'recorded-sensor', name: 'B2', params: {} },
  ],
  recordings: [{ id: 'r1', name: 'one', times: [0], values: [1] }],
};
const recordingOf = (design: Design, id: string): string | undefined =>
  design.parts.find((p) => p.id === id)?.recording;

describe('edits of plan and recordings', () => {
  it('sets the plan and leaves the old design as it was', () => {
    const plan = { width: 3, depth: 2, walls: [] };
    expect(applyEdit(base, { type: 'set-plan', plan }).plan).toBe(plan);
    expect(base.plan.width).toBe(12);
  });
  it('puts a recording in, and one of the same id in its place', () => {
    const put = (name: string, id: string): Edit => ({
      type: 'put-recording',
      recording: { id, name, times: [0], values: [2] },
    });
    expect(applyEdit(base, put('two', 'r2')).recordings.map((r) => r.id)).toEqual(['r1', 'r2']);
    expect(applyEdit(base, put('new', 'r1')).recordings).toMatchObject([{ name: 'new' }]);
  });
  it('lets a part play, and play nothing', () => {
    const plays = applyEdit(base, { type: 'set-recording', part: 'B2', recording: 'r1' });
    expect(recordingOf(plays, 'B2')).toBe('r1');
    const silent = applyEdit(plays, { type: 'set-recording', part: 'B2', recording: undefined });
    expect(recordingOf(silent, 'B2')).toBeUndefined();
  });
  it('takes a recording away from whoever plays it', () => {
    const without = applyEdit(base, { type: 'remove-recording', id: 'r1' });
    expect(without.recordings).toEqual([]);
    expect(recordingOf(without, 'B1')).toBeUndefined();
  });
  it.each([
    [{ type: 'remove-recording', id: 'r9' } as const, /r9/],
    [{ type: 'set-recording', part: 'B9', recording: 'r1' } as const, /no part B9/],
  ])('refuses %j', (edit, message) => {
    expect(() => applyEdit(base, edit)).toThrow(message);
  });
});
