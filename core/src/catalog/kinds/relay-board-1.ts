import type { PartKind } from '../part-kind.js';
import { relayBoard } from '../relay-board.js';

export const relayBoard1: PartKind = relayBoard(1);
