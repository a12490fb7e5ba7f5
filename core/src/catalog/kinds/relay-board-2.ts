import { relayBoard } from '../relay-board.js';

export const relayBoard2 = relayBoard(2);
