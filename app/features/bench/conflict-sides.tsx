import type { ReactNode } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import { formatLine } from '~/core/notation'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'
import type { LickTexts } from '~/storage'
import { differenceWords } from '~/words/versions'
import { turnTexts } from '~/workspace/turned'

/** Two versions of a lick side by side, and how the other differs, slot by slot and key by key. */
export default function ConflictSides({
  mine,
  theirs,
  turned,
}: {
  mine: LickTexts
  theirs: LickTexts
  turned: boolean
}) {
  const here = findVoicedLick(turnTexts(mine, turned))
  const other = findVoicedLick(turnTexts(theirs, turned))
  if (!here || !other) return null
  return (
    <dl className="grid w-full grid-cols-1 gap-x-6 gap-y-2 text-sm sm:grid-cols-2">
      <Side name="Yours">
        <Line lick={here} />
      </Side>
      <Side name="The other">
        <Line lick={other} />
      </Side>
      <Side name="Changes from the other version to yours" wide>
        {differenceWords(other, here, 'the same; only what is typed and cannot be read differs')}
      </Side>
    </dl>
  )
}

/** A line as stacks, and as it is written. */
function Line({ lick }: { lick: Lick }) {
  return (
    <>
      <PhraseStacks phrase={lick.line} />
      <span className="block truncate font-mono">{formatLine(lick.line)}</span>
    </>
  )
}

function Side({ name, wide, children }: { name: string; wide?: boolean; children: ReactNode }) {
  return (
    <div className={`min-w-0 ${wide ? 'sm:col-span-2' : ''}`}>
      <dt className="text-(--quiet) text-xs">{name}</dt>
      <dd className="min-w-0 overflow-hidden">{children}</dd>
    </div>
  )
}
