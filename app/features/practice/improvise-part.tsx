import { DRAWN, type Drawn } from '~/core/practice'
import { useSlices } from '~/live/use-slices'
import { SelectField } from '~/ui/field'
import { Button } from '~/ui/parts'
import { DRAWN_WORDS } from './session/improvising'
import type { PracticeRoom } from './session/room'
import { usePractised } from './session/use-room'

const SHARES = [
  { value: '0.3', label: 'a few strokes' },
  { value: '0.5', label: 'half of them' },
  { value: '0.8', label: 'most of them' },
] as const

/** What is drawn anew each time round, and keeping what was heard. */
export function ImprovisePart({ room }: { room: PracticeRoom }) {
  const { choice: chosen, kept } = useSlices(room)
  const { versions } = usePractised(room)
  const { playing } = useSlices(room.player)
  const choice = chosen.improvise
  return (
    <section aria-label="Improvise" className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <SelectField
        label="Changes each time"
        className="w-48"
        value={choice.drawn ?? ''}
        options={[
          { value: '', label: 'nothing' },
          ...DRAWN.map((drawn) => ({ value: drawn, label: DRAWN_WORDS[drawn] })),
          ...(versions.length > 0 ? [{ value: 'versions', label: 'saved versions in turn' }] : []),
        ]}
        onChange={(drawn) =>
          room.improvise({ drawn: drawn === '' ? null : (drawn as Drawn | 'versions') })
        }
      />
      {choice.drawn && choice.drawn !== 'versions' && (
        <>
          <SelectField
            label="How much"
            className="w-36"
            value={String(choice.share)}
            options={SHARES}
            onChange={(share) => room.improvise({ share: Number(share) })}
          />
          <Button disabled={!playing} onClick={() => void room.keepImprovised(0)}>
            Keep this one
          </Button>
          <Button disabled={!playing} onClick={() => void room.keepImprovised(1)}>
            Keep the one before
          </Button>
          <p role="status" className="text-(--quiet) text-sm empty:hidden">
            {kept}
          </p>
        </>
      )}
    </section>
  )
}
