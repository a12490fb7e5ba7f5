import { eSeries, type ESeries } from '../quantity/index.js';

/** What a comparator with an open-collector output is given. */
export interface ComparatorTask {
  /** V. */
  supply: number;
  /** The signal goes to the − input and the output falls above `upper`, or to the + input and it rises. */
  signal: 'minus' | 'plus';
  /** Where it changes on the way up, V. */
  upper: number;
  /** Where it changes back on the way down, V. */
  lower: number;
  /** From the output to the supply, Ω. */
  pullUp: number;
  /** What the output keeps when it is low, V. */
  low: number;
  series: ESeries;
  /** Resistors from … to, Ω. */
  from: number;
  to: number;
  /** Of each resistor. */
  tolerance: number;
}

/**
 * Three resistors. With the signal at −: `a` from the supply and `b` from ground to the + input, `feedback` from
 * the output to it. With the signal at +: `a` from the signal to the + input, `feedback` from the output to it, and
 * the − input stands at `reference`.
 */
export interface ComparatorNetwork {
  a: number;
  b: number;
  feedback: number;
  /** V at the − input, where the signal goes to +. */
  reference?: number;
  upper: number;
  lower: number;
  /** The larger of both distances from what was asked for, V. */
  error: number;
  /** Trip points at the worst of all tolerances. */
  worst: { upper: [number, number]; lower: [number, number] };
}

type Resistors = Pick<ComparatorNetwork, 'a' | 'b' | 'feedback'>;

/**
 * Trip points by superposition; the pull-up stands in the way of the feedback while the output is high.
 *
 * With the signal at −, the + input stands at the sum of what supply, output and ground give it. With the signal at
 * +, `b` is the share of the supply at the − input instead: reference = supply·b.
 *
 * @example tripPoints({ supply: 5, signal: 'minus', pullUp: 0, low: 0 }, { a: 1e4, b: 1e4, feedback: 1e4 }).upper // 3.33333
 */
export function tripPoints(
  { supply, signal, pullUp, low }: Pick<ComparatorTask, 'supply' | 'signal' | 'pullUp' | 'low'>,
  { a, b, feedback }: Resistors,
): { upper: number; lower: number } {
  const high = feedback + pullUp;
  if (signal === 'minus')
    return {
      upper: (supply * (1 / a + 1 / high)) / (1 / a + 1 / b + 1 / high),
      lower: (supply / a + low / feedback) / (1 / a + 1 / b + 1 / feedback),
    };
  const reference = supply * b;
  return {
    // On the way up the output is low, on the way down it is high.
    upper: reference + ((reference - low) * a) / feedback,
    lower: reference - ((supply - reference) * a) / high,
  };
}

/**
 * The best networks for two trip points among all combinations of preferred values. For every `a` and feedback
 * both trip points rise with the third value, so the larger error falls and then rises: its least is found by
 * halving, and nothing is left out.
 *
 * @returns the best first; empty when the trip points cannot be had
 * @throws RangeError naming what makes no sense
 */
export function designComparator(task: ComparatorTask, most = 5): ComparatorNetwork[] {
  demand(task);
  const values = preferredBetween(task.series, task.from, task.to);
  // The reference of a signal at + is made by a divider of its own; it can be had as finely as it is set.
  const thirds = task.signal === 'minus' ? values : undefined;
  const found: (Resistors & { error: number })[] = [];
  let worstKept = Infinity;
  for (const a of values)
    for (const feedback of values) {
      const { b, error } = thirds
        ? bestThird(task, a, feedback, thirds)
        : bestReference(task, a, feedback);
      if (error >= worstKept) continue;
      found.push({ a, b, feedback, error });
      found.sort((x, y) => x.error - y.error || x.a - y.a || x.feedback - y.feedback);
      found.length = Math.min(found.length, most);
      worstKept = found.length === most ? (found.at(-1)?.error ?? Infinity) : Infinity;
    }
  return found.map((network) => complete(task, network));
}

function complete(
  task: ComparatorTask,
  { error, ...resistors }: Resistors & { error: number },
): ComparatorNetwork {
  const { upper, lower } = tripPoints(task, resistors);
  const reference = task.signal === 'plus' ? { reference: task.supply * resistors.b } : {};
  return { ...resistors, ...reference, upper, lower, error, worst: worstOf(task, resistors) };
}

const errorOf = (task: ComparatorTask, resistors: Resistors): number => {
  const { upper, lower } = tripPoints(task, resistors);
  return Math.max(Math.abs(upper - task.upper), Math.abs(lower - task.lower));
};

/** The value for `b` with the least error, by halving where it falls and rises. */
function bestThird(
  task: ComparatorTask,
  a: number,
  feedback: number,
  values: readonly number[],
): { b: number; error: number } {
  const errorAt = (i: number): number => errorOf(task, { a, b: values[i] ?? Infinity, feedback });
  let [low, high] = [0, values.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (errorAt(middle) <= errorAt(middle + 1)) high = middle;
    else low = middle + 1;
  }
  return { b: values[low] ?? Infinity, error: errorAt(low) };
}

/** With the signal at +: the share of the supply at − that leaves both errors alike. */
function bestReference(
  task: ComparatorTask,
  a: number,
  feedback: number,
): { b: number; error: number } {
  const at = (b: number): { upper: number; lower: number } => tripPoints(task, { a, b, feedback });
  const [zero, one] = [at(0), at(1)];
  // Both are straight lines in b; where the two errors are opposite their larger is least.
  const middle = (task.upper + task.lower) / 2;
  const b =
    (2 * middle - zero.upper - zero.lower) / (one.upper + one.lower - zero.upper - zero.lower);
  const within = Math.min(1, Math.max(0, b));
  return { b: within, error: errorOf(task, { a, b: within, feedback }) };
}

/** The trip points with every resistor at either end of its tolerance. */
function worstOf(task: ComparatorTask, { a, b, feedback }: Resistors): ComparatorNetwork['worst'] {
  const { tolerance } = task;
  const ends = [1 - tolerance, 1 + tolerance];
  const shift = (share: number, by: number): number =>
    task.signal === 'minus' ? share * by : share / (share + (1 - share) * by);
  const all = ends.flatMap((x) =>
    ends.flatMap((y) =>
      ends.flatMap((z) =>
        ends.map((p) =>
          tripPoints(
            { ...task, pullUp: task.pullUp * p },
            { a: a * x, b: shift(b, y), feedback: feedback * z },
          ),
        ),
      ),
    ),
  );
  const range = (key: 'upper' | 'lower'): [number, number] => {
    const values = all.map((t) => t[key]);
    return [Math.min(...values), Math.max(...values)];
  };
  return { upper: range('upper'), lower: range('lower') };
}

/** Every preferred value from … to, ascending. */
export function preferredBetween(series: ESeries, from: number, to: number): number[] {
  const values: number[] = [];
  for (let decade = Math.floor(Math.log10(from)); 10 ** decade <= to; decade++)
    for (const digits of eSeries(series)) {
      const value = Number(`${digits}e${decade}`);
      if (value >= from && value <= to) values.push(value);
    }
  return values;
}

function demand({ supply, upper, lower, from, to, low }: ComparatorTask): void {
  if (!(supply > 0)) throw new RangeError('The supply must be above 0 V.');
  if (!(lower < upper))
    throw new RangeError('It must trip higher on the way up than on the way down.');
  if (!(lower > low && upper < supply))
    throw new RangeError(`Both trip points must lie between ${low} V and the supply.`);
  if (!(from > 0 && from < to)) throw new RangeError('Give resistors from less to more.');
}
