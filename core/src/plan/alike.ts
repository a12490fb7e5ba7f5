import { orChannels, wholeOf, type Condition } from '../condition/index.js';
import {
  applyEdit,
  EditError,
  splitRef,
  type Design,
  type Edit,
  type Place,
} from '../design/index.js';
import { branchOf, Draft, duplicateChannel } from '../wiring/index.js';

/**
 * More sensors like one, each wired as that one is and read by a channel of its own; whatever begins by the channel of the
 * one begins by theirs too.
 *
 * @param like id of the part
 * @param places where they stand, one each
 * @throws EditError when no channel reads the sensor, or no pin is free for another
 */
export function addAlike(design: Design, like: string, places: readonly Place[]): Edit {
  const sensor = design.parts.find((p) => p.id === like);
  const channel = design.channels.find(
    ({ pin }) => splitRef(pin).part === like || branchOf(design, pin).includes(like),
  );
  if (!sensor || !channel)
    throw new EditError(`No channel reads ${sensor?.name ?? like}: there is nothing to copy.`);
  const draft = new Draft(design);
  const added = places.map((place) => {
    const before = draft.design;
    draft.make(duplicateChannel(before, channel.id));
    const { parts, channels } = draft.design;
    const part = parts.find(
      (p) => p.kind === sensor.kind && !before.parts.some((b) => b.id === p.id),
    );
    const fresh = channels.find((c) => !before.channels.some((b) => b.id === c.id));
    if (!part || !fresh) throw new EditError(`${sensor.name} can not be copied.`);
    const alike = parts.filter((p) => p.kind === sensor.kind).length;
    draft.make({ type: 'place-part', id: part.id, place });
    draft.make({ type: 'rename-part', id: part.id, name: `${sensor.name} ${alike}` });
    return fresh.id;
  });
  beginBy(draft, channel.id, added);
  const count = places.length === 1 ? 'another' : `${places.length} more of`;
  return draft.edit(`add ${count} ${sensor.name}`);
}

/**
 * Puts a sensor in the first of some places and more like it in the others.
 *
 * @throws EditError as `addAlike`
 */
export function spreadAlike(design: Design, like: string, places: readonly Place[]): Edit {
  const [place, ...others] = places;
  const edits: Edit[] = place ? [{ type: 'place-part', id: like, place }] : [];
  if (others.length > 0) edits.push(addAlike(edits.reduce(applyEdit, design), like, others));
  return { type: 'batch', label: `spread ${places.length} sensors`, edits };
}

/** Rules and charts that ask for a channel take others for it too. */
function beginBy(draft: Draft, channel: string, others: readonly string[]): void {
  const { rules, machines } = draft.design;
  const asks = (when: Condition): boolean =>
    wholeOf(when).some((c) => c.is === 'channel' && c.channel === channel);
  for (const rule of rules.filter(({ when }) => asks(when))) {
    const when = orChannels(rule.when, channel, others);
    draft.make({ type: 'put-rule', rule: { ...rule, when } });
  }
  for (const machine of machines.filter((m) => m.transitions.some((t) => t.when && asks(t.when)))) {
    const transitions = machine.transitions.map((t) =>
      t.when ? { ...t, when: orChannels(t.when, channel, others) } : t,
    );
    draft.make({ type: 'put-machine', machine: { ...machine, transitions } });
  }
}
