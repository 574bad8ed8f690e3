import { GROOVES, hasGroove } from '~/core/groove'
import { NO_GROOVE } from '~/core/line'
import { meterName } from '~/core/time'
import { useGroovesFor } from '~/live/use-own'
import { useCounting } from '~/live/use-setting'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import { SentencePart } from '~/ui/sentence-part'
import { plural } from '~/words/figures'
import { intoWords } from '~/words/frame-words'
import { gridWords, swingWords } from '~/words/grid-words'
import { spokenPlace, startPlace } from '~/words/places'
import { swingMovesNothing } from '~/workspace/frame-change'
import { memoize } from '~/workspace/memoize'
import type { WorkspaceState } from '~/workspace/workspace'
import { useSlice } from '../state/use-workspace'
import { type FramePartId, PART_NAMES } from './frame-words'

/** Fetched when a part is opened first. */
const FrameFields = lazyComponent(async () => (await import('./frame-fields')).default)

interface FramePart {
  readonly id: FramePartId
  /** The word before it. */
  readonly lead?: string
  readonly words: string
}

/** Keys of the text that a part is about: what is wrong with one is marked there. */
const KEYS_OF_PART: Readonly<Record<FramePartId, readonly string[]>> = {
  metre: ['meter'],
  grid: ['grid', 'swing'],
  start: ['start', 'pickup'],
  groove: ['groove', 'lead', 'stop', 'groove swing'],
  landing: ['landing', 'bars'],
  tempo: ['tempo', 'goal'],
}

const frameOf = ({ document }: WorkspaceState) => document.good.lick.frame
const unknownOf = ({ document }: WorkspaceState) => document.good.lick.unknown
// Every stroke is looked at for it: once a lick.
const movesNothing = memoize(swingMovesNothing)
const swingsNotOf = ({ document }: WorkspaceState) => movesNothing(document.good.lick)
const issuesOf = ({ document }: WorkspaceState) => document.issues

/** Where the line stands in the music, as one sentence whose parts are edited in place. */
export function FrameSentence() {
  const frame = useSlice(frameOf)
  const issues = useSlice(issuesOf)
  const counting = useCounting()
  const swingsNot = useSlice(swingsNotOf)
  const grooves = useGroovesFor({ unknown: useSlice(unknownOf) })
  const grooveName =
    [...GROOVES, ...grooves].find(({ id }) => id === frame.groove)?.name ?? frame.groove
  const parts: readonly FramePart[] = [
    { id: 'metre', words: meterName(frame.meter) },
    { id: 'grid', words: [gridWords(frame.grid), ...swingWords(frame.swing)].join(', ') },
    { id: 'start', lead: 'from', words: spokenPlace(startPlace({ frame }, counting)) },
    {
      id: 'groove',
      lead: 'after',
      words:
        frame.lead === 0 || frame.groove === NO_GROOVE
          ? 'no groove'
          : `${plural(frame.lead, 'bar')} of ${grooveName}`,
    },
    { id: 'landing', lead: 'into', words: intoWords(frame.landing) },
    {
      id: 'tempo',
      words: frame.goal === null ? `${frame.tempo} bpm` : `${frame.tempo} to ${frame.goal}`,
    },
  ]
  const isFaulty = (id: FramePartId) =>
    issues.some(({ code, inLine }) => !inLine && KEYS_OF_PART[id].includes(code))
  return (
    <section aria-label="Bar settings" className="min-w-0 text-sm">
      <p className="flex flex-wrap items-baseline gap-x-1 gap-y-0.5">
        {parts.map(({ id, lead, words }, i) => (
          <span key={id} className="inline-flex min-w-0 items-baseline gap-x-1">
            {i > 0 && <span aria-hidden="true">·</span>}
            {lead && <span>{lead}</span>}
            <SentencePart
              id={id}
              label={PART_NAMES[id].name}
              shortcut={PART_NAMES[id].key}
              words={words}
              faulty={isFaulty(id)}
            >
              <LoadBoundary what="The field">
                <FrameFields waiting={<span className="text-sm">Opening …</span>} part={id} />
              </LoadBoundary>
            </SentencePart>
          </span>
        ))}
      </p>
      {frame.groove !== NO_GROOVE && !hasGroove(frame.groove, grooves) && (
        <p role="status" className="text-warning text-xs">
          There is no groove “{frame.groove}” here: {GROOVES[0]?.name.toLowerCase()} plays instead.
        </p>
      )}
      {swingsNot && (
        <p role="status" className="text-(--quiet) text-xs">
          The swing moves nothing in this line: no stroke falls where it is moved.
        </p>
      )}
    </section>
  )
}
