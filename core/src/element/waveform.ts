/** How a source changes with time; at an operating point it stands at its value for t = 0. */
export type Waveform =
  | {
      shape: 'pulse';
      low: number;
      high: number;
      /** Start of the first rise, s. */
      delay: number;
      rise: number;
      /** Time at `high`, s. */
      width: number;
      fall: number;
      /** 0 for a single pulse, s. */
      period: number;
    }
  | { shape: 'sine'; mean: number; amplitude: number; hertz: number }
  /** Straight lines between points; the times ascend. */
  | { shape: 'points'; times: readonly number[]; values: readonly number[] };

/** Value of a waveform at a moment. */
export function waveAt(wave: Waveform, t: number): number {
  if (wave.shape === 'sine') {
    return wave.mean + wave.amplitude * Math.sin(2 * Math.PI * wave.hertz * t);
  }
  if (wave.shape === 'points') return pointsAt(wave.times, wave.values, t);
  const { low, high, rise, width, fall } = wave;
  const s = sinceStart(wave, t);
  if (s < 0 || s >= rise + width + fall) return low;
  if (s < rise) return low + ((high - low) * s) / rise;
  if (s < rise + width) return high;
  return high - ((high - low) * (s - rise - width)) / fall;
}

/** The next corner of a waveform after `t`; for a sine, a twentieth of its period on; Infinity for what stays as it is. */
export function waveCorner(wave: Waveform, t: number): number {
  const later = (moment: number): boolean => moment > t + 1e-12 * Math.max(1e-6, Math.abs(t));
  if (wave.shape === 'sine') return wave.amplitude === 0 ? Infinity : t + 0.05 / wave.hertz;
  if (wave.shape === 'points') return wave.times.find(later) ?? Infinity;
  const { low, high, delay, rise, width, fall, period } = wave;
  if (low === high) return Infinity;
  const turn = period > 0 && t > delay ? Math.floor((t - delay) / period) : 0;
  for (const n of [turn, turn + 1]) {
    const start = delay + n * period;
    const corners = [start, start + rise, start + rise + width, start + rise + width + fall];
    const next = corners.find(later);
    if (next !== undefined) return next;
    if (period === 0) break;
  }
  return Infinity;
}

function sinceStart(wave: Extract<Waveform, { shape: 'pulse' }>, t: number): number {
  const s = t - wave.delay;
  return wave.period > 0 && s > 0 ? s - wave.period * Math.floor(s / wave.period) : s;
}

function pointsAt(times: readonly number[], values: readonly number[], t: number): number {
  let i = 0;
  while (i < times.length && times[i] <= t) i++;
  if (i === 0) return values[0] ?? 0;
  if (i === times.length) return values[i - 1];
  const share = (t - times[i - 1]) / (times[i] - times[i - 1]);
  return values[i - 1] + share * (values[i] - values[i - 1]);
}
