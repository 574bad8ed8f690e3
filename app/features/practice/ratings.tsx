import { ArrowDown, ArrowLeft, ArrowRight } from 'lucide-react'
import type { Rating } from '~/core/log'
import { PlayButton } from '~/playback/play-button'
import { tempoFigure } from '~/words/figures'

const RATES = [
  { rating: 'clean', Arrow: ArrowRight, key: 'ArrowRight' },
  { rating: 'rough', Arrow: ArrowDown, key: 'ArrowDown' },
  { rating: 'lost', Arrow: ArrowLeft, key: 'ArrowLeft' },
] as const

/** Start and stop, and how it went: large enough for a stick's end. */
export function Ratings({
  playing,
  up,
  down,
  onPlay,
  onRate,
}: {
  playing: boolean
  /** The tempos above and below this one; undefined at the ends of the ladder. */
  up: number | undefined
  down: number | undefined
  onPlay: () => void
  onRate: (rating: Rating) => void
}) {
  const words = {
    clean: up === undefined ? 'the top of the ladder' : `up to ${tempoFigure(up)}`,
    rough: 'stay here',
    lost: down === undefined ? 'back down' : `down to ${tempoFigure(down)}`,
  }
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
          className="flex h-20 items-center justify-between gap-2 rounded-box border border-base-300 bg-base-100 px-3 text-left hover:bg-base-300 sm:px-5"
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
