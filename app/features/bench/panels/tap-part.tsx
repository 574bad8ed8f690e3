import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { frameTicks, TEMPO_RANGE } from '~/core/line'
import { formatLine } from '~/core/notation'
import { toSequence } from '~/core/performance'
import { grooveBars } from '~/core/solo'
import type { Limb } from '~/core/sticking'
import { ALL_GRIDS, findGrid, gridName, secondsPerTick, TICKS_PER_QUARTER } from '~/core/time'
import { listenToPads } from '~/devices/pads'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'
import { useSettings } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import { useSounding } from '~/playback/use-sounding'
import { SelectField } from '~/ui/field'
import { LabelledNumber } from '~/ui/number-field'
import { Act, Part, Trouble } from '~/ui/parts'
import { plural } from '~/words/figures'
import { gridWords } from '~/words/grid-words'
import { TapSession } from '~/workspace/tap-session'
import { usePanel } from '../state/use-panel'

/** Keys by the place of the hands on them, and what is tapped on the screen. */
const PADS: readonly (readonly [limb: Limb, name: string, code: string, key: string])[] = [
  ['LH', 'Left', 'KeyF', 'F'],
  ['RH', 'Right', 'KeyJ', 'J'],
  ['RF', 'Kick', 'KeyB', 'B'],
  ['LF', 'Hi-hat', 'KeyN', 'N'],
]
/** Notes of pads that are played by a foot; all others by a hand that cannot be told. */
const FOOT_NOTES: Readonly<Record<number, Limb>> = { 35: 'RF', 36: 'RF', 44: 'LF' }
/** Bars of the click before it comes round. */
const BARS = 16
type Source = 'keys' | 'pads'

