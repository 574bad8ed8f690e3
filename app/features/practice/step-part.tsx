import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import type { PlayedStroke } from '~/core/listening'
import type { CountingSystem } from '~/core/time'
import type { Voicing } from '~/core/voicing'
import { notesIn } from '~/workspace/notes'
import { LoopFields } from './loop-fields'
import { PartFigure } from './part-figure'
import type { Step } from './step-view'
import { speedWords } from './words'

interface StepPartProps {
  readonly lick: Lick
  readonly step: Step
  readonly tempo: number
  readonly counting: CountingSystem
  readonly voicing: Voicing
  /** What is said of where it goes round; empty for nothing. */
  readonly seam: string
  /** The slots that are shown: from which one, and how many at the most. */
  readonly first: number
  readonly most: number
  /** Strokes of the last round; undefined where nobody listens. */
  readonly heard: readonly PlayedStroke[] | undefined
  readonly loop: SlotRange | null
  readonly onLoop: (loop: SlotRange | null) => void
  /** The loop is to be a step of the plan. */
  readonly onKeep: (loop: SlotRange) => void
  /** Slots were marked, counted within the step. */
  readonly onSelect: (within: SlotRange) => void
}

/** What is played, slot by slot, with its notes; slots of it can be looped. */
export function StepPart(props: StepPartProps) {
  const { lick, step, tempo, counting, voicing, seam, first, most, loop } = props
  return (
    <div className="rounded-box bg-base-100 px-4 py-3">
      <PartFigure
        lick={step.part.lick}
        counting={counting}
        first={first}
        most={most}
        heard={props.heard}
        onSelect={props.onSelect}
      />
      <p className="mt-1 flex flex-wrap gap-x-4 text-(--quiet) text-sm">
        <span>{speedWords(step.part.lick, tempo)}</span>
        {seam && <span>{seam}</span>}
        {notesIn(voicing, step.part.range).map(({ slot, text }) => (
          <span key={slot} className="text-base-content">
            slot {slot - step.part.range.from + 1}: {text}
          </span>
        ))}
        <LoopFields lick={lick} loop={loop} onLoop={props.onLoop} onKeep={props.onKeep} />
      </p>
    </div>
  )
}
