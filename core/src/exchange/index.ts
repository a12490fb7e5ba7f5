export { designShape, largestFile } from './design-shape.js';
export { checkDocument, readDesign, type ReadResult } from './read-design.js';
export { fileNameFor, fileStem, writeDesign } from './write-design.js';
export { problemText } from './problem-text.js';
export type {
  DesignMakeup,
  DesignSketch,
  DesignSummary,
  RemovedDesign,
  ShelfAnswer,
  StoredDesign,
  StoredStudy,
  StudyState,
  StudySummary,
} from './stored.js';
export { areTrials, checkStudy, mostTrials, type StudyResult } from './study-shape.js';
export { parseReadingSets, type ReadingSetsResult } from './parse-reading-sets.js';
export { parseRecording, type RecordingResult } from './parse-recording.js';
export { readHappening } from './read-happening.js';
export { writeHookUpCsv, writeHookUpMarkdown } from './write-hook-up.js';
export { daysInBin } from './stored.js';
export {
  guessLog,
  LogError,
  LogReader,
  longestLog,
  parseTyped,
  type CountsPer,
  type Log,
  type LogGuess,
  type LogMapping,
  type ReadingUnit,
} from './read-log.js';
export { writeReadings } from './write-readings.js';
export { writeVcd } from './write-vcd.js';
export { writeLogCsv } from './write-log-csv.js';
export { writeRehearsalCsv } from './write-rehearsal-csv.js';
export { readScxml, type ScxmlResult } from './read-scxml.js';
export { writeScxml } from './write-scxml.js';
export { cellText, textCell } from './csv-cell.js';
export { misshapes, mostProblems, placeOf } from './list-shape.js';
export { answersShape } from './answers-shape.js';
