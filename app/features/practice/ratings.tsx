import { ArrowDown, ArrowLeft, ArrowRight } from 'lucide-react'
import type { Rating } from '~/core/log'
import { useSlices } from '~/live/use-slices'
import { PlayButton } from '~/session/play-button'
import { tempoFigure } from '~/words/figures'
import type { PracticeRoom } from './session/room'

const RATES = [
  { rating: 'clean', Arrow: ArrowRight, key: 'ArrowRight' },
  { rating: 'rough', Arrow: ArrowDown, key: 'ArrowDown' },
  { rating: 'lost', Arrow: ArrowLeft, key: 'ArrowLeft' },
] as const

/** Start and stop of what a lick is practised by, and how it went. */
export function Ratings({ room }: { room: PracticeRoom }) {
  useSlices(room)
  const { playing } = useSlices(room.player)
  const words = { clean: onWords(room), rough: 'stay here', lost: downWords(room) }
  return <Hands playing={playing} words={words} onPlay={room.player.toggle} onRate={room.rate} />
}

/** Start and stop, and how it went: large enough for a stick's end. */
export function Hands({
  playing,
  words,
  disabled = false,
  onPlay,
  onRate,
}: {
  playing: boolean
  /** What each rating leads to. */
  words: Readonly<Record<Rating, string>>
  /** Whether there is nothing to be rated. */
  disabled?: boolean
  onPlay: () => void
  onRate: (rating: Rating) => void
}) {
  return (
    <div className="grid grid-cols-3 gap-2 sm:grid-cols-[auto_1fr_1fr_1fr] sm:gap-3">
      <PlayButton
        playing={playing}
        className="col-span-3 h-16 w-full sm:col-span-1 sm:h-20 sm:w-20 sm:rounded-full"
        onPlay={onPlay}
      />
      {RATES.map(({ rating, Arrow, key }) => (
        <button
          key={rating}
          type="button"
          aria-keyshortcuts={key}
          disabled={disabled}
          className="flex h-20 items-center justify-between gap-2 rounded-box border border-base-300 bg-base-100 px-3 text-left hover:bg-base-300 disabled:opacity-60 sm:px-5"
          onClick={() => onRate(rating)}
        >
          <span>
            <span className="block font-semibold text-xl leading-tight sm:text-2xl">{rating}</span>
            <span className="text-(--quiet) text-sm">{words[rating]}</span>
          </span>
          <Arrow size={22} className="shrink-0 text-primary max-sm:hidden" aria-hidden />
        </button>
      ))}
    </div>
  )
}

/** Where clean leads. */
function onWords(room: PracticeRoom): string {
  const { tempos, at, planned, ladder } = room.practised()
  const { rung } = room.player
  const next = room.after('clean')
  const up = tempos[rung + 1]
  if (room.state().choice.loop || next?.step === at)
    return up === undefined ? 'the top of the ladder' : `up to ${tempoFigure(up)}`
  if (!next) return 'the end of the plan'
  const tempo = planned[next.step]?.tempos?.[next.rung] ?? ladder[next.rung]?.tempo
  return tempo === undefined ? 'next step' : `next step, at ${tempoFigure(tempo)}`
}

function downWords(room: PracticeRoom): string {
  const down = room.practised().tempos[room.player.rung - 1]
  return down === undefined ? 'back down' : `down to ${tempoFigure(down)}`
}
