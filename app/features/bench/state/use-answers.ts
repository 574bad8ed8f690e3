import { useDeferredValue } from 'react'
import type { Answers, toAnswers } from '~/words/answers'
import { memoize } from '~/workspace/memoize'
import { usePlayedClean } from './use-played-clean'
import { usePlaying } from './use-playing'
import { useBenchLick, usePlayedTempo, useSetting, useVoiced, useWorkspace } from './use-workspace'

const answersOf = memoize((work: typeof toAnswers, ...asked: Parameters<typeof toAnswers>) =>
  work(...asked),
)

/**
 * What is said of the line at the playing tempo: a moment after what is typed, and worked out once for
 * all who ask. Null until what works it out is there.
 */
export function useAnswers(): Answers | null {
  const { saver } = useWorkspace().session
  const playedClean = usePlayedClean(saver.id, useBenchLick().frame.grid)
  const voiced = useDeferredValue(useVoiced())
  const tempo = usePlayedTempo()
  const setting = useSetting()
  const playing = usePlaying()
  return playing && answersOf(playing.toAnswers, voiced, tempo, setting, playedClean)
}
