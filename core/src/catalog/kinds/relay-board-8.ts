import type { PartKind } from '../part-kind.js';
import { relayBoard } from '../relay-board.js';

export const relayBoard8: PartKind = relayBoard(8);
