import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { PlannedStep } from '~/core/practice'
import { type CleanLimits, diagnose, leansFrom, SIMULATED_PLAYERS } from '~/core/timing'
import { useSettings } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import { Meter, MicrophonePart } from '~/session/microphone-part'
import { StrikePads } from '~/session/strike-pads'
import type { PracticeSessionRecord } from '~/storage'
import { Checkbox } from '~/ui/checkbox'
import { SelectField } from '~/ui/field'
import { lazyComponent } from '~/ui/lazy-component'
import { NumberField } from '~/ui/number-field'
import { Button, EmptyState } from '~/ui/parts'
import { plural } from '~/words/figures'
import {
  cleanMeans,
  findingWords,
  hitWords,
  leansFromWords,
  limbWords,
  sessionWords,
} from '~/words/heard-words'
import { partKeyOf } from '~/words/practice-steps'
import { heardBefore, heardSteps, stepToWork } from './heard-steps'
import { type EarState, isSimulated } from './session/ear'
import type { PracticeRoom } from './session/room'
import { usePractised } from './session/use-room'

const PLAYERS = [
  { value: 'you', label: 'you: keys, fingers, pads' },
  { value: 'mic', label: 'you: microphone at the kit' },
  ...SIMULATED_PLAYERS.map(({ name }) => ({ value: name, label: `simulated: ${name}` })),
]

/** Fetched when it is opened. */
const ListenBack = lazyComponent(async () => (await import('./listen-back')).default)

/** Playing along: pads to strike, what was heard of the last round in full, what counts as clean, what to work on next. */
export function EarPanel({ room }: { room: PracticeRoom }) {
  const { ear } = room
  const { world, choice } = useSlices(room)
  const { planned, step } = usePractised(room)
  const state = useSlices(ear)
  const { settings, change } = useSettings()
  const [listens, setListens] = useState(false)
  if (!step) return null
  if (choice.improvise.drawn)
    return (
      <EmptyState>
        What changes each time round is not listened to: choose nothing under Playing.
      </EmptyState>
    )
  const { sessions } = world
  const { wanted, active, who, asSound, enough, begunAt } = state
  const { rounds, proposal, unsettled, lost, told, summary } = state.heard
  const last = rounds.at(-1)
  const simulated = isSimulated(who)
  return (
    <section aria-label="Play along" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <Checkbox
          checked={wanted}
          onTick={(next) => ear.choose({ wanted: next })}
          className="min-h-8 text-sm"
        >
          Hear me play along
        </Checkbox>
        {wanted && (
          <>
            <SelectField
              label="Who plays"
              className="w-60"
              value={who}
              options={PLAYERS}
              onChange={(next) => ear.choose({ who: next })}
            />
            {simulated && (
              <Checkbox
                checked={asSound}
                onTick={(next) => ear.choose({ asSound: next })}
                className="min-h-8 text-sm"
              >
                As sound, heard by the app’s ear
              </Checkbox>
            )}
            <Checkbox checked={choice.byEar} onTick={room.byEar} className="min-h-8 text-sm">
              Rate and climb by what is heard, every {enough} rounds
            </Checkbox>
            <Link to="/play-in" className="link min-h-8 content-center text-sm">
              Set up and test
            </Link>
          </>
        )}
      </div>
      {wanted && (
        <>
          {who === 'mic' && (
            <MicrophonePart
              microphone={ear.microphone}
              busy={active}
              settings={settings}
              onSettings={change}
            />
          )}
          {simulated && asSound && <Meter level={ear.microphone.level} />}
          {active && who === 'you' && <StrikePads onStrike={ear.strike} />}
          {proposal && !choice.byEar && (
            <p className="flex flex-wrap items-center gap-2 text-sm">
              {plural(unsettled, 'round')} sounded {proposal}.
              <Button onClick={() => ear.rate(proposal)}>Rate it {proposal}</Button>
            </p>
          )}
          {!active && summary && (
            <p role="status" className="text-sm">
              {sessionWords(
                summary,
                simulated ? null : heardBefore(sessions, partKeyOf(step), begunAt),
              )}
            </p>
          )}
          {last ? (
            <p className="text-sm">
              Last round: {hitWords(last.told)}; {last.told.limbs.map(limbWords).join('; ')}.{' '}
              <span className="text-(--quiet)">
                {plural(told, 'round')} heard{lostWords(lost)}. {sourceWords(state, simulated)}
              </span>
            </p>
          ) : (
            <p className="text-(--quiet) text-sm">
              {active
                ? playWords(who)
                : 'Start the step, then play the line. Each stroke is shown under its slot, early above the line and late below it.'}
            </p>
          )}
          {last && ear.takes.count > 0 && (
            <div>
              <Button
                onClick={() => {
                  room.player.stop()
                  setListens(true)
                }}
              >
                Listen back …
              </Button>
            </div>
          )}
          {listens && (
            <ListenBack
              takes={ear.takes}
              sessionId={room.player.sessionId}
              lick={step.part.lick}
              onClose={() => setListens(false)}
            />
          )}
          <CleanLimitsPart limits={settings.clean} onLimits={(clean) => change({ clean })} />
          <Diagnosis sessions={sessions} planned={planned} onGo={room.goTo} />
        </>
      )}
    </section>
  )
}

