import { piecesOf, type Judging } from './judging';
import { eachInPool, halfOfAll } from './pool';

export const judgingInWorkers: Judging = {
  outcomes: (design, edits) =>
    eachInPool(
      piecesOf(design, edits),
      async (bench, piece) => ({
        ...piece,
        outcomes: await bench.outcomes(design, piece.scene, piece.edit),
      }),
      halfOfAll(),
    ),
};
