import { relayBoard } from '../relay-board.js';

export const relayBoard8 = relayBoard(8);