/** What the ear calls clean, in words, with the two figures that the player sets. */
function CleanLimitsPart({
  limits,
  onLimits,
}: {
  limits: CleanLimits
  onLimits: (limits: CleanLimits) => void
}) {
  return (
    <details className="text-sm">
      <summary className="cursor-pointer">What counts as clean</summary>
      <p className="mt-1 text-(--quiet)">{cleanMeans(limits)}</p>
      <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="flex items-center gap-1.5">
          <NumberField
            label="Milliseconds from its place"
            className="w-14 text-right"
            min={5}
            max={60}
            value={limits.withinMs}
            onChange={(withinMs) => onLimits({ ...limits, withinMs })}
          />
          ms from its place
        </span>
        <span className="flex items-center gap-1.5">
          <NumberField
            label="Percent of strokes on time"
            className="w-14 text-right"
            min={50}
            max={100}
            value={Math.round(limits.share * 100)}
            onChange={(percent) => onLimits({ ...limits, share: percent / 100 })}
          />
          % of the strokes
        </span>
      </div>
    </details>
  )
}

function playWords(who: string): string {
  return who === 'mic'
    ? 'Play the line at the kit.'
    : 'Play the line: F and J for the hands, B for the kick, N for the hi-hat foot, or pads.'
}

function lostWords(lost: number): string {
  return lost === 0 ? '' : `, ${plural(lost, 'round')} left out since sound was lost`
}

/** Whose strokes these are, and what they are held against. */
function sourceWords({ asSound, delayMs, heard }: EarState, simulated: boolean): string {
  if (simulated)
    return asSound
      ? 'A simulated player’s sound, found by the same ear as a microphone’s: nothing of it is kept.'
      : 'A simulated player, to try this without a kit: nothing of it is kept.'
  if (delayMs !== 'find') return 'The delay that was measured for this source is taken off.'
  const delay = Math.round(heard.rounds.at(-1)?.told.delayMs ?? 0)
  return `Against your own middle, ${delay} ms from the click: no delay was measured yet.`
}

/** What the steps that were heard say is to be worked on, and the way to it. */
function Diagnosis({
  sessions,
  planned,
  onGo,
}: {
  sessions: readonly PracticeSessionRecord[]
  planned: readonly PlannedStep[]
  /** Goes to a step of the plan. */
  onGo: (step: number) => void
}) {
  const { finding, leans } = useMemo(() => {
    const steps = heardSteps(sessions, Date.now())
    return { finding: diagnose(steps), leans: leansFrom(steps) }
  }, [sessions])
  const step = finding && stepToWork(finding, planned)
  return (
    <>
      {leans !== null && <p className="text-sm">{leansFromWords(leans)}</p>}
      {finding && (
        <p className="flex flex-wrap items-center gap-2 text-sm">
          {findingWords(finding)}
          {step !== null && <Button onClick={() => onGo(step)}>Go to that step</Button>}
        </p>
      )}
    </>
  )
}
