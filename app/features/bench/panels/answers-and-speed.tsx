import { AnswersPanel } from './answers-panel'
import { SpeedPanel } from './speed-panel'

/** What is asked of every line, answered, and how fast it goes. */
export default function AnswersAndSpeed() {
  return (
    <div className="flex min-w-0 flex-col gap-6">
      <AnswersPanel />
      <SpeedPanel />
    </div>
  )
}
