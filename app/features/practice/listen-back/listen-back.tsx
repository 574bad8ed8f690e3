import { Play, Square } from 'lucide-react'
import { nanoid } from 'nanoid'
import { useEffect, useRef, useState } from 'react'
import { formatWav } from '~/codecs/wav'
import type { Lick } from '~/core/line'
import { useSettings } from '~/live/use-live'
import { notSavedWords } from '~/storage'
import { saveTake } from '~/storage/takes'
import { Checkbox } from '~/ui/checkbox'
import { SelectField } from '~/ui/field'
import { Modal } from '~/ui/modal'
import { Button, ErrorText } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { useWidth } from '~/ui/use-width'
import { plural } from '~/words/figures'
import { hitWords, limbWords } from '~/words/heard-words'
import { type Take, type TakeMemory, toListen } from '~/workspace/takes'
import { TakeFigure, widthOf } from './take-figure'
import { SPEEDS, type Speed, useTakePlayer, wavOf } from './use-take-player'

/** Rounds that are heard in a row at the most. */
const IN_A_ROW = 4

type Which = 'last' | 'row' | 'best'

interface ListenBackProps {
  readonly takes: TakeMemory
  /** The session in which they were played; null where it is nobody's. */
  readonly sessionId: string | null
  readonly lick: Lick
  readonly onClose: () => void
}

/** What was played in the last rounds, listened to: how it sounded, and where each stroke was. */
export default function ListenBack({ takes, sessionId, lick, onClose }: ListenBackProps) {
  const { sound } = useSettings().settings
  const [which, setWhich] = useState<Which>('last')
  const [speed, setSpeed] = useState<Speed>(1)
  const [click, setClick] = useState(true)
  const [chosen] = useState(() => ({
    last: takes.last(1),
    row: takes.last(IN_A_ROW),
    best: otherThanLast(takes),
  }))
  const player = useTakePlayer(speed, click, sound)
  const { stop } = player
  const best = chosen.best
  const shown = (which === 'best' ? [best, chosen.last] : [chosen[which]]).filter(
    (take) => take !== null,
  )
  const rounds = chosen.row?.rounds.length ?? 0
  const options = [
    { value: 'last', label: 'the last round' },
    ...(rounds > 1 ? [{ value: 'row', label: `the last ${rounds} rounds` }] : []),
    ...(best ? [{ value: 'best', label: 'the best round, and the last' }] : []),
  ]
  return (
    <Modal label="Listen back" className="w-220 max-w-[calc(100vw-2rem)] p-5" onClose={onClose}>
      {(close) => (
        <div className="flex flex-col gap-4">
          <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
            <h2 className="mr-auto self-center font-semibold text-xl">Listen back</h2>
            <SelectField
              label="Hear"
              className="w-56"
              value={which}
              options={options}
              onChange={(next) => {
                stop()
                setWhich(next as Which)
              }}
            />
            <SelectField
              label="Speed"
              className="w-36"
              value={String(speed)}
              options={SPEEDS.map(([value, label]) => ({ value: String(value), label }))}
              onChange={(next) => setSpeed(Number(next) as Speed)}
            />
            <Checkbox
              checked={click}
              onTick={(next) => {
                stop()
                setClick(next)
              }}
              className="min-h-9 text-sm"
            >
              With the click
            </Checkbox>
          </div>
          {shown.map((take, i) => (
            <TakeRow
              // Both may be of the same round.
              key={i === 0 ? 'first' : 'second'}
              take={take}
              lick={lick}
              title={titleOf(which, i, take)}
              playing={player.playing === take}
              position={player.position}
              onPlay={() => player.play(take)}
              onStop={stop}
              onKeep={sessionId ? () => keepTake(take, sessionId) : null}
              onSave={() => saveFile('take.wav', 'audio/wav', wavOf(take, click ? sound : null))}
            />
          ))}
          {shown.length === 0 && (
            <p className="text-sm">
              The sound of these rounds is not held any more: play some more.
            </p>
          )}
          <ErrorText words={player.trouble} />
          <div className="flex flex-wrap items-center gap-3">
            <p className="mr-auto text-(--quiet) text-sm">
              Above the line is early, below it late. What you do not save is forgotten when you
              leave the page.
            </p>
            {which === 'best' && shown.length === 2 && (
              <Button onClick={() => shown[0] && player.play(shown[0], shown[1])}>
                One after the other
              </Button>
            )}
            <Button onClick={close}>Close</Button>
          </div>
        </div>
      )}
    </Modal>
  )
}

