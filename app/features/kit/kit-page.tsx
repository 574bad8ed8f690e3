import { Download, Upload } from 'lucide-react'
import { useCallback, useMemo, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link } from 'react-router'
import { formatKit } from '~/codecs/kit'
import { findPiece, type Kit, overlapsOf, type Player, standIns } from '~/core/kit'
import { crashesOf } from '~/core/playability'
import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import { DocumentNotice } from '~/live/document-notice'
import { useCleanPlays } from '~/live/use-clean-plays'
import { useLive, useSettings } from '~/live/use-live'
import { useSaving } from '~/live/use-saving'
import { liveKits, liveSummaries } from '~/storage'
import { Button, ErrorText } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { useSettled } from '~/ui/use-settled'
import { theSurface } from '~/words/surface-words'
import { kitDifferences } from '~/workspace/documents/kit-differences'
import { playerOf } from '~/workspace/setting'
import { raisedSpeeds } from '~/workspace/speeds-of'
import { EvidencePart } from './evidence-part'
import { changeKits } from './kit-actions'
import { insteadOf } from './kit-edits'
import { PieceList } from './piece-list'
import { PlanEditor } from './plan-editor'
import { PlayerPart } from './player-part'
import { SoundPart } from './sound-part'
import { useKit } from './use-kit'
import { usesOf, type VoiceUse } from './voice-uses'

/** The set-up: the kit from above and in numbers, the sides, and the player's limbs. */
export function KitPage() {
  const { settings: shown, change } = useSettings()
  const records = useLive(liveKits).rows
  const summaries = useLive(liveSummaries).rows
  const uses = useMemo(() => usesOf(summaries), [summaries])
  const plays = useCleanPlays()
  const { document, kit, kits, isOwn, edit, steps } = useKit(records, shown, change)
  useHotkeys('mod+z', document.undo, { preventDefault: true })
  useHotkeys('mod+shift+z, mod+y', document.redo, { preventDefault: true })
  const { tell, trouble: refused } = useSaving(changeKits)
  // What is measured and shown by clean plays waits until a drag is over.
  const still = useSettled(kit)
  const setting = useMemo(
    () => ({ kit: still, player: playerOf(shown), grooves: [] }),
    [still, shown],
  )
  const raise = useCallback(
    (player: Player) => change(raisedSpeeds(shown, player)),
    [change, shown],
  )
  const [chosen, setChosen] = useState<Surface | null>(null)
  const [removed, setRemoved] = useState<{ before: Kit; surface: Surface } | null>(null)
  const tellRemoved = useCallback(
    (before: Kit, surface: Surface) => setRemoved({ before, surface }),
    [],
  )
  return (
    <div className="mx-auto grid w-full max-w-7xl grid-cols-1 gap-x-10 gap-y-6 px-4 py-6 sm:px-5 lg:grid-cols-[minmax(0,1fr)_27rem]">
      <div className="flex min-w-0 flex-col gap-4">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="font-semibold text-3xl tracking-tight">Kit</h1>
          <select
            aria-label="Kit to play on"
            className="rounded-field border border-base-300 bg-base-100 px-2 py-1.5"
            value={kit.id}
            onChange={(event) => {
              setRemoved(null)
              change({ kit: event.target.value })
            }}
          >
            {kits.every(({ id }) => id !== kit.id) && <option value={kit.id}>{kit.name}</option>}
            {kits.map(({ id, name }) => (
              <option key={id} value={id}>
                {id === kit.id ? kit.name : name}
              </option>
            ))}
          </select>
          {isOwn && (
            <input
              aria-label="Name of the kit"
              className="w-48 rounded-field border border-base-300 bg-base-100 px-2 py-1.5 text-sm"
              value={kit.name}
              maxLength={80}
              onChange={(event) => {
                const name = event.target.value
                edit((now) => ({ ...now, name }), 'name')
              }}
            />
          )}
          <KitFiles kit={kit} onRead={(text) => void tell({ intent: 'read', text })} />
          {isOwn && (
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              onClick={() => void tell({ intent: 'delete', id: kit.id })}
            >
              Delete this kit
            </button>
          )}
          {steps.past.length > 0 && <Button onClick={document.undo}>Undo</Button>}
          {steps.future.length > 0 && <Button onClick={document.redo}>Redo</Button>}
        </div>
        <ErrorText words={refused} />
        <DocumentNotice document={document} what="kit" differences={kitDifferences} />
        <p className="text-(--quiet) text-sm">
          {isOwn
            ? 'Saved as you change it. Licks without a kit of their own are played on this one.'
            : 'Drag a piece or type its position, and a copy of the kit becomes your own.'}
        </p>
        <CrashChoice kit={kit} onEdit={edit} />
        <PlanEditor kit={kit} chosen={chosen} onChoose={setChosen} onEdit={edit} />
      </div>
      <div className="flex min-w-0 flex-col gap-6">
        {removed && (
          <Removed
            {...removed}
            uses={uses}
            onBack={() => {
              edit((now) => ({ ...now, pieces: removed.before.pieces }))
              setRemoved(null)
            }}
          />
        )}
        <KitNotes kit={kit} uses={uses} />
        <PieceList
          kit={kit}
          chosen={chosen}
          onChoose={setChosen}
          onEdit={edit}
          onRemoved={tellRemoved}
        />
        <SoundPart kit={still} sound={shown.sound} onChange={change} />
      </div>
      <p className="text-sm">
        Left-handed?{' '}
        <Link to="/settings" className="link">
          Mirror letters, kit and feet in the settings
        </Link>
        .
      </p>
      <div className="flex min-w-0 flex-col gap-4">
        <PlayerPart kit={still} settings={shown} onChange={change} />
        <EvidencePart plays={plays} setting={setting} onRaise={raise} />
      </div>
    </div>
  )
}

