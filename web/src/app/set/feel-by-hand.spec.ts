import fc from 'fast-check';
import { TestBed } from '@angular/core/testing';
import { Subject } from 'rxjs';
import { BenchBoard } from '../data/bench-board';
import { demo, openBench, show } from '../../testing/workbench-bed';
import { Capturing } from './capturing';
import { FeelByHand, placeOf, valueAt } from './feel-by-hand';

it('a place of a slider and its value stand for each other, to three digits', () => {
  const ranges = fc
    .tuple(
      fc.double({ min: 1e-6, max: 1e3, noNaN: true }),
      fc.double({ min: 1.5, max: 1e6, noNaN: true }),
      fc.constantFrom('log' as const, 'linear' as const),
    )
    .map(([low, times, scale]) => ({ low, high: low * times, scale }));
  fc.assert(
    fc.property(ranges, fc.nat(1000), (range, place) => {
      const value = valueAt(range, place);
      expect(value).toBeGreaterThanOrEqual(range.low * 0.995);
      expect(value).toBeLessThanOrEqual(range.high * 1.005);
      const again = valueAt(range, placeOf(range, value));
      // A place is a thousandth of the range, three digits are half a per cent.
      const step = range.scale === 'log' ? value * Math.log(range.high / range.low) : range.high;
      expect(Math.abs(again - value)).toBeLessThanOrEqual(step / 1000 + 0.01 * value);
    }),
  );
});

describe('a hand on the world', () => {
  async function connected() {
    TestBed.configureTestingModule({ providers: [Capturing] });
    const bench = await openBench(demo('varnish-bench-fire'));
    const sent: string[] = [];
    const lines = new Subject<string>();
    const board = TestBed.inject(BenchBoard);
    board.open({ lines, send: (line) => sent.push(line) }, 'stand-in');
    bench.selection.pick('channel', bench.session.design()?.channels[1].id ?? '');
    return { ...bench, board, sent, lines };
  }

  it('tells the board what is felt, and lets it be again', async () => {
    const { sent, lines } = await connected();
    const hand = await show(FeelByHand);
    const slider = hand.find('[role=slider]');
    await Promise.all(['Home', 'PageUp', 'End'].map((key) => hand.key(slider, key, { code: key })));
    await hand.until(() => sent.some((line) => line.startsWith('feel')));
    // Of what is drawn past only the last is told.
    expect(sent.filter((line) => line.startsWith('feel'))).toEqual([
      expect.stringMatching(/^feel B\d infrared \d+$/),
    ]);
    expect(hand.text('.sense')).not.toContain('as it is');
    await hand.press(slider.getAttribute('aria-label')?.replace(/^/, 'Let ') + ' be as it is');
    await hand.until(() => / rest$/.test(sent.at(-1) ?? ''));
    expect(hand.text('.sense')).toContain('as it is');
    await hand.key(slider, 'End', { code: 'End' });
    lines.next('# rebuilt');
    await hand.settle();
    expect(hand.text('.sense')).toContain('as it is');
  });
});
