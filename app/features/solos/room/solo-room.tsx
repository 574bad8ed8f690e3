import { ListOrdered, SlidersHorizontal } from 'lucide-react'
import { type ReactNode, type RefObject, useCallback, useMemo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link } from 'react-router'
import { TEMPO_RANGE } from '~/core/line'
import type { Rating } from '~/core/log'
import { CLICK_MARKS, type ClickMark, type Position } from '~/core/performance'
import type { Section, Solo } from '~/core/solo'
import { useSettings } from '~/live/use-live'
import { Checkbox } from '~/ui/checkbox'
import { Labelled, SelectField } from '~/ui/field'
import { NumberField } from '~/ui/number-field'
import { Button, ErrorText } from '~/ui/parts'
import { CLICK_WORDS } from '~/words/click-words'
import { tempoFigure } from '~/words/figures'
import { partName } from '~/words/solo-words'
import { BarFigure, BigCount, Hands, RoomDock, stillWords, useLights } from '../../practice'
import { endOf, type Stretch, type useSoloSound, WHOLE } from '../use-solo-sound'
import { aheadWords, soloBar, soloPhaseAt } from './solo-bars'

const PANELS = [
  { id: 'parts', name: 'Parts', icon: ListOrdered },
  { id: 'playing', name: 'Playing', icon: SlidersHorizontal },
] as const
type Panel = (typeof PANELS)[number]['id']

/** Bars shown ahead of the one that sounds. */
const AHEAD = ['next', 'then'] as const
const RATING_KEYS: Readonly<Record<string, Rating>> = {
  ArrowRight: 'clean',
  ArrowDown: 'rough',
  ArrowLeft: 'lost',
}

interface SoloRoomProps {
  readonly solo: Solo
  readonly sections: readonly Section[]
  readonly sound: ReturnType<typeof useSoloSound>
  readonly stretch: Stretch
  readonly tempo: number
  readonly loops: boolean
  readonly host: RefObject<HTMLDivElement | null>
  readonly onTempo: (tempo: number) => void
  readonly onLoops: (loops: boolean) => void
  /** Chooses what is played, and begins it. */
  readonly onPlay: (stretch: Stretch, loop: boolean) => void
  readonly onLeave: () => void
  /** What is to be said of the solo as a document. */
  readonly children: ReactNode
}

/** A solo to be practised: the bar that sounds and the next two, seen from two metres; rated, and logged. */
export function SoloRoom(props: SoloRoomProps) {
  const { solo, sections, sound, stretch, tempo, host } = props
  const { playing, position, toggle } = sound
  const { settings } = useSettings()
  const first = sections[Math.min(stretch.from, Math.max(0, sections.length - 1))]
  const began = first?.from ?? 0
  const end = endOf(sections, stretch.to)
  const bar = Math.max(first?.barsBefore ?? 0, sound.bar ?? -1)
  const now = useMemo(() => soloBar(solo, sections, bar), [solo, sections, bar])
  const ahead = useMemo(
    () =>
      AHEAD.flatMap((when, i) => {
        const shown = bar + i + 1 < end ? soloBar(solo, sections, bar + i + 1) : undefined
        return shown ? [{ when, shown }] : []
      }),
    [solo, sections, bar, end],
  )
  const phaseOf = useCallback(
    (at: Position | undefined) => soloPhaseAt(at, sections, began, now?.slots ?? []),
    [sections, began, now],
  )
  const says = useCallback(
    ({ name }: { name: string }) =>
      name === 'still' ? stillWords() : name === 'count-in' ? 'counting in' : (now?.name ?? ''),
    [now],
  )
  useLights(playing, position, phaseOf, says, host)
  const { rateable } = sound
  useHotkeys(
    'right, down, left',
    ({ code }) => {
      const rating = RATING_KEYS[code]
      if (rating) sound.rate(rating)
    },
    { enabled: settings.singleKeys && rateable, preventDefault: true },
  )
  useHotkeys('escape', props.onLeave, { enabled: !playing, ignoreEventWhen: isTaken })
  const [panel, open] = useState<Panel | null>(() =>
    globalThis.innerWidth >= 1024 ? 'parts' : null,
  )
  const words = `at ${tempoFigure(tempo)} bpm`
  return (
    <div ref={host} data-phase="still" data-panel={panel ?? undefined} className="room group">
      <header className="room-top">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="min-w-0 truncate font-semibold text-2xl tracking-tight">
            <Link to="?" replace className="hover:underline" title="Back to the solo’s page">
              {solo.title || 'Untitled solo'}
            </Link>
          </h1>
          <p className="text-(--quiet)">{stretch.words}</p>
        </div>
      </header>
      <div className="room-main">
        <BigCount beats={now?.beats ?? 4} playing={playing} onTap={toggle} />
        <div className="room-words">
          <p data-phase-words className="min-w-0 truncate text-primary">
            {stillWords()}
          </p>
          <p className="tabular-nums">{tempoFigure(tempo)} bpm</p>
          {now && (
            <p className="tabular-nums">
              bar {bar + 1} of {endOf(sections, sections.length)}
            </p>
          )}
        </div>
        <div className="room-line">
          {now && <BarFigure title={`now: ${now.name}`} bar={now} still={now.part} lit />}
          <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
            {ahead.map(({ when, shown }) => (
              <BarFigure
                key={shown.index}
                title={`${when}: ${shown.name}`}
                bar={shown}
                still={shown.part}
              />
            ))}
          </div>
        </div>
        <section aria-label="What to do now" className="room-said">
          <p className="font-semibold text-lg leading-snug">
            {sections.length === 0
              ? 'This solo has no parts yet.'
              : aheadWords(solo, sections, bar, end)}
          </p>
          <p role="status" className="text-sm empty:hidden">
            {sound.rated &&
              `Rated ${sound.rated.rating} at ${tempoFigure(sound.rated.tempo)}: it is in the log.`}
          </p>
          <ErrorText words={sound.trouble} />
          {props.children}
        </section>
        <Hands
          playing={playing}
          disabled={!rateable}
          words={{ clean: words, rough: words, lost: words }}
          onPlay={toggle}
          onRate={sound.rate}
        />
      </div>
      <RoomDock panels={PANELS} open={panel} onOpen={open}>
        {panel === 'parts' && <PartsPanel {...props} />}
        {panel === 'playing' && <PlayingPanel {...props} />}
      </RoomDock>
    </div>
  )
}