/** A line tapped in beside a click, by keys, fingers or pads: the grid is found, another can be chosen. */
export function TapPart() {
  const { lick, onEdit } = usePanel()
  const { settings, change } = useSettings()
  const { meter } = lick.frame
  const { beat, bar } = frameTicks(lick.frame)
  const [tempo, setTempo] = useState(lick.frame.tempo)
  const [source, setSource] = useState<Source>('keys')
  const quarters = (tempo * beat) / TICKS_PER_QUARTER
  const delayMs = settings.tapDelays[source]
  const [session] = useState(() => new TapSession(quarters, delayMs))
  const { phase, taps, wished, found } = useSlices(session)
  useEffect(() => session.goAt(quarters), [session, quarters])
  useEffect(() => session.delayBy(delayMs), [session, delayMs])

  const compose = useCallback(
    () =>
      toSequence([{ lick: grooveBars('none', meter, BARS), pickup: false }], {
        loop: true,
        countIn: true,
      }),
    [meter],
  )
  const perTick = secondsPerTick(tempo, beat)
  const plan = useCallback(() => perTick, [perTick])
  const { playing, trouble, start, stop, position } = useSounding(compose, plan)
  const tapping = phase === 'tapping'
  useEffect(() => {
    if (tapping && !playing) session.stop()
  }, [tapping, playing, session])

  const heard = useRef({ position, perTick })
  heard.current = { position, perTick }
  const strike = useCallback(
    (limb: Limb, stamp: number, from: Source, velocity?: number) => {
      // When it was struck, and not when the page came to it.
      const ago = Math.max(0, performance.now() - stamp) / 1000
      const at = heard.current.position(-ago)
      if (!at || at.phase === 'over') return
      const ticks = at.phase === 'round' ? at.played : at.tick - bar
      setSource(from)
      session.tap({
        ms: ticks * heard.current.perTick * 1000,
        limb,
        ...(velocity !== undefined && { velocity }),
      })
    },
    [session, bar],
  )
  useEffect(() => {
    if (!tapping) return
    const press = (event: KeyboardEvent) => {
      const pad = PADS.find(([, , code]) => code === event.code)
      if (!pad || event.repeat || event.ctrlKey || event.altKey || event.metaKey) return
      event.preventDefault()
      event.stopPropagation()
      strike(pad[0], event.timeStamp, 'keys')
    }
    // Before anything else on the page takes these letters for its own.
    window.addEventListener('keydown', press, { capture: true })
    const end = listenToPads(({ at, note, velocity }) =>
      strike(FOOT_NOTES[note] ?? 'XH', at, 'pads', velocity),
    )
    return () => {
      window.removeEventListener('keydown', press, { capture: true })
      end()
    }
  }, [tapping, strike])

  const toggle = () => {
    if (playing) {
      stop()
      session.stop()
      return
    }
    session.start()
    start()
  }
  const line = found?.line
  const grids = useMemo(
    () => [
      { value: '', label: found && !wished ? `${gridWords(found.grid)}, as found` : 'as found' },
      ...ALL_GRIDS.map((grid) => ({ value: gridName(grid), label: gridWords(grid) })),
    ],
    [found, wished],
  )
  const use = () => {
    if (!found) return
    const frame = { ...lick.frame, grid: found.grid, start: found.start % bar }
    onEdit({ label: 'Tap in a line', lick: { ...lick, frame, line: found.line, parts: [] } })
    stop()
    session.start()
    session.stop()
  }
  const measured = session.measured()
  return (
    <Part title="Tap it in">
      <div className="flex flex-wrap items-end gap-2">
        <button type="button" className="btn btn-primary btn-sm" onClick={toggle}>
          {playing ? 'Stop the click' : 'Start tapping'}
        </button>
        <div className="w-24">
          <LabelledNumber
            label="Click"
            min={TEMPO_RANGE.least}
            max={TEMPO_RANGE.most}
            value={tempo}
            onChange={setTempo}
          />
        </div>
        <SelectField
          label="Grid of the taps"
          className="w-64"
          value={wished ? gridName(wished) : ''}
          options={grids}
          onChange={(name) => session.layOn(findGrid(name) ?? null)}
        />
      </div>
      {tapping && (
        <div className="grid grid-cols-4 gap-1.5">
          {PADS.map(([limb, name, , key]) => (
            <button
              key={limb}
              type="button"
              className="flex h-16 touch-manipulation select-none flex-col items-center justify-center rounded-box border border-base-300 bg-base-100 text-sm active:bg-base-300"
              onPointerDown={(event) => strike(limb, event.timeStamp, 'keys')}
            >
              {name}
              <kbd className="font-mono text-(--quiet) text-xs">{key}</kbd>
            </button>
          ))}
        </div>
      )}
      <p role="status" className="text-(--quiet) text-sm">
        {tapping && taps.length === 0
          ? 'After the count-in, tap: F and J for the hands, B for the kick, N for the hi-hat foot, or pads.'
          : taps.length > 0
            ? tapWords(taps.length, found?.doubtful.length ?? 0)
            : 'Play a line beside the click, by keys, fingers or MIDI pads; it is written as you play.'}
      </p>
      {line && (
        <>
          <PhraseStacks phrase={line} />
          <p className="break-words font-mono text-sm">{formatLine(line)}</p>
          <p className="flex flex-wrap gap-1.5">
            <Act onClick={use}>Use as the line</Act>
            <Act onClick={() => session.undo()}>Take back the last tap</Act>
            {measured !== null && (
              <Act
                onClick={() => change({ tapDelays: { ...settings.tapDelays, [source]: measured } })}
              >
                These were on the beat: {measured} ms late
              </Act>
            )}
            {delayMs !== 0 && (
              <Act onClick={() => change({ tapDelays: { ...settings.tapDelays, [source]: 0 } })}>
                Forget the delay of {delayMs} ms
              </Act>
            )}
          </p>
        </>
      )}
      <Trouble words={trouble} />
    </Part>
  )
}

/** `12 taps, 2 of them between two slots`. */
function tapWords(count: number, doubtful: number): string {
  const between = doubtful === 0 ? '' : `, ${doubtful} of them between two slots`
  return `${plural(count, 'tap')}${between}`
}
