import type { PartKind } from '../part-kind.js';
import { relayBoard } from '../relay-board.js';

export const relayBoard2: PartKind = relayBoard(2);
