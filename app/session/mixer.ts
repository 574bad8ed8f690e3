import type { Channel } from '~/audio'

/** The click's volume beside the kit's, at first. */
export const CLICK_VOLUME = 0.8

/**
 * The volume of every channel, and which of them are muted: a muted one keeps its volume, and has it
 * again as soon as it is heard.
 */
export class Mixer {
  private readonly volumes = new Map<Channel, number>([['click', CLICK_VOLUME]])
  private readonly muted = new Set<Channel>()

  setVolume(channel: Channel, volume: number): void {
    this.volumes.set(channel, volume)
  }

  setMuted(channel: Channel, muted: boolean): void {
    if (muted) this.muted.add(channel)
    else this.muted.delete(channel)
  }

  /** How loud a channel is now, from 0 to 1. */
  level(channel: Channel): number {
    return this.muted.has(channel) ? 0 : (this.volumes.get(channel) ?? 1)
  }

  /** Every channel that was ever set. */
  channels(): Channel[] {
    return [...new Set([...this.volumes.keys(), ...this.muted])]
  }
}
