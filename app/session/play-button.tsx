import { Play, Square } from 'lucide-react'

/** Starts and stops, large enough for a stick's end; its size and shape are the caller's. */
export function PlayButton({
  playing,
  disabled = false,
  className,
  onPlay,
}: {
  playing: boolean
  disabled?: boolean
  className: string
  onPlay: () => void
}) {
  const Icon = playing ? Square : Play
  return (
    <button
      type="button"
      className={`btn btn-primary ${className}`}
      aria-label={playing ? 'Stop' : 'Play'}
      aria-keyshortcuts="Space"
      disabled={disabled}
      onClick={onPlay}
    >
      <Icon size={28} fill="currentColor" aria-hidden />
    </button>
  )
}
