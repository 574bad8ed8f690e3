import {
  createContext,
  useCallback,
  useContext,
  useDeferredValue,
  useMemo,
  useSyncExternalStore,
} from 'react'
import type { SlotRange } from '~/core/changes'
import type { Groove, PatternPlace } from '~/core/groove'
import type { Lick } from '~/core/line'
import type { Position } from '~/core/performance'
import type { PlayContext } from '~/core/playability'
import { useGroovesFor } from '~/live/use-own'
import { useSettingFor } from '~/live/use-setting'
import { rangeOf, type Workspace, type WorkspaceState } from '~/workspace/workspace'
import { usePlaying } from './use-playing'

const WorkspaceContext = createContext<Workspace | null>(null)
export const WorkspaceProvider = WorkspaceContext.Provider

/** The bench that the page is about. */
export function useWorkspace(): Workspace {
  const workspace = useContext(WorkspaceContext)
  if (!workspace) throw new RangeError('no workspace around this component')
  return workspace
}

/** A slice of the bench's state; `select` is to give the same object while its part stays the same. */
export function useSlice<T>(select: (state: WorkspaceState) => T): T {
  const { subscribe, state } = useWorkspace()
  const snapshot = useCallback(() => select(state()), [select, state])
  return useSyncExternalStore(subscribe, snapshot, snapshot)
}

const lickOf = ({ document }: WorkspaceState): Lick => document.good.lick
const voicingOf = ({ document }: WorkspaceState) => document.voicing
const documentOf = ({ document }: WorkspaceState) => document
const selectionOf = ({ selection }: WorkspaceState) => selection
const tempoOf = ({ tempo }: WorkspaceState) => tempo

/** The lick as it was last readable. */
export function useBenchLick(): Lick {
  return useSlice(lickOf)
}

/** The lick as text, with its history. */
export const useDocument = () => useSlice(documentOf)
export const useSelection = () => useSlice(selectionOf)
export const usePlayedTempo = () => useSlice(tempoOf)
export const useVoicing = () => useSlice(voicingOf)

/** The slot of a pattern under the line that has the keys; null while another row has them. */
export function usePlace(): PatternPlace | null {
  const row = useSlice(rowOf)
  return typeof row === 'string' ? null : row
}
const rowOf = ({ row }: WorkspaceState) => row

/** The slots that a change is about; the same object while they are the same. */
export function useRange(): SlotRange {
  const from = useSlice(rangeFrom)
  const to = useSlice(rangeTo)
  return useMemo(() => ({ from, to }), [from, to])
}
const rangeFrom = (state: WorkspaceState) => rangeOf(state).from
const rangeTo = (state: WorkspaceState) => rangeOf(state).to

/** The grooves that the lick can be played with. */
export function useBenchGrooves(): readonly Groove[] {
  return useGroovesFor(useBenchLick())
}

/** Who plays the lick on what. */
export function useSetting(): PlayContext {
  return useSettingFor(useBenchLick())
}

/** The lick as its voicing lays it on the kit; the crash that is chosen for it may follow a moment later. */
export function useVoiced(): Lick {
  const { derived } = useWorkspace()
  const laid = derived.laid(useBenchLick(), useVoicing())
  const setting = useSetting()
  const later = useDeferredValue(laid)
  const playing = usePlaying()
  const crash = playing ? derived.crash(playing.landOnKit, later, setting) : undefined
  return derived.landed(laid, crash)
}

/** What is heard: whether the music runs, where it is, and the way to hear a lick by itself. */
export interface BenchPlayer {
  /** Whether the lick on the bench is played, not one by itself. */
  readonly playing: boolean
  readonly position: () => Position | undefined
  readonly toggle: () => void
  /** Plays a lick by itself, or stops it. */
  readonly hear: (lick: Lick) => void
}

const PlayerContext = createContext<BenchPlayer | null>(null)
export const PlayerProvider = PlayerContext.Provider

export function useBenchPlayer(): BenchPlayer {
  const player = useContext(PlayerContext)
  if (!player) throw new RangeError('no player around this component')
  return player
}
