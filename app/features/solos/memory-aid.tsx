import type { Rating } from '~/core/log'
import type { Section, Solo } from '~/core/solo'
import { Choice } from '~/ui/parts'
import { plural } from '~/words/figures'
import { partName } from '~/words/solo-words'
import type { SoloPlace } from './use-solo-sound'

const RATINGS: readonly (readonly [Rating, string])[] = [
  ['clean', 'Clean'],
  ['rough', 'Rough'],
  ['lost', 'Lost'],
]

/** What sounds, what comes next, and how much is left: for whoever cannot remember 32 bars yet. */
export function MemoryAid({
  solo,
  sections,
  place,
  last,
  rating,
  onRate,
}: {
  solo: Solo
  sections: readonly Section[]
  place: SoloPlace
  /** The bar after the last that is played, from 0. */
  last: number
  rating: Rating | null
  onRate: (rating: Rating) => void
}) {
  const section = sections[place.section]
  if (!section) return null
  const nameOf = (part: number) => {
    const found = solo.parts[part]
    return found ? partName(found) : ''
  }
  const own = sections.filter(({ part }) => part === section.part)
  const bars = own.reduce((sum, one) => sum + one.bars, 0)
  const within = place.bar - (own[0]?.barsBefore ?? 0) + 1
  const [next, then] = [nameOf(section.part + 1), nameOf(section.part + 2)]
  const left = last - place.bar
  return (
    <section
      aria-label="Where it is"
      className="flex flex-col gap-1 rounded-box bg-neutral px-4 py-3 text-neutral-content"
    >
      {place.bar < 0 ? (
        <p className="font-bold text-4xl sm:text-6xl">counting in</p>
      ) : (
        <p className="flex flex-wrap items-baseline gap-x-4 font-bold text-4xl leading-tight sm:text-6xl">
          <span className="min-w-0 truncate">{nameOf(section.part)}</span>
          <span className="whitespace-nowrap tabular-nums">
            {within} of {bars}
          </span>
        </p>
      )}
      <p className="flex flex-wrap gap-x-6 text-xl sm:text-2xl">
        <span>next: {place.bar < 0 ? nameOf(section.part) : next || 'the end'}</span>
        {place.bar >= 0 && then && <span>then: {then}</span>}
        <span className="ml-auto whitespace-nowrap tabular-nums">
          {place.bar < 0 ? '' : `${plural(left, 'bar')} left`}
        </span>
      </p>
      <Choice
        legend="How it goes"
        options={RATINGS}
        value={rating ?? ('' as Rating)}
        onChoose={onRate}
      />
    </section>
  )
}

/** The bar after the last of a stretch of sections, from 0. */
export function endOf(sections: readonly Section[], to: number): number {
  const last = sections[Math.min(sections.length, to) - 1]
  return last ? last.barsBefore + last.bars : 0
}
