import { name, real, whole, type Expression } from '../code/index.js';
import type { AskedAt, Held } from '../catalog/index.js';
import type { Board } from './board.js';
import { pinOf } from './pin-of.js';
import type { ChannelParts } from './channel-parts.js';
import { constant } from './frame.js';

/** How a board takes numbers from parts; each gives the counts, or a number below 0 where the part does not answer. */
export interface Takes {
  register?(address: Expression, register: Expression, held: Held): Expression;
  echo?(trigger: Expression, echo: Expression, none: Expression): Expression;
  charge?(from: Expression, at: Expression, perNano: Expression): Expression;
  touch?(at: Expression, product: Expression): Expression;
  /** Whether its bus may be at any of its pins; else it is at those that say so. */
  anyBus?: true;
}

const hex = (of: number): string => `0x${of.toString(16).toUpperCase().padStart(2, '0')}`;

/**
 * A reading of a part that answers by other means than a level or a voltage, with its settings at the top: what they are called, by
 * what ends their names.
 *
 * @throws RangeError where the board cannot take it: that is said among the lacks before
 */
export function partCode(
  parts: ChannelParts,
  board: Board,
  asked: AskedAt,
): { value: Expression; pins: ReadonlyMap<string, string> } {
  const takes = board.takes ?? {};
  const pins = new Map<string, string>();
  const setting = (end: string, value: Expression, note: string): Expression => {
    const called = end === 'Pin' ? parts.own.pin : parts.made(end);
    pins.set(end, called);
    const type = value.is === 'number' ? value.type : 'byte';
    parts.settings.push(constant(called, type, value, note));
    return name(called);
  };
  const byte = (end: string, of: number, note: string): Expression =>
    setting(end, whole(of, 'byte'), note);
  const pin = (end: string, of: string | undefined, note: string): Expression =>
    setting(end, name(board.pin(pinOf(of ?? ''))), note);
  const called = parts.channel.name;
  const found = ((): Expression | undefined => {
    switch (asked.by) {
      case 'register':
        return takes.register?.(
          byte('Address', asked.address, `${hex(asked.address)} on the two-wire bus; ${called}`),
          byte(
            'Register',
            asked.register,
            `${hex(asked.register)}, where its words begin: see its data sheet`,
          ),
          asked.holds,
        );
      case 'echo':
        return takes.echo?.(
          pin('TriggerPin', asked.trigger, called),
          pin('EchoPin', asked.echo, called),
          setting('NoEcho', whole(asked.none, 'long'), 'µs, read where none comes'),
        );
      case 'charge':
        return takes.charge?.(
          pin('DrivePin', asked.from, called),
          pin('Pin', asked.at, called),
          setting('PerNano', real(asked.perNano), 'µs a nanofarad: measure a known one once'),
        );
      case 'touch':
        return takes.touch?.(
          pin('Pin', asked.at, called),
          setting(
            'Product',
            real(asked.product),
            'tenths of a picofarad times what the pin counts',
          ),
        );
    }
  })();
  if (!found) throw new RangeError(`${board.label}: it does not take ${called} so.`);
  return { value: found, pins };
}
