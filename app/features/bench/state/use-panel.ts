import { useCallback, useMemo } from 'react'
import type { SlotRange } from '~/core/changes'
import type { Groove } from '~/core/groove'
import type { Kit, Player } from '~/core/kit'
import type { Lick } from '~/core/line'
import type { Position } from '~/core/performance'
import type { PlayContext } from '~/core/playability'
import type { CountingSystem } from '~/core/time'
import type { Voicing } from '~/core/voicing'
import { useSettings } from '~/live/use-live'
import { useOwnKits } from '~/live/use-own'
import { useCounting } from '~/live/use-setting'
import type { Edit } from '~/workspace/edits/edits'
import { allKits } from '~/workspace/setting'
import { raisedSpeeds } from '~/workspace/speeds-of'
import { usePlayedClean } from './use-played-clean'
import {
  useBenchGrooves,
  useBenchLick,
  useBenchPlayer,
  useDocument,
  usePlayedTempo,
  useRange,
  useSelection,
  useSetting,
  useVoiced,
  useVoicing,
  useWorkspace,
} from './use-workspace'

/** The bench as a panel of the dock sees it, and what a panel may do. */
export interface PanelView {
  readonly id: string
  readonly text: string
  /** The sticking as it is typed; every edit is of this. */
  readonly lick: Lick
  /** The same as its voicing lays it on the kit. */
  readonly voiced: Lick
  readonly voicing: Voicing
  readonly setting: PlayContext
  /** Whether the letters on the bench are turned; what is stored never is. */
  readonly turned: boolean
  readonly playing: boolean
  readonly position: () => Position | undefined
  /** The slots that are marked; null for none. */
  readonly selection: SlotRange | null
  /** The slots that a change is about: those marked, or the whole line. */
  readonly range: SlotRange
  readonly counting: CountingSystem
  readonly tempo: number
  readonly grooves: readonly Groove[]
  /** Every kit that can be chosen, as stored. */
  readonly kits: readonly Kit[]
  /** The fastest tempo at which the whole lick was clean; null where it never was. */
  readonly playedClean: number | null
  /** Carries an edit out, and tells whether it was. */
  readonly onEdit: (edit: Edit) => boolean
  /** Shows on the ruler what an edit would make of the line; null ends it. */
  readonly onShow: (edit: Edit | null) => void
  /** Shows on the ruler what another voicing would make of it; null ends it. */
  readonly onShowVoicing: (voicing: Voicing | null) => void
  /** Takes the player's limb speeds up to what was played. */
  readonly onRaise: (player: Player) => void
  /** Names the lick's own kit; null for the player's. */
  readonly onKit: (id: string | null) => void
  readonly onVoice: (label: string, voicing: Voicing) => void
  /** Puts a saved state in place of what is on the bench. */
  readonly onRestore: (text: string, voicing: string, name: string) => void
  /** Plays a lick by itself, or stops it. */
  readonly onHear: (lick: Lick) => void
}

/** The bench as it stands, for a panel that is open. */
export function usePanel(): PanelView {
  const workspace = useWorkspace()
  const { settings, change } = useSettings()
  const lick = useBenchLick()
  const own = useOwnKits()
  const { playing, position, hear } = useBenchPlayer()
  const range = useRange()
  const selected = useSelection().range !== null
  const { id } = workspace.session.saver
  const counting = useCounting()
  const onEdit = useCallback((edit: Edit) => workspace.edit(edit, lick), [workspace, lick])
  const onShow = useCallback((edit: Edit | null) => workspace.show(edit), [workspace])
  const onShowVoicing = useCallback(
    (voicing: Voicing | null) => workspace.showVoicing(voicing),
    [workspace],
  )
  const onVoice = useCallback(
    (label: string, voicing: Voicing) => workspace.voice(label, voicing),
    [workspace],
  )
  const onRestore = useCallback(
    (text: string, voicing: string, name: string) => workspace.restore(text, voicing, name),
    [workspace],
  )
  const onKit = useCallback(
    (kit: string | null) => workspace.setRow('kit', kit ? [kit] : []),
    [workspace],
  )
  return {
    id,
    text: useDocument().goodText,
    lick,
    voiced: useVoiced(),
    voicing: useVoicing(),
    setting: useSetting(),
    turned: settings.turnLetters,
    playing,
    position,
    selection: selected ? range : null,
    range,
    counting,
    tempo: usePlayedTempo(),
    grooves: useBenchGrooves(),
    kits: useMemo(() => allKits(own), [own]),
    playedClean: usePlayedClean(id, lick.frame.grid),
    onEdit,
    onShow,
    onShowVoicing,
    onRaise: useCallback((player) => change(raisedSpeeds(settings, player)), [change, settings]),
    onKit,
    onVoice,
    onRestore,
    onHear: hear,
  }
}
