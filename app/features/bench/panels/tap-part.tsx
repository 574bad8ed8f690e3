import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { type Kit, surfaceOfNote } from '~/core/kit'
import { frameTicks, TEMPO_RANGE } from '~/core/line'
import type { Position } from '~/core/performance'
import type { Limb } from '~/core/sticking'
import { ALL_GRIDS, findGrid, gridName, TICKS_PER_QUARTER } from '~/core/time'
import type { Tap, TappedLine } from '~/core/timing'
import { useSettings } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import { MicrophonePart } from '~/session/microphone-part'
import { StrikePads } from '~/session/strike-pads'
import { useClick } from '~/session/use-click'
import { micDelay, useMicrophone } from '~/session/use-microphone'
import { type StrikeSource, useStrikes } from '~/session/use-strikes'
import { Checkbox } from '~/ui/checkbox'
import { SelectField } from '~/ui/field'
import { LabelledNumber } from '~/ui/number-field'
import { Button, ErrorText, Part } from '~/ui/parts'
import { plural } from '~/words/figures'
import { gridWords } from '~/words/grid-words'
import { tappedEdit } from '~/workspace/edits/tapped-edit'
import { TapSession } from '~/workspace/tap-session'
import { usePanel } from '../state/use-panel'
import { TappedFigure } from './tapped-figure'

/**
 * A line tapped in beside a click or freely, by keys, fingers, pads or at the microphone: the grid is found,
 * another can be chosen.
 */
