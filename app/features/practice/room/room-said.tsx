import type { ReactNode } from 'react'
import { type Lick, lickSlots } from '~/core/line'
import type { CountingSystem } from '~/core/time'
import { type CleanLimits, MIN_RATED_ROUNDS } from '~/core/timing'
import { useCounting } from '~/live/use-setting'
import { useSlices } from '~/live/use-slices'
import { Button, ErrorText } from '~/ui/parts'
import { tempoFigure } from '~/words/figures'
import { claimsWords, notCleanWords } from '~/words/heard-words'
import { placeInBar } from '~/words/places'
import type { AlongState } from '~/workspace/along-session'
import { Cautions } from '../cautions'
import { LostNotice } from '../lost-notice'
import { PlanConflict } from '../plan-conflict-notice'
import { warningsOf } from '../session/remarks'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { nextWords } from './plan-panels'

/**
 * What to do now, in one sentence, and under it what was just rated or what to mind. It has its own room: whatever
 * is said, nothing that is pressed moves.
 */
export function RoomSaid({ room, children }: { room: PracticeRoom; children: ReactNode }) {
  const { world, choice } = useSlices(room)
  const practised = usePractised(room)
  const { trouble } = useSlices(room.player)
  const { wanted, heard } = useSlices(room.ear)
  const counting = useCounting()
  const { step, steps, at } = practised
  const { rated, lost, improvise } = choice
  const { tempo } = room.player
  const words =
    wanted && !improvise.drawn && step
      ? heardSentence(heard, step.part.lick, counting, world.settings.clean)
      : ''
  const together = steps.findIndex(({ part, skipped }) => part.kind === 'together' && !skipped)
  return (
    <section aria-label="What to do now" className="room-said">
      <p
        role="status"
        className="font-semibold text-lg leading-snug first-letter:uppercase empty:hidden"
      >
        {words}
      </p>
      <p className={words === '' ? 'font-semibold text-lg leading-snug' : 'text-(--quiet) text-sm'}>
        Next: {nextWords(room)}
      </p>
      {rated && (
        <p role="status" className="flex flex-wrap items-center gap-3 text-sm">
          Rated {rated.rating} at {tempoFigure(rated.tempo)}.
          <Button onClick={room.unrate}>Undo</Button>
        </p>
      )}
      {lost !== null && (
        <LostNotice
          tempo={lost}
          onOneSurface={together >= 0 && together !== at ? () => room.goTo(together) : undefined}
        />
      )}
      {warningsOf(practised, world, tempo).map((warning) => (
        <p key={warning} className="text-sm text-warning first-letter:uppercase">
          {warning}
        </p>
      ))}
      <ErrorText words={trouble} />
      <ErrorText
        words={world.deleted ? 'This lick was deleted in another tab. It is in the bin.' : ''}
      />
      {children}
      <PlanConflict document={room.plan} />
      {words === '' && <Cautions />}
    </section>
  )
}

/** What was heard of a player, as far as enough rounds carry it: `Left hand 9 ms late, give or take 3.` Empty for nothing. */
function heardSentence(
  { claims, counted, cleanness }: AlongState,
  lick: Lick,
  counting: CountingSystem,
  limits: CleanLimits,
): string {
  if (!claims || counted === 0) return ''
  const enough = counted >= MIN_RATED_ROUNDS
  const slots = lickSlots(lick)
  const placeOf = (slot: number) => placeInBar(lick, slots[slot]?.tick ?? 0, counting)
  const clean = enough && cleanness?.is === true
  const not = enough && cleanness ? notCleanWords(cleanness, limits) : ''
  return [not, claimsWords(claims, counted, clean, placeOf)].filter(Boolean).join(' ')
}
