export {
  dueAfter,
  type LickLog,
  lickLogs,
  minutesByDay,
  type Neglected,
  neglectedLicks,
  onGrid,
  type PracticeSession,
  type Rating,
  type StepLog,
  speedJump,
} from './log'