/** Keeps a take with its session, without the click; tells how that went. */
async function keepTake(take: Take, sessionId: string): Promise<string> {
  const sound = formatWav([toListen(take, null)], take.rate)
  const saved = await saveTake(
    {
      ...{ id: nanoid(), sessionId, createdAt: Date.now() },
      ...{ seconds: take.samples.length / take.rate, bytes: sound.length },
    },
    sound,
  )
  return saved.ok ? 'Kept: hear it from the log.' : notSavedWords(saved.error)
}

/** The best round, where that is not the last one anyway. */
function otherThanLast(takes: TakeMemory): Take | null {
  const [best, last] = [takes.best(), takes.last(1)]
  return best?.rounds[0] === last?.rounds[0] ? null : best
}

function titleOf(which: Which, nth: number, { rounds }: Take): string {
  if (which === 'row') return plural(rounds.length, 'round')
  return which === 'best' && nth === 0 ? 'The best round' : 'The last round'
}

interface TakeRowProps {
  readonly take: Take
  readonly lick: Lick
  readonly title: string
  readonly playing: boolean
  readonly position: () => number
  readonly onPlay: () => void
  readonly onStop: () => void
  readonly onSave: () => void
  /** Keeps it in the log, and tells how that went; null where there is no session that it is of. */
  readonly onKeep: (() => Promise<string>) | null
}

/** One take: its picture, what was heard of it, and how to hear it. */
function TakeRow({ take, lick, title, playing, position, ...does }: TakeRowProps) {
  const head = useRef<SVGLineElement>(null)
  const frame = useRef<HTMLElement>(null)
  const room = useWidth(frame)
  const seconds = take.samples.length / take.rate
  useEffect(() => {
    if (!playing) return
    let asked = 0
    const width = widthOf(take, room)
    const follow = () => {
      const x = (position() / seconds) * width
      head.current?.setAttribute('x1', String(x))
      head.current?.setAttribute('x2', String(x))
      // What is longer than there is room for goes along.
      if (frame.current) frame.current.scrollLeft = x - room / 2
      asked = requestAnimationFrame(follow)
    }
    follow()
    return () => cancelAnimationFrame(asked)
  }, [playing, position, seconds, take, room])
  const [kept, setKept] = useState('')
  const { onKeep } = does
  const told = take.rounds.at(-1)?.told
  return (
    <section aria-label={title} className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-circle btn-primary btn-sm"
          aria-label={playing ? `Stop: ${title}` : `Play: ${title}`}
          onClick={playing ? does.onStop : does.onPlay}
        >
          {playing ? (
            <Square size={14} fill="currentColor" aria-hidden />
          ) : (
            <Play size={15} fill="currentColor" aria-hidden />
          )}
        </button>
        <h3 className="font-semibold">{title}</h3>
        {told && take.rounds.length === 1 && (
          <p className="text-(--quiet) text-sm">
            {hitWords(told)}; {told.limbs.map(limbWords).join('; ')}
          </p>
        )}
        <span className="ml-auto flex flex-wrap items-center gap-2">
          {kept ? (
            <span role="status" className="text-sm">
              {kept}
            </span>
          ) : (
            onKeep && <Button onClick={() => void onKeep().then(setKept)}>Keep in the log</Button>
          )}
          <Button onClick={does.onSave}>Save as WAV ({sizeOf(take)})</Button>
        </span>
      </div>
      <section
        ref={frame}
        aria-label={`Strokes of: ${title}`}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: where it is scrolled, it is by keys too
        tabIndex={0}
        className="overflow-x-auto"
      >
        {room > 0 && <TakeFigure take={take} lick={lick} room={room} head={head} />}
      </section>
    </section>
  )
}

/** How large a take is as a file: two bytes a sample. */
function sizeOf({ samples }: Take): string {
  return `${((2 * samples.length) / 1e6).toFixed(1)} MB`
}
