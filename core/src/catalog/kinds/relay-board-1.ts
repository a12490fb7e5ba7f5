import { relayBoard } from '../relay-board.js';

export const relayBoard1 = relayBoard(1);
