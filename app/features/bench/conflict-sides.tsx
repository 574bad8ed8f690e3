import type { ReactNode } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import type { LickTexts } from '~/storage'
import { PhraseStacks } from '../stacks/phrase-figure'
import { differenceWords } from '../workbench/versions'
import { turnTexts } from './turned'

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
        <PhraseStacks phrase={here.line} />
      </Side>
      <Side name="The other">
        <PhraseStacks phrase={other.line} />
      </Side>
      <Side name="The other version, then yours" wide>
        {differenceWords(other, here, 'the same; only what is typed and cannot be read differs')}
      </Side>
    </dl>
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
