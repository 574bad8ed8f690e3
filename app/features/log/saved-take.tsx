import { Play, Square, X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { notSavedWords } from '~/storage'
import { deleteTake, loadTakeSound, type SavedTake } from '~/storage/takes'
import { IconButton } from '~/ui/icon-button'
import { ErrorText } from '~/ui/parts'

/** A take that was kept of a session: heard and deleted here. */
export function SavedTakePart({ take, name }: { take: SavedTake; name: string }) {
  const audio = useRef<HTMLAudioElement>(null)
  const [playing, setPlaying] = useState(false)
  const [trouble, setTrouble] = useState('')
  const stop = () => {
    const player = audio.current
    audio.current = null
    player?.pause()
    if (player) URL.revokeObjectURL(player.src)
    setPlaying(false)
  }
  useEffect(() => () => audio.current?.pause(), [])
  const play = async () => {
    const sound = await loadTakeSound(take.id)
    if (!sound.ok || !sound.value) {
      setTrouble('The sound of this take cannot be read.')
      return
    }
    const player = new Audio(URL.createObjectURL(new Blob([sound.value], { type: 'audio/wav' })))
    player.onended = stop
    audio.current = player
    setPlaying(true)
    await player.play().catch(() => {
      // What was stopped before it began is no trouble.
      if (audio.current !== player) return
      stop()
      setTrouble('This browser cannot play it.')
    })
  }
  const remove = async () => {
    stop()
    const done = await deleteTake(take.id)
    if (!done.ok) setTrouble(notSavedWords(done.error))
  }
  return (
    <span className="flex basis-full items-center gap-1 pl-18 text-(--quiet)">
      <IconButton
        size="tiny"
        label={`${playing ? 'Stop' : 'Hear'} the take: ${name}`}
        onClick={() => (playing ? stop() : void play())}
      >
        {playing ? <Square size={12} aria-hidden /> : <Play size={13} aria-hidden />}
      </IconButton>
      a take of {Math.max(1, Math.round(take.seconds))} s, {(take.bytes / 1e6).toFixed(1)} MB
      <IconButton size="tiny" label={`Delete the take: ${name}`} onClick={() => void remove()}>
        <X size={14} aria-hidden />
      </IconButton>
      <ErrorText words={trouble} />
    </span>
  )
}