/** Which crash a landing is taken on: the one nearest to the hand that is free, or always the same. */
function CrashChoice({ kit, onEdit }: { kit: Kit; onEdit: (by: (kit: Kit) => Kit) => void }) {
  const crashes = crashesOf(kit)
  if (crashes.length < 2) return null
  return (
    <label className="flex items-center gap-2 text-sm">
      Land on
      <select
        className="rounded-field border border-base-300 bg-base-100 px-2 py-1"
        value={kit.crash ?? ''}
        onChange={(event) => {
          const crash = crashes.find((one) => one === event.target.value)
          onEdit(({ crash: _crash, ...rest }) => (crash ? { ...rest, crash } : rest))
        }}
      >
        <option value="">the crash nearest to the free hand</option>
        {crashes.map((crash) => (
          <option key={crash} value={crash}>
            {theSurface(crash)}
          </option>
        ))}
      </select>
    </label>
  )
}

/** A kit as a file, in the open form that the command line reads too. */
function KitFiles({ kit, onRead }: { kit: Kit; onRead: (text: string) => void }) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="hidden"
        aria-label="Kit file"
        onChange={async (event) => {
          const file = event.target.files?.[0]
          if (file) onRead((await file.text()).slice(0, 65_536))
          event.target.value = ''
        }}
      />
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => input.current?.click()}>
        <Upload size={16} aria-hidden /> Import
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        onClick={() => saveFile('kit.json', 'application/json', formatKit(kit))}
      >
        <Download size={16} aria-hidden /> Export
      </button>
    </>
  )
}

interface RemovedProps {
  readonly before: Kit
  readonly surface: Surface
  readonly uses: readonly VoiceUse[]
  readonly onBack: () => void
}

const NAMED = 4

/** What a deleted piece was used for, what plays instead, and the way back. */
function Removed({ before, surface, uses, onBack }: RemovedProps) {
  const licks = uses.find((use) => use.surface === surface)?.licks ?? []
  const instead = insteadOf(before, surface)
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-3 rounded-box border border-warning p-3 text-sm"
    >
      <p className="min-w-0 grow">
        Deleted: {theSurface(surface)}.{' '}
        {licks.length > 0 &&
          `${listed(licks)} ${licks.length === 1 ? 'uses' : 'use'} it: ${instead ? theSurface(instead) : 'nothing'} plays it now.`}
        {licks.length === 0 && 'No lick uses it.'}
      </p>
      <button type="button" className="btn btn-outline border-base-300 btn-sm" onClick={onBack}>
        Restore
      </button>
    </div>
  )
}

function listed(names: readonly string[]): string {
  const shown = names.slice(0, NAMED).join(', ')
  return names.length > NAMED ? `${shown} and ${names.length - NAMED} more` : shown
}

const ESSENTIAL = ['sn', 'hh', 'bd'] as const

/** What is unusual about a kit: pieces that overlap, pieces that it lacks. */
function KitNotes({ kit, uses }: { kit: Kit; uses: readonly VoiceUse[] }) {
  const has = (surface: Surface) => kit.pieces.some((piece) => piece.surface === surface)
  const lacking = ESSENTIAL.filter((surface) => !has(surface))
  const overlaps = overlapsOf(kit)
  const missing = standIns(
    kit,
    uses.map(({ surface }) => surface),
  )
  if (lacking.length + overlaps.length + missing.length === 0) return null
  return (
    <ul aria-label="Notes on the kit" className="text-sm">
      {lacking.map((surface) => (
        <li key={surface}>
          No {SURFACE_NAMES[surface]}: {theSurface(findPiece(kit, surface)?.surface ?? surface)}{' '}
          plays it.
        </li>
      ))}
      {overlaps.slice(0, NAMED).map(([a, b]) => (
        <li key={`${a.surface} ${b.surface}`}>
          {SURFACE_NAMES[a.surface]} and {SURFACE_NAMES[b.surface]} overlap at one height.
        </li>
      ))}
      {missing.map(({ voice, instead }) => (
        <li key={voice}>
          {listed(uses.find(({ surface }) => surface === voice)?.licks ?? [])}:{' '}
          {SURFACE_NAMES[voice]} on {theSurface(instead)}.
        </li>
      ))}
    </ul>
  )
}
