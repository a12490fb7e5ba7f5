import {
  and,
  as,
  bool,
  call,
  choice,
  ms,
  milliseconds,
  name,
  or,
  real,
  set,
  signs,
  when,
  whole,
  type Declaration,
  type Expression,
  type FunctionDeclaration,
  type Statement,
} from '../code/index.js';
import type { Amount, Drive } from '../design/index.js';
import type { Frame } from './frame.js';

/** What an output is asked for: on or off, or a share of full. */
export type Wanted = { on: Expression } | { share: Expression };

/** What a drive asks for, where it began so long ago; functions that it takes go to `declares`. */
export function wantedBy(
  frame: Frame,
  drive: Drive,
  gone: Expression,
  base: string,
  declares: Declaration[],
): Wanted {
  switch (drive.as) {
    case 'on':
      return { on: bool(true) };
    case 'off':
      return { on: bool(false) };
    case 'level':
      return { share: shareOf(frame, drive.level) };
    case 'pattern': {
      const always = alwaysIs(drive);
      if (always !== undefined) return { on: bool(always) };
      const beats = beatFunction(frame, drive, base);
      declares.push(beats);
      return { on: call(beats.name, gone) };
    }
  }
}

/** As a share, whatever it is. */
export const asShare = (wanted: Wanted): Expression =>
  'share' in wanted ? wanted.share : choice(wanted.on, real(1), real(0));

function shareOf(frame: Frame, amount: Amount): Expression {
  if (typeof amount === 'number') return real(Math.min(1, Math.max(0, amount)));
  if ('counter' in amount)
    return call(
      frame.share,
      signs('/', as('real', name(frame.counter(amount.counter))), real(amount.of)),
    );
  const { value, isRead } = frame.channel(amount.channel);
  const way = signs(
    '/',
    signs('-', as('real', value), real(amount.from)),
    real(amount.to - amount.from),
  );
  return choice(isRead, call(frame.share, way), real(0));
}

/** The function that keeps a share between nothing and all. */
export function shareFunction(called: string): Declaration {
  const of = name('of');
  return {
    declares: 'function',
    ...{ name: called, gives: 'real', takes: [{ name: 'of', type: 'real' }] },
    body: [
      ...when(signs('<', of, real(0)), [{ do: 'return', value: real(0) }]),
      { do: 'return', value: choice(signs('>', of, real(1)), real(1), of) },
    ],
    note: 'A share between 0 and 1.',
  };
}

type Pattern = Extract<Drive, { as: 'pattern' }>;

/** What a pattern is that never changes: no beats, or none that are off. */
function alwaysIs({ beats, times }: Pattern): boolean | undefined {
  if (beats.every((beat) => milliseconds(beat) === 0)) return false;
  if (typeof times === 'number' && times <= 0) return false;
  return times === undefined && beats.length === 1 ? true : undefined;
}

/** On and off in turn, by how long ago it began, ms. */
function beatFunction(
  frame: Frame,
  { beats, times, pause }: Pattern,
  base: string,
): FunctionDeclaration {
  const called = frame.names.extend(base, 'Beats');
  const gone = name('gone');
  const steps = beats.map(milliseconds);
  const round = steps.reduce((sum, beat) => sum + beat, 0);
  const finish = (body: Statement[]): FunctionDeclaration => ({
    declares: 'function',
    ...{ name: called, gives: 'bool', body },
    takes: [{ name: 'gone', type: 'moment' }],
    note: `On for ${beats.map((b, i) => (i % 2 === 0 ? `${b} s` : `off for ${b} s`)).join(', ')}.`,
  });
  const beat: Statement = {
    do: 'return',
    value: beatAt(steps, signs('%', gone, whole(round, 'moment'))),
  };
  if (times === undefined) return finish([beat]);
  if (typeof times === 'number') {
    const played = times * round;
    return finish(
      limited(
        whole(played, 'moment'),
        pause === undefined ? undefined : ms((played + milliseconds(pause)) / 1000),
        beat,
      ),
    );
  }
  const often = name(frame.counter(times.counter));
  const played = name('played');
  const cycle = pause === undefined ? undefined : signs('+', played, ms(pause));
  return finish([
    ...when(signs('<=', often, whole(0, 'long')), [{ do: 'return', value: bool(false) }]),
    {
      do: 'let',
      name: 'played',
      type: 'moment',
      value: signs('*', as('moment', often), whole(round, 'moment')),
    },
    ...limited(played, cycle, beat),
  ]);
}

/** So long, then off: for good, or until the cycle begins anew. */
function limited(played: Expression, cycle: Expression | undefined, beat: Statement): Statement[] {
  const gone = name('gone');
  if (!cycle)
    return [...when(signs('>=', gone, played), [{ do: 'return', value: bool(false) }]), beat];
  return [
    set(gone, signs('%', gone, cycle)),
    ...when(signs('>=', gone, played), [{ do: 'return', value: bool(false) }]),
    beat,
  ];
}

/** On in the first, third … of some beats. */
function beatAt(steps: readonly number[], within: Expression): Expression {
  let begins = 0;
  const on: Expression[] = [];
  steps.forEach((beat, i) => {
    const ends = begins + beat;
    const last = i === steps.length - 1;
    if (i % 2 === 0 && beat > 0)
      on.push(
        and(
          begins > 0 ? signs('>=', within, whole(begins, 'moment')) : bool(true),
          last ? bool(true) : signs('<', within, whole(ends, 'moment')),
        ),
      );
    begins = ends;
  });
  return or(...on);
}
