import { LimitsPanel } from '../kit/limits-panel'
import { PathsPanel } from '../kit/paths-panel'
import { VoicesPanel } from '../voicing/voices-panel'
import { CellsPanel } from './cells-panel'
import { ChangePanel } from './change-panel'
import { FamilyPanel } from './family-panel'
import { FitPanel } from './fit-panel'
import { GroovePanel } from './groove-panel'
import { HandsPanel } from './hands-panel'
import { NotesPanel } from './notes-panel'
import type { PanelProps, WorkbenchTab } from './panel-props'
import { VersionsPanel } from './versions-panel'

const PANELS = {
  cells: CellsPanel,
  change: ChangePanel,
  fit: FitPanel,
  hands: HandsPanel,
  voices: VoicesPanel,
  paths: PathsPanel,
  limits: LimitsPanel,
  families: FamilyPanel,
  groove: GroovePanel,
  notes: NotesPanel,
  versions: VersionsPanel,
} as const

/** One panel of the workbench; all of them are fetched when the first is opened. */
export default function Panel({ tab, ...props }: PanelProps & { tab: WorkbenchTab }) {
  const Chosen = PANELS[tab]
  return <Chosen {...props} />
}
