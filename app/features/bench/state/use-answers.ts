import { useDeferredValue } from 'react'
import { useCounting } from '~/live/use-setting'
import { useSettled } from '~/ui/use-settled'
import type { Answers, toAnswers } from '~/words/answers'
import { memoize } from '~/workspace/memoize'
import { usePlayedClean } from './use-played-clean'
import { usePlaying } from './use-playing'
import { useBenchLick, usePlayedTempo, useSetting, useVoiced, useWorkspace } from './use-workspace'

const answersOf = memoize((work: typeof toAnswers, ...asked: Parameters<typeof toAnswers>) =>
  work(...asked),
)

/** A line of more slots takes a while to be judged: that waits until the keys rest so long, in milliseconds. */
const LONG_LINE = 256
const REST_MS = 150

/**
 * What is said of the line at the playing tempo: a moment after what is typed, and worked out once for
 * all who ask. Null until what works it out is there.
 */
export function useAnswers(): Answers | null {
  const { saver } = useWorkspace().session
  const playedClean = usePlayedClean(saver.id, useBenchLick().frame.grid)
  const voiced = useVoiced()
  const still = useSettled(voiced, REST_MS)
  const shown = useDeferredValue(voiced.line.slots.length > LONG_LINE ? still : voiced)
  const tempo = usePlayedTempo()
  const setting = useSetting()
  const playing = usePlaying()
  const counting = useCounting()
  return playing && answersOf(playing.toAnswers, shown, tempo, setting, playedClean, counting)
}
