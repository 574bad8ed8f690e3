import type { ClickSound } from './clicks'
import type { Tool } from './strokes'

/** Whose ears hear the kit: the drummer's own, or those of who listens from before it. */
export type Side = 'drummer' | 'listener'

/** How the kit and the click are heard. */
export interface SoundChoice {
  readonly side: Side
  readonly tool: Tool
  /** How much of the room is heard, 0 (none) to 1. */
  readonly room: number
  /** How loud all of it is, 0 to 1. */
  readonly master: number
  readonly click: ClickSound
  /** What the first beat of a bar is clicked with. */
  readonly barClick: ClickSound
  /** Sounds of the player's own that are struck in place of the kit's, by their map; none where it is empty. */
  readonly samples: string
}

export const USUAL_SOUND: SoundChoice = {
  side: 'drummer',
  tool: 'sticks',
  room: 0.35,
  master: 0.8,
  click: 'tone',
  barClick: 'tone',
  samples: '',
}
