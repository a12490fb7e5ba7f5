import { relayBoard } from '../relay-board.js';

export const relayBoard4 = relayBoard(4);