export function TapPart() {
  const { lick, onEdit, setting } = usePanel()
  const { kit } = setting
  const { settings, change } = useSettings()
  const { meter } = lick.frame
  const { beat, bar } = frameTicks(lick.frame)
  const [tempo, setTempo] = useState(lick.frame.tempo)
  const [source, setSource] = useState<StrikeSource>('keys')
  const quarters = (tempo * beat) / TICKS_PER_QUARTER
  const [byMic, setByMic] = useState(false)
  const [lost, setLost] = useState(false)
  const microphone = useMicrophone(byMic ? 'mic' : null, {
    onStroke: (stamp, velocity) => strike({ stamp, limb: undefined, from: 'mic', velocity }),
    onLost: () => {
      // A line with a hole in it is not what was played.
      if (session.state().taps.length === 0) return
      session.stop()
      stop()
      setLost(true)
    },
  })
  const delayMs =
    source === 'mic' ? micDelay(settings, microphone.device) : settings.tapDelays[source]
  const [session] = useState(() => new TapSession(quarters, delayMs, lick.frame))
  const { phase, taps, wished, found, free, quarters: tapped } = useSlices(session)
  useEffect(() => session.goAt(quarters), [session, quarters])
  useEffect(() => session.delayBy(delayMs), [session, delayMs])
  const { swing } = lick.frame
  useEffect(() => session.swingAs({ swing, meter }), [session, swing, meter])

  const { playing, trouble, start, stop, position, perTick } = useClick(meter, tempo)
  const tapping = phase === 'tapping'
  const since = useRef(0)
  useEffect(() => {
    if (tapping && !playing && !free) session.stop()
  }, [tapping, playing, free, session])

  // Without a click, ticks since tapping began stand for where the music is.
  const atFree = useCallback(
    (ahead = 0): Position => {
      const seconds = (performance.now() - since.current) / 1000 + ahead
      const played = Math.max(0, seconds / perTick)
      return { phase: 'round', round: 0, tick: played, bar: 0, played }
    },
    [perTick],
  )
  const strike = useStrikes(
    tapping,
    free ? atFree : position,
    ({ at, limb, from, velocity, note }) => {
      if (at.phase === 'over') return
      const ticks = at.phase === 'round' ? at.played : at.tick - bar
      setSource(from)
      session.tap({
        ms: ticks * perTick * 1000,
        ...padOf(limb, note, kit),
        ...(velocity !== undefined && { velocity, relative: from === 'mic' }),
      })
    },
  )

  const toggle = () => {
    setLost(false)
    if (free) {
      since.current = performance.now()
      if (tapping) session.stop()
      else session.start()
      return
    }
    if (playing) {
      stop()
      session.stop()
      return
    }
    session.start()
    start()
  }
  const grids = useMemo(
    () => [
      { value: '', label: found && !wished ? `${gridWords(found.grid)}, as found` : 'as found' },
      ...ALL_GRIDS.map((grid) => ({ value: gridName(grid), label: gridWords(grid) })),
    ],
    [found, wished],
  )
  const use = () => {
    if (!found) return
    if (!onEdit(tappedEdit(lick, found, free ? tapped : null))) return
    stop()
    session.clear()
  }
  const measured = session.measured()
  const going = free ? 'Stop' : 'Stop the click'
  const label = (free ? tapping : playing) ? going : 'Start tapping'
  return (
    <Part title="Tap it in">
      <div className="flex flex-wrap items-end gap-2">
        <button type="button" className="btn btn-primary btn-sm" onClick={toggle}>
          {label}
        </button>
        <Checkbox
          checked={!free}
          onTick={(click) => {
            stop()
            session.goFree(!click)
          }}
          className="min-h-8 text-sm"
        >
          Beside a click
        </Checkbox>
        <Checkbox checked={byMic} onTick={setByMic} className="min-h-8 text-sm">
          At the microphone
        </Checkbox>
        {!free && (
          <div className="w-24">
            <LabelledNumber
              label="Click"
              min={TEMPO_RANGE.least}
              max={TEMPO_RANGE.most}
              value={tempo}
              onChange={setTempo}
            />
          </div>
        )}
        <SelectField
          label="Grid of the taps"
          className="w-64"
          value={wished ? gridName(wished) : ''}
          options={grids}
          onChange={(name) => session.layOn(findGrid(name) ?? null)}
        />
      </div>
      {byMic && (
        <MicrophonePart
          microphone={microphone}
          busy={tapping}
          settings={settings}
          onSettings={change}
        />
      )}
      {tapping && !byMic && <StrikePads onStrike={strike} />}
      <p role="status" className="text-(--quiet) text-sm">
        {tapping && taps.length === 0
          ? byMic
            ? `${free ? 'Play' : 'After the count-in, play'}. Hands are written as X: which one it was is for you to say.`
            : `${free ? 'Tap' : 'After the count-in, tap'}: F and J for the hands, B for the kick, N for the hi-hat foot, or pads.`
          : taps.length > 0
            ? `${tapWords(taps.length, found)}${free ? tempoWords(tapped) : ''}`
            : 'Play a line by keys, fingers, MIDI pads or at the microphone; it is written as you play.'}
      </p>
      {found && (
        <>
          <TappedFigure found={found} />
          <p className="flex flex-wrap gap-1.5">
            <Button onClick={use}>Use as the line</Button>
            <Button onClick={() => session.undo()}>Take back the last tap</Button>
            {measured !== null && (
              <Button
                onClick={() => change({ tapDelays: { ...settings.tapDelays, [source]: measured } })}
              >
                These were on the beat: {measured} ms late
              </Button>
            )}
            {delayMs !== 0 && (
              <Button onClick={() => change({ tapDelays: { ...settings.tapDelays, [source]: 0 } })}>
                Forget the delay of {delayMs} ms
              </Button>
            )}
          </p>
        </>
      )}
      <ErrorText
        words={
          lost
            ? 'Sound was lost on its way from the microphone, so tapping was stopped. Use what is there, or play it again.'
            : trouble
        }
      />
    </Part>
  )
}

/** Whose stroke it is and on what: a pad is told by the kit's notes, and pedals have their foot. */
function padOf(
  limb: Limb | undefined,
  note: number | undefined,
  kit: Kit,
): Pick<Tap, 'limb' | 'surface'> {
  const surface = note === undefined ? undefined : surfaceOfNote(note, kit)
  const foot = surface === 'bd' ? 'RF' : surface === 'hf' ? 'LF' : 'XH'
  return { limb: limb ?? foot, ...(surface && { surface }) }
}

/** The tempo of taps without a click. */
function tempoWords(quarters: number | null): string {
  return quarters === null ? ', no tempo found yet' : `, at ${quarters} bpm`
}

/** `12 taps, 2 of them between two slots, 1 too late to be in the same line`. */
function tapWords(count: number, found: TappedLine | null): string {
  const { doubtful = [], tooLate = 0, tooDense = 0 } = found ?? {}
  const between = doubtful.length === 0 ? '' : `, ${doubtful.length} of them between two slots`
  const late = tooLate === 0 ? '' : `, ${tooLate} too late to be in the same line`
  const dense = tooDense === 0 ? '' : `, ${tooDense} too many for their slot on this grid`
  return `${plural(count, 'tap')}${between}${late}${dense}`
}
