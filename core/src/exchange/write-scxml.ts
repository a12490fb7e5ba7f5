import { XMLBuilder } from 'fast-xml-parser';
import type { Act, Design, Machine, Transition } from '../design/index.js';
import { writeCondition } from './condition-text.js';

/** An element for the builder, which keeps the order of what is in it. */
type Element = Record<string, unknown>;

const element = (
  name: string,
  attributes: Record<string, string | undefined>,
  children: Element[] = [],
): Element => ({
  [name]: children,
  ':@': Object.fromEntries(
    Object.entries(attributes).filter((entry): entry is [string, string] => entry[1] !== undefined),
  ),
});

/** The event that tells that a mode has held for the time of one of its transitions. */
export const waited = (machine: string, index: number): string => `waited.${machine}.${index}`;

/**
 * The charts of a design as W3C SCXML 1.0: one parallel state, in it a state for each chart, in it one for each
 * mode. Conditions are `cond` expressions (condition-text.ts); times are delayed events; counts are data.
 */
export function writeScxml(design: Pick<Design, 'title' | 'machines' | 'counters'>): string {
  const data = design.counters.map((c) => element('data', { id: c.id, expr: String(c.start) }));
  const charts = design.machines.map(chart);
  const root = element(
    'scxml',
    {
      xmlns: 'http://www.w3.org/2005/07/scxml',
      'xmlns:yurei': 'urn:yurei:scxml',
      version: '1.0',
      datamodel: 'ecmascript',
      name: design.title,
    },
    [
      ...(data.length > 0 ? [element('datamodel', {}, data)] : []),
      element('parallel', { id: 'all' }, charts),
    ],
  );
  const builder = new XMLBuilder({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    format: true,
    indentBy: '  ',
    suppressEmptyNode: true,
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n${String(builder.build([root])).trim()}\n`;
}

function chart(machine: Machine): Element {
  const { id, start, modes, transitions } = machine;
  const states = modes.map((mode) => {
    const own = transitions
      .map((transition, index) => ({ transition, index }))
      .filter(({ transition: t }) =>
        t.from === undefined ? t.to !== mode.id : t.from === mode.id,
      );
    const waits = own.filter(({ transition }) => transition.after !== undefined);
    return element('state', { id: `${id}.${mode.id}`, 'yurei:name': mode.name }, [
      ...(waits.length > 0
        ? [
            element(
              'onentry',
              {},
              waits.map(({ transition, index }) => send(machine, transition, index)),
            ),
            element(
              'onexit',
              {},
              waits.map(({ index }) => element('cancel', { sendid: waited(id, index) })),
            ),
          ]
        : []),
      ...own.map(({ transition, index }) => way(machine, transition, index)),
    ]);
  });
  return element(
    'state',
    {
      id,
      initial: `${id}.${start}`,
      'yurei:name': machine.name,
      'yurei:kept': machine.kept ? 'true' : undefined,
    },
    states,
  );
}

const send = ({ id }: Machine, { after = 0 }: Transition, index: number): Element =>
  element('send', { id: waited(id, index), event: waited(id, index), delay: `${after}s` });

function way(
  { id }: Machine,
  { from, to, when, after, then = [] }: Transition,
  index: number,
): Element {
  return element(
    'transition',
    {
      event: after === undefined ? undefined : waited(id, index),
      cond: when && writeCondition(when),
      target: `${id}.${to}`,
      'yurei:any': from === undefined ? String(index) : undefined,
    },
    then.map(done),
  );
}

function done(act: Act): Element {
  if (act.do === 'count')
    return element('assign', { location: act.counter, expr: `${act.counter} + ${act.by}` });
  if (act.do === 'set') return element('assign', { location: act.counter, expr: String(act.to) });
  return element('raise', { event: `${act.do}.${act.sequence}` });
}
