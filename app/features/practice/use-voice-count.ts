import { useEffect, useSyncExternalStore } from 'react'
import type { Position } from '~/core/performance'
import type { VoiceCount } from './words'

/** A voice begins to sound about so long after it is told to. */
const VOICE_LEAD_SECONDS = 0.08
const LOOK_MS = 20

function subscribe(onChange: () => void): () => void {
  if (!('speechSynthesis' in window)) return () => {}
  window.speechSynthesis.addEventListener('voiceschanged', onChange)
  return () => window.speechSynthesis.removeEventListener('voiceschanged', onChange)
}

/** Whether this browser has a voice. */
export function useHasVoice(): boolean {
  return useSyncExternalStore(
    subscribe,
    () => 'speechSynthesis' in window && window.speechSynthesis.getVoices().length > 0,
    () => false,
  )
}

/** Says the count by the browser's voice while it plays. */
export function useVoiceCount(
  on: boolean,
  position: (ahead?: number) => Position | undefined,
  { step, wordsAt }: VoiceCount,
): void {
  useEffect(() => {
    if (!on) return
    let said: number | undefined
    const timer = setInterval(() => {
      const at = position(VOICE_LEAD_SECONDS)
      if (!at || at.phase === 'over') return
      const index = Math.floor(at.tick / step)
      if (index === said) return
      said = index
      const text = wordsAt(index * step)
      if (text === '') return
      const word = new SpeechSynthesisUtterance(text)
      word.rate = 1.6
      window.speechSynthesis.cancel()
      window.speechSynthesis.speak(word)
    }, LOOK_MS)
    return () => {
      clearInterval(timer)
      window.speechSynthesis.cancel()
    }
  }, [on, position, step, wordsAt])
}
