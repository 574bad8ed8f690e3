import { useSlices } from '~/live/use-slices'
import { EmptyState } from '~/ui/parts'
import { dayOf } from '~/words/calendar'
import { plural, tempoFigure } from '~/words/figures'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { logWords } from '../words'

/** So many sessions are listed; all of them are in the log. */
const MAX_LISTED = 30

/** What the log has of this lick: how far it is, and its last sessions. */
export function HistoryPanel({ room }: { room: PracticeRoom }) {
  const { sessions } = useSlices(room).world
  const { log } = usePractised(room)
  const now = Date.now()
  const last = [...sessions].sort((a, b) => b.createdAt - a.createdAt).slice(0, MAX_LISTED)
  if (!log) return <EmptyState>Not practised yet: what you play here is written down.</EmptyState>
  return (
    <>
      <p className="text-sm">{logWords(log)}</p>
      <ul aria-label="Last sessions" className="flex flex-col text-sm">
        {last.map(({ id, createdAt, step, tempo, repeats, rating, tense }) => (
          <li key={id} className="flex gap-x-3 border-base-300 border-t py-1">
            <span className="w-12 shrink-0 text-(--quiet) tabular-nums">
              {dayOf(createdAt, now)}
            </span>
            <span className="w-10 shrink-0 text-right font-semibold tabular-nums">
              {tempoFigure(tempo)}
            </span>
            <span className="min-w-0 grow">
              {step}
              <span className="block text-(--quiet) text-xs">
                {plural(repeats, 'time')}
                {rating && `, ${rating}`}
                {tense && ', tense'}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </>
  )
}
