export {
  dueAfter,
  type LickLog,
  lickLogs,
  minutesByDay,
  type Neglected,
  neglectedLicks,
  onGrid,
  type Rating,
  type Sitting,
  speedJump,
} from './log'
