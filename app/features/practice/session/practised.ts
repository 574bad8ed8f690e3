import { findVoicedLick, parseVoicing } from '~/codecs/voicing'
import { onGrid } from '~/core/fitting'
import { EMPTY_LICK, type Lick } from '~/core/line'
import { type LickLog, logOfLick } from '~/core/log'
import type { PlayContext } from '~/core/playability'
import { type Grid, sameGrid } from '~/core/time'
import { PLAIN_VOICING, type Voicing } from '~/core/voicing'
import { toPracticeSession } from '~/live/practice-session'
import type { LickRecord, PracticeSessionRecord, VersionRecord } from '~/storage'
import { ownGrooves, ownKitsOf, settingFor } from '~/workspace/setting'
import { turnTexts } from '~/workspace/turned'
import type { World } from './world'

/** What was noted at its strokes; nothing where it cannot be read. */
export function voicingOf({ voicing }: LickRecord): Voicing {
  const read = parseVoicing(voicing)
  return read.ok ? read.value : PLAIN_VOICING
}

/** A stored lick as it is played here: turned for its player, and voiced. */
export function lickOf(record: LickRecord, turnLetters: boolean): Lick {
  return findVoicedLick(turnTexts(record, turnLetters)) ?? EMPTY_LICK
}

/** A lick's log with the tempos that its sessions would have on the grid it has now. */
export function logOf(own: readonly PracticeSessionRecord[], { frame }: Lick): LickLog | undefined {
  return logOfLick(own.map(toPracticeSession), frame.grid, Date.now())
}

/** How long a lick has been practised since midnight, in seconds. */
export function secondsToday(own: readonly { createdAt: number; seconds: number }[]): number {
  const midnight = new Date().setHours(0, 0, 0, 0)
  return own.reduce((sum, one) => sum + (one.createdAt >= midnight ? one.seconds : 0), 0)
}

/** Who plays the lick on what. */
export function settingOfWorld(lick: Lick, { settings, kits, grooves }: World): PlayContext {
  return settingFor(lick, settings, ownKitsOf(kits), ownGrooves(grooves))
}

/** A saved version of the lick, as it is played here. */
export interface SavedVersion {
  readonly id: string
  readonly name: string
  readonly lick: Lick
}

/** The saved versions of a lick that can be read, oldest first, on the grid that is played on. */
export function savedVersions(
  rows: readonly VersionRecord[],
  turnLetters: boolean,
  grid: Grid,
  own: Grid,
): readonly SavedVersion[] {
  const same = sameGrid(grid, own)
  return rows.flatMap(({ id, name, text, voicing }) => {
    const lick = findVoicedLick(turnTexts({ text, voicing, draft: null }, turnLetters))
    if (!lick || lick.line.slots.length === 0) return []
    return [{ id, name, lick: same ? lick : onGrid(lick, grid) }]
  })
}
