import { memo, useMemo } from 'react'
import { cut, formatPhrase, type Phrase, startsOf } from '~/core/changes'
import { toDisc } from '~/core/sticking'
import { MiniStacks } from './mini-stacks'

const MAX_STACKS = 8

/** A phrase as small stacks, the same in a list of cells and in a preview. */
export const PhraseStacks = memo(function PhraseStacks({ phrase }: { phrase: Phrase }) {
  const stacks = useMemo(() => {
    const starts = startsOf(phrase.groups)
    return phrase.groups
      .slice(0, MAX_STACKS)
      .map((size, i) =>
        phrase.slots.slice(starts[i], (starts[i] as number) + size).map((slot) => toDisc(slot)),
      )
  }, [phrase])
  return (
    <MiniStacks stacks={stacks} more={Math.max(0, phrase.groups.length - MAX_STACKS)} size="tiny" />
  )
})

const MAX_TYPED = 24

/** A phrase as it is typed; a long one only begins. */
export function PhraseText({ phrase }: { phrase: Phrase }) {
  const long = phrase.slots.length > MAX_TYPED
  return (
    <span className="font-mono text-[13px] tracking-wide">
      {phrase.slots.length === 0 ? '–' : formatPhrase(long ? cut(phrase, MAX_TYPED) : phrase)}
      {long && ' …'}
    </span>
  )
}
