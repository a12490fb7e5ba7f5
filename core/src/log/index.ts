export { calledIn, eventOf, type BoardEvent, type EventKind } from './event-line.js';
export {
  logged,
  mostEvents,
  noLog,
  readLog,
  type BoardLog,
  type LoggedEvent,
} from './board-log.js';
export { summaryOf, type LogSummary } from './log-summary.js';
