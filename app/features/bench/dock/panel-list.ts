import {
  Blocks,
  Drum,
  FileText,
  Footprints,
  GitCompareArrows,
  Hand,
  type LucideIcon,
  MessageSquareText,
  Ruler,
  Shapes,
  WandSparkles,
} from 'lucide-react'
import type { ComponentType } from 'react'
import { type Late, lazyComponent } from '~/ui/lazy-component'
import { stacked } from './stacked'

/** A panel of the dock. */
export interface Panel {
  readonly id: string
  readonly name: string
  readonly icon: LucideIcon
  /** What it is for, in words that people look for. */
  readonly about: string
  /** Whether it is about the lick as a whole, whatever is marked. */
  readonly whole: boolean
  readonly View: Late<object>
}

function panel(
  id: string,
  name: string,
  icon: LucideIcon,
  about: string,
  load: () => Promise<ComponentType>,
): Panel {
  return { id, name, icon, about, whole: WHOLE.has(id), View: lazyComponent(load) }
}

const WHOLE = new Set(['answers', 'hands', 'feet', 'text'])

/** Panels that were panels of their own, and in which they stand now: an address may still name them. */
export const MOVED_PANELS: Readonly<Record<string, string>> = {
  speed: 'answers',
  paths: 'hands',
  versions: 'notes',
}

/** Every panel, in the order of the rail. Each is fetched when it is opened first. */
export const PANELS: readonly Panel[] = [
  panel(
    'answers',
    'Answers',
    GitCompareArrows,
    'fit landing speed limbs limits bottleneck headroom tempo character load',
    async () => {
      const [{ AnswersPanel }, { SpeedPanel }] = await Promise.all([
        import('../panels/answers-panel'),
        import('../panels/speed-panel'),
      ])
      return stacked(AnswersPanel, SpeedPanel)
    },
  ),
  panel(
    'cells',
    'Cells',
    Blocks,
    'rudiments catalogue stickings patterns tap in record',
    async () => (await import('../panels/cells-panel')).CellsPanel,
  ),
  panel(
    'change',
    'Change',
    WandSparkles,
    'edit turn mirror rotate accents groups',
    async () => (await import('../panels/change-panel')).ChangePanel,
  ),
  panel(
    'fit',
    'Fit',
    Ruler,
    'fixes grid metre cycle count aloud too long too short',
    async () => (await import('../panels/fit-panel')).FitPanel,
  ),
  panel(
    'hands',
    'Hands',
    Hand,
    'leading alternating clashes undecided paths crossings moves collisions kit from above',
    async () => {
      const [{ HandsPanel }, { PathsPanel }] = await Promise.all([
        import('../panels/hands-panel'),
        import('../panels/paths-panel'),
      ])
      return stacked(HandsPanel, PathsPanel)
    },
  ),
  panel(
    'voices',
    'Voices',
    Drum,
    'toms cymbals orchestrate rules kit',
    async () => (await import('../panels/voices-panel')).VoicesPanel,
  ),
  panel(
    'feet',
    'Feet',
    Footprints,
    'groove ostinato hi-hat foot kick samba',
    async () => (await import('../panels/feet-panel')).FeetPanel,
  ),
  panel(
    'families',
    'Find',
    Shapes,
    'families all members permutations kicks inversions fills like this one finder',
    async () => (await import('../panels/find-panel')).FindPanel,
  ),
  panel(
    'notes',
    'Notes',
    MessageSquareText,
    'remarks remember parts name versions compare restore snapshots',
    async () => {
      const [{ NotesPanel }, { VersionsPanel }] = await Promise.all([
        import('../panels/notes-panel'),
        import('../panels/versions-panel'),
      ])
      return stacked(NotesPanel, VersionsPanel)
    },
  ),
  panel(
    'text',
    'Files',
    FileText,
    'lick text copy save export midi musicxml link share',
    async () => (await import('../panels/text-panel')).TextPanel,
  ),
]
