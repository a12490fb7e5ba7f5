import type { PartKind } from '../part-kind.js';
import { relayBoard } from '../relay-board.js';

export const relayBoard4: PartKind = relayBoard(4);
