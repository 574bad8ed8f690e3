import { useEffect, useRef, useState } from 'react'
import {
  type LoopOptions,
  type LoopStretch,
  loopSeconds,
  type SequenceSound,
  sequenceSeconds,
} from '~/core/sound'
import { useSettings } from '~/live/use-live'
import { Button } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import type { SoundFormat } from '~/workers'

/** An hour of sound is 300 MB: more is not made in one file. */
const MAX_SECONDS = 3600
const TYPES = { wav: 'audio/wav', opus: 'audio/ogg' } as const
const ENDINGS = { wav: 'wav', opus: 'ogg' } as const

type State =
  | { readonly kind: 'idle'; readonly said: string }
  | { readonly kind: 'working'; readonly control: AbortController; readonly share: number }

interface SaveSoundProps {
  readonly name: string
  readonly stretches?: () => readonly LoopStretch[]
  /** In place of stretches: licks in a row, without a break. */
  readonly sequence?: () => SequenceSound
  readonly options: LoopOptions
}

/** Saves licks as a sound file, uncompressed or small, made off the main thread, with the way to give it up. */
export function SaveSound({ name, stretches, sequence, options }: SaveSoundProps) {
  const [state, setState] = useState<State>({ kind: 'idle', said: '' })
  const { sound } = useSettings().settings
  const working = useRef<AbortController | null>(null)
  useEffect(() => () => working.current?.abort(), [])
  const save = async (format: SoundFormat) => {
    const [wanted, inRow] = [stretches?.() ?? [], sequence?.()]
    if ((inRow ? sequenceSeconds(inRow) : loopSeconds(wanted)) > MAX_SECONDS) {
      setState({ kind: 'idle', said: 'That is more than an hour: choose fewer rounds.' })
      return
    }
    const control = new AbortController()
    working.current = control
    setState({ kind: 'working', control, share: 0 })
    let said = ''
    try {
      const { renderLoopFile } = await import('~/workers')
      const { bytes } = await renderLoopFile(
        {
          stretches: wanted,
          ...(inRow && { sequence: inRow }),
          options: { ...options, choice: sound },
          format,
        },
        {
          signal: control.signal,
          onTold: ({ done, all }) =>
            setState({ kind: 'working', control, share: all === 0 ? 0 : done / all }),
        },
      )
      saveFile(`${name}.${ENDINGS[format]}`, TYPES[format], bytes)
    } catch (error) {
      const told = error instanceof Error && error.message.endsWith('.') ? error.message : ''
      said = control.signal.aborted
        ? 'Cancelled.'
        : told || 'It could not be made. Try fewer rounds.'
    }
    setState({ kind: 'idle', said })
  }
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        {state.kind === 'working' ? (
          <Button onClick={() => state.control.abort()}>
            Making it, {Math.round(state.share * 100)} % … Cancel
          </Button>
        ) : (
          <>
            <Button onClick={() => void save('wav')}>Save as WAV</Button>
            <Button onClick={() => void save('opus')}>Save as Opus (small)</Button>
          </>
        )}
      </div>
      <p role="status" className="text-(--quiet) text-sm empty:hidden">
        {state.kind === 'idle' ? state.said : ''}
      </p>
    </>
  )
}