/** What of the solo is played: the whole, from any part on, or one part over and over. */
function PartsPanel({ solo, sections, stretch, onPlay }: SoloRoomProps) {
  const parts = solo.parts.flatMap((part, at) => {
    const from = sections.findIndex((section) => section.part === at)
    const to = sections.findLastIndex((section) => section.part === at) + 1
    if (from < 0) return []
    return [{ id: part.id, name: partName(part), from, to, bar: sections[from]?.barsBefore }]
  })
  return (
    <>
      <Button onClick={() => onPlay({ ...WHOLE }, false)}>Play the whole solo</Button>
      <ol aria-label="Parts" className="flex flex-col">
        {parts.map(({ id, name, from, to, bar = 0 }) => (
          <li
            key={id}
            className="flex items-center gap-2 border-base-300 border-t py-1 text-sm"
            aria-current={stretch.from === from ? 'true' : undefined}
          >
            <span className="w-8 shrink-0 text-(--quiet) tabular-nums">{bar + 1}</span>
            <span className="min-w-0 grow truncate">{name}</span>
            <Button
              onClick={() =>
                onPlay({ from, to: WHOLE.to, part: `from ${id}`, words: `from ${name}` }, false)
              }
            >
              From here
            </Button>
            <Button
              onClick={() => onPlay({ from, to, part: `only ${id}`, words: `${name} alone` }, true)}
            >
              Alone
            </Button>
          </li>
        ))}
      </ol>
    </>
  )
}

/** How it is played: tempo, round and round or once, count-in, click. */
function PlayingPanel({ solo, tempo, loops, onTempo, onLoops }: SoloRoomProps) {
  const { settings, change } = useSettings()
  return (
    <>
      <div className="flex flex-wrap items-end gap-2">
        <Labelled words="Tempo">
          <NumberField
            label="Playing tempo"
            className="w-20"
            min={TEMPO_RANGE.least}
            max={TEMPO_RANGE.most}
            whole={false}
            value={tempo}
            onChange={onTempo}
          />
        </Labelled>
        <Button onClick={() => onTempo(solo.tempo)}>Its own: {tempoFigure(solo.tempo)}</Button>
        {solo.goal !== null && (
          <Button onClick={() => onTempo(solo.goal ?? solo.tempo)}>
            Goal: {tempoFigure(solo.goal)}
          </Button>
        )}
      </div>
      <Checkbox checked={loops} onTick={onLoops}>
        Over and over
      </Checkbox>
      <Checkbox checked={settings.countIn} onTick={(countIn) => change({ countIn })}>
        Count-in
      </Checkbox>
      <Checkbox checked={settings.click} onTick={(click) => change({ click })}>
        Click
      </Checkbox>
      <SelectField
        label="The click marks"
        value={settings.clickMarks === 'off' ? 'beats' : settings.clickMarks}
        options={CLICK_MARKS.map((mark) => ({ value: mark, label: CLICK_WORDS[mark] }))}
        onChange={(mark) => change({ clickMarks: mark as ClickMark, click: true })}
      />
    </>
  )
}

/** Whether a key is another's already: of what is open over the page. */
function isTaken({ target, defaultPrevented }: KeyboardEvent): boolean {
  return defaultPrevented || (target instanceof Element && target.closest('dialog') !== null)
}
