import { DRAWN, type Drawn } from '~/core/practice'
import { SelectField } from '~/ui/field'
import { Act } from '~/ui/parts'
import { DRAWN_WORDS, type ImproviseChoice } from './use-improvising'

const SHARES = [
  { value: '0.3', label: 'a few strokes' },
  { value: '0.5', label: 'half of them' },
  { value: '0.8', label: 'most of them' },
] as const

/** What is drawn anew each time round, and keeping what was heard. */
export function ImprovisePart({
  choice,
  versions,
  playing,
  said,
  onChoose,
  onKeep,
}: {
  choice: ImproviseChoice
  /** How many saved versions there are. */
  versions: number
  playing: boolean
  said: string
  onChoose: (changed: Partial<ImproviseChoice>) => void
  /** Keeps what sounds now, or so many times before. */
  onKeep: (before: number) => void
}) {
  return (
    <section aria-label="Improvise" className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <SelectField
        label="Changes each time"
        className="w-48"
        value={choice.drawn ?? ''}
        options={[
          { value: '', label: 'nothing' },
          ...DRAWN.map((drawn) => ({ value: drawn, label: DRAWN_WORDS[drawn] })),
          ...(versions > 0 ? [{ value: 'versions', label: 'saved versions in turn' }] : []),
        ]}
        onChange={(drawn) =>
          onChoose({ drawn: drawn === '' ? null : (drawn as Drawn | 'versions') })
        }
      />
      {choice.drawn && choice.drawn !== 'versions' && (
        <>
          <SelectField
            label="How much"
            className="w-36"
            value={String(choice.share)}
            options={SHARES}
            onChange={(share) => onChoose({ share: Number(share) })}
          />
          <Act disabled={!playing} onClick={() => onKeep(0)}>
            Keep this one
          </Act>
          <Act disabled={!playing} onClick={() => onKeep(1)}>
            Keep the one before
          </Act>
          <p role="status" className="text-(--quiet) text-sm empty:hidden">
            {said}
          </p>
        </>
      )}
    </section>
  )
}
