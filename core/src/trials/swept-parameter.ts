import { findKind, type Param, numbersOf } from '../catalog/index.js';
import type { Channel, Design } from '../design/index.js';
import { entry } from '../quantity/index.js';

/** What of a channel can be swept, as a parameter is. */
type ChannelField = 'threshold' | 'hysteresis' | 'every' | 'hits' | 'misses' | 'lockOut';

/** A value of a design that a study sweeps: a parameter of a part, or a field of a channel. */
export type SweptParameter =
  { of: 'part'; part: string; param: string } | { of: 'channel'; channel: string; field: string };

/** A value that can be swept, with what is known of it: its name, unit, limits, and where it stands. */
export interface SweptFacts {
  dial: SweptParameter;
  label: string;
  param: Param;
  value: number;
}

const counts = { unit: '' as const, default: 0, whole: true };
const fields: Readonly<Record<ChannelField, Param>> = {
  threshold: { id: 'threshold', label: 'Threshold', min: 0, max: 4_294_967_295, ...counts },
  hysteresis: { id: 'hysteresis', label: 'Hysteresis', min: 0, max: 4_294_967_295, ...counts },
  every: { id: 'every', label: 'Read every', unit: 's', default: 0.1, min: 1e-3, max: 86_400 },
  hits: { id: 'hits', label: 'Hits in a row', min: 1, max: 10_000, ...counts },
  misses: { id: 'misses', label: 'Misses in a row', min: 1, max: 10_000, ...counts },
  lockOut: { id: 'lockOut', label: 'Lock-out', unit: 's', default: 0, min: 0, max: 86_400 },
};

/** Every value of a design that a study can sweep: channels first, then parts in their order. */
export function sweepableIn(design: Design): SweptFacts[] {
  const ofChannels = design.channels.flatMap((channel) =>
    Object.values(fields).map((param): SweptFacts => ({
      dial: { of: 'channel', channel: channel.id, field: param.id },
      label: `${channel.name}: ${param.label.toLowerCase()}`,
      param,
      value: channel[param.id as ChannelField] ?? 0,
    })),
  );
  const ofParts = design.parts.flatMap((part) => {
    const params = findKind(part.kind)?.params ?? [];
    const values = numbersOf(params, part.params);
    return params
      .filter((param) => !param.choices)
      .map((param): SweptFacts => ({
        dial: { of: 'part', part: part.id, param: param.id },
        label: `${part.name} (${part.id}): ${param.label.toLowerCase()}`,
        param,
        value: entry(values, param.id),
      }));
  });
  return [...ofChannels, ...ofParts];
}

/** What is known of one value; undefined where the design has no such value. */
export const sweptFacts = (design: Design, swept: SweptParameter): SweptFacts | undefined =>
  sweepableIn(design).find((known) => sameParameter(known.dial, swept));

export const sameParameter = (one: SweptParameter, other: SweptParameter): boolean =>
  one.of === 'part'
    ? other.of === 'part' && one.part === other.part && one.param === other.param
    : other.of === 'channel' && one.channel === other.channel && one.field === other.field;

/** The design with one of its values changed. */
export function withValue(design: Design, swept: SweptParameter, value: number): Design {
  if (swept.of === 'part')
    return {
      ...design,
      parts: design.parts.map((part) =>
        part.id === swept.part
          ? { ...part, params: { ...part.params, [swept.param]: value } }
          : part,
      ),
    };
  return {
    ...design,
    channels: design.channels.map((channel): Channel =>
      channel.id === swept.channel ? { ...channel, [swept.field]: value } : channel,
    ),
  };
}
