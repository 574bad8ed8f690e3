import { useMedia } from './use-media'

/** Whether a finger is the pointer: then keys are shown, and the system's keyboard stays away. */
export function useTouch(): boolean {
  return useMedia('(pointer: coarse)')
}
