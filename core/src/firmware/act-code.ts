import { call, name, signs, whole, type Expression, type Statement } from '../code/index.js';
import type { Act } from '../design/index.js';
import type { Frame } from './frame.js';

/** Does something once. What does is in the midst of a change: that something comes of it needs not be told. */
export const actCode = (frame: Frame, act: Act): Statement => ({
  do: 'call',
  call: calls(frame, act),
});

function calls(frame: Frame, act: Act): Expression {
  if (act.do === 'play' || act.do === 'stop') return call(frame.does(act.do, act.sequence));
  const counter = name(frame.counter(act.counter));
  const to =
    act.do === 'set'
      ? whole(act.to, 'long')
      : signs(act.by < 0 ? '-' : '+', counter, whole(Math.abs(act.by), 'long'));
  return call(frame.does('count', act.counter), to);
}
