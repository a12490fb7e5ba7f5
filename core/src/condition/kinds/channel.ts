import { defineCondition } from '../condition-kind.js';
import { name } from '../field.js';

/** A channel answers yes. */
export interface ChannelYes {
  is: 'channel';
  channel: string;
}

export const channelYes = defineCondition<ChannelYes>({
  is: 'channel',
  fields: { channel: name('channel', 'Channel') },
  look: ({ channel }, { view }) => view.channels[channel]?.tripped ?? false,
  why: ({ channel }, asked) => asked.channel(channel),
  answers: ({ channel }) => channel,
  code: ({ channel }, { channel: of }) => of(channel).answers,
  say: (c, words) => words.channel(c.channel),
  phrase: () => [{ field: 'channel' }],
  written: { call: 'yes' },
  offer: {
    label: 'a channel answers yes',
    alone: ({ channels: [first] }) => first && { is: 'channel', channel: first.id },
  },
});
