import { Download, Printer } from 'lucide-react'
import { useCallback, useMemo, useState } from 'react'
import { Link, useLocation } from 'react-router'
import { soundsOn } from '~/core/kit'
import type { Lick } from '~/core/line'
import type { Page } from '~/core/sheet'
import { PageView } from '~/drawing/figures/page-view'
import { useOwnGrooves } from '~/live/use-own'
import { useSettingFor } from '~/live/use-setting'
import { SaveSound } from '~/session/save-sound'
import { LabelledNumber } from '~/ui/number-field'
import { Button, Part } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { useAddressState } from '~/ui/use-address-state'
import {
  formatSheetAddress,
  MAX_ON_SHEET,
  parseSheetAddress,
  type SheetState,
  textId,
} from './sheet-address'
import { SheetChoicesForm } from './sheet-choices-form'
import { SheetLicks } from './sheet-licks'
import { useSheet } from './use-sheet'

/** A sheet: what is on it and how at the left, the pages as they will be printed at the right. */
export function SheetPage() {
  const { state, texts, change } = useSheetState()
  const { pages, titles, licks, late } = useSheet(state, texts)
  const filled = state.ids.length > 0 || state.solo !== null
  const name = state.title || titles.find((title) => title !== null) || 'Sheet'
  return (
    <div className="mx-auto grid w-full max-w-7xl items-start gap-x-8 gap-y-6 px-4 py-7 pb-20 sm:px-5 lg:grid-cols-[20rem_1fr] lg:grid-rows-[auto_1fr] print:block print:max-w-none print:p-0">
      <div className="flex min-w-0 flex-col gap-5 print:hidden">
        <h1 className="font-semibold text-3xl tracking-tight">Sheet</h1>
        {pages && filled && (
          <div className="flex flex-wrap items-center gap-2">
            <button type="button" className="btn btn-primary" onClick={() => window.print()}>
              <Printer size={18} aria-hidden /> Print
            </button>
            <SheetFiles pages={pages} name={name} />
          </div>
        )}
        {state.solo === null ? (
          <>
            {licks.length > 0 && <SheetSound licks={licks} name={name} />}
            <SheetLicks state={state} titles={titles} onChange={change} />
          </>
        ) : (
          <p className="text-sm">
            <Link className="link" to={`/solos/${state.solo}`}>
              Back to the solo
            </Link>
          </p>
        )}
      </div>
      <div className="flex min-w-0 flex-col gap-6 lg:row-span-2 print:block" aria-busy={late}>
        {!filled && (
          <p className="text-(--quiet) lg:pt-3 print:hidden">
            Add a lick, or select licks in the{' '}
            <Link className="link" to="/">
              library
            </Link>{' '}
            and choose Sheet.
          </p>
        )}
        {filled &&
          pages?.map((page, i) => (
            <PageView
              key={i}
              page={page}
              paper={state.choices.paper}
              label={`Page ${i + 1} of ${pages.length}`}
            />
          ))}
      </div>
      <div className="flex min-w-0 flex-col gap-5 print:hidden">
        <SheetChoicesForm state={state} onChange={change} />
      </div>
    </div>
  )
}

type Kind = 'pdf' | 'svg' | 'png'
const KINDS = [
  ['pdf', 'PDF'],
  ['svg', 'SVG'],
  ['png', 'PNG'],
] as const

/** A sheet as files. What writes them, and their fonts, are fetched when they are asked for. */
function SheetFiles({ pages, name }: { readonly pages: readonly Page[]; readonly name: string }) {
  const [said, setSaid] = useState('')
  const [busy, setBusy] = useState<Kind | null>(null)
  const save = async (kind: Kind) => {
    setBusy(kind)
    setSaid('')
    try {
      const { sheetFile } = await import('./sheet-file')
      const { file, type, content, note } = await sheetFile(kind, pages, name)
      saveFile(file, type, content)
      setSaid(note)
    } catch {
      setSaid(
        'The file could not be made. Check the connection, and try again; printing works without it.',
      )
    } finally {
      setBusy(null)
    }
  }
  return (
    <>
      {KINDS.map(([kind, words]) => (
        <Button
          key={kind}
          label={`Save as ${words}`}
          disabled={busy !== null}
          onClick={() => void save(kind)}
        >
          <Download size={14} aria-hidden /> {words}
        </Button>
      ))}
      <p role="status" className="w-full text-(--quiet) text-sm empty:hidden">
        {said}
      </p>
    </>
  )
}

const MAX_ROUNDS = 32
const PLAIN = { kit: null, unknown: [] }

/** The licks of a sheet one after the other as a sound file, each so often at its learning tempo. */
function SheetSound({ licks, name }: { readonly licks: readonly Lick[]; readonly name: string }) {
  const [rounds, setRounds] = useState(4)
  const grooves = useOwnGrooves()
  const { kit, player } = useSettingFor(PLAIN)
  const { swapsGroove = false } = player
  return (
    <Part level={2} title="To play along with">
      <div className="w-36">
        <LabelledNumber
          label="Rounds of each lick"
          value={rounds}
          min={1}
          max={MAX_ROUNDS}
          onChange={setRounds}
        />
      </div>
      <SaveSound
        name={name}
        stretches={() => licks.map((lick) => ({ lick, tempo: lick.frame.tempo, rounds }))}
        options={{ click: true, parts: 'all', grooves, sounds: soundsOn(kit), swapsGroove }}
      />
    </Part>
  )
}

/** What the sheet is, kept in the address of the page. */
function useSheetState() {
  const { state: given } = useLocation()
  const texts = useMemo(() => givenTexts(given), [given])
  const open = useCallback((search: string) => opened(search, texts), [texts])
  const [state, change] = useAddressState({ open, format: formatSheetAddress })
  return { state, texts, change }
}
/** The sheet of an address; one that names no licks has the texts that came along. */
function opened(search: string, texts: readonly string[]): SheetState {
  const state = parseSheetAddress(new URLSearchParams(search))
  return state.ids.length > 0 ? state : { ...state, ids: texts.map((_, i) => textId(i)) }
}

/** Lick texts that another page gave along: members of a family, which are no licks of the library. */
function givenTexts(given: unknown): readonly string[] {
  const texts = (given as { texts?: unknown } | null)?.texts
  if (!Array.isArray(texts)) return NONE
  return texts.filter((text) => typeof text === 'string').slice(0, MAX_ON_SHEET)
}
const NONE: readonly string[] = []
