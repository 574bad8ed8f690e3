import { nanoid } from 'nanoid'
import { redirect } from 'react-router'
import * as z from 'zod'
import { parseBundle } from '~/codecs/bundle'
import { lineTextOf, parseLickText, setValues, valuesOf } from '~/codecs/lick-text'
import { parseVoicing } from '~/codecs/voicing'
import { applyTransaction, toTransaction } from '~/core/editing'
import { ok } from '~/core/foundation'
import { lickLogs, onGrid } from '~/core/log'
import {
  addLicks,
  type LickRecord,
  type LickTexts,
  listLicks,
  listSessions,
  loadLick,
  loadSettings,
  type PracticeSessionRecord,
  purgeDeleted,
  type StoreIssue,
  setDeleted,
} from '~/storage'
import { toPracticeSession } from '../log/practice-session'
import { demoLicks, fillDemo } from '../shell/demo-fill'

const DAY = 24 * 60 * 60 * 1000
/** A deleted lick can be restored for this long. */
const KEPT_DELETED = 30 * DAY

/** The licks of this browser. In the demo, an empty store is filled on the first visit. */
export async function openLibrary(demo: boolean) {
  await fillDemo(demo)
  const [listed, settings, sessions] = await Promise.all([
    listLicks(),
    loadSettings(),
    listSessions(),
  ])
  if (!listed.ok) return listed
  void purgeDeleted(Date.now() - KEPT_DELETED)
  return ok({
    ...listed.value,
    turned: settings.turnLetters,
    cleanTempos: bestClean(sessions.ok ? sessions.value : [], listed.value.licks),
  })
}

/** The fastest tempo at which each lick was clean, as it would be on the grid that it has now. */
function bestClean(
  sessions: readonly PracticeSessionRecord[],
  licks: readonly LickRecord[],
): ReadonlyMap<string, number> {
  const best = new Map<string, number>()
  for (const { id, text } of licks) {
    const own = sessions.filter(({ lickId }) => lickId === id)
    const read = own.length > 0 ? parseLickText(text) : undefined
    if (!read?.ok) continue
    const [log] = lickLogs(onGrid(own.map(toPracticeSession), read.value.lick.frame.grid))
    if (log?.bestClean != null) best.set(id, Math.round(log.bestClean))
  }
  return best
}

/** What an action of the library tells the page that asked for it. */
export interface LibraryNotice {
  readonly kind: 'deleted' | 'imported' | 'failed' | 'done'
  readonly message: string
  readonly id?: string
}

const NEW_TEXT =
  'dime-lick: 1\ntitle: New lick\nmeter: 4/4\ntempo: 80\ngrid: 1/16\nstart: 1\nline: \n'

/** Creates, duplicates, deletes, brings back and imports licks. */
export async function libraryAction(request: Request): Promise<LibraryNotice | Response> {
  const form = await request.formData()
  const field = (name: string) => String(form.get(name) ?? '')
  switch (field('intent')) {
    case 'create':
      return createLick({ text: NEW_TEXT, draft: null, voicing: '' })
    case 'duplicate':
      return duplicateLick(field('id'), field('texts'))
    case 'save': {
      const given = parseTexts(field('texts'))
      if (!given) return { kind: 'failed', message: 'There is no lick to save.' }
      return createLick(given)
    }
    case 'delete': {
      const deleted = await setDeleted(field('id'), Date.now())
      if (!deleted.ok) return failed(deleted.error)
      const title = encodeURIComponent(field('title') || 'Untitled')
      return redirect(`/?deleted=${encodeURIComponent(field('id'))}&title=${title}`)
    }
    case 'restore': {
      const restored = await setDeleted(field('id'), null)
      return restored.ok ? redirect('/') : failed(restored.error)
    }
    case 'demo': {
      const added = await addLicks(await demoLicks(), Date.now())
      return added.ok
        ? { kind: 'done', message: `${added.value} licks added` }
        : failed(added.error)
    }
    case 'import':
      return importFiles(form.getAll('files').filter((file) => file instanceof File))
    default:
      return { kind: 'failed', message: 'The library does not know what to do.' }
  }
}

async function createLick(texts: LickTexts): Promise<LibraryNotice | Response> {
  const id = nanoid(12)
  const added = await addLicks([{ id, ...texts }], Date.now())
  return added.ok ? redirect(`/bench/${id}`) : failed(added.error)
}

/** A copy of a lick: as it is on the bench, where that is sent along, else as it is stored. */
async function duplicateLick(id: string, sent: string): Promise<LibraryNotice | Response> {
  const given = sent === '' ? undefined : parseTexts(sent)
  if (given) return createLick(copyOf(given))
  const lick = await loadLick(id)
  return lick.ok ? createLick(copyOf(lick.value)) : failed(lick.error)
}

function copyOf({ text, draft, voicing }: LickTexts): LickTexts {
  return { text: titled(text), draft: draft === null ? null : titled(draft), voicing }
}

const textsSchema = z.object({
  text: z.string(),
  draft: z.string().nullable(),
  voicing: z.string(),
})

function parseTexts(json: string): LickTexts | undefined {
  try {
    const read = textsSchema.safeParse(JSON.parse(json))
    return read.success ? read.data : undefined
  } catch {
    return undefined
  }
}

function titled(text: string): string {
  const title = valuesOf(text, 'title')[0] ?? 'Untitled'
  return applyTransaction(
    text,
    toTransaction('title', setValues(text, 'title', [`${title}, copy`])),
  )
}

/** Reads bundles and lick texts. What cannot be read is named; the rest comes in. */
async function importFiles(files: readonly File[]): Promise<LibraryNotice> {
  const faults: string[] = []
  let count = 0
  for (const file of files) {
    const content = await file.text()
    const licks = file.name.endsWith('.json') ? bundled(content) : single(content)
    if (!licks.ok) {
      faults.push(`${file.name}: ${licks.error}`)
      continue
    }
    const added = await addLicks(licks.value, Date.now())
    if (added.ok) count += added.value
    else faults.push(`${file.name}: ${added.error.detail}`)
  }
  const message = [`${count} ${count === 1 ? 'lick' : 'licks'} imported`, ...faults].join('. ')
  return { kind: faults.length > 0 ? 'failed' : 'imported', message }
}

interface Incoming {
  readonly id: string
  readonly text: string
  readonly draft: string | null
  readonly voicing: string
}

function bundled(content: string) {
  const read = parseBundle(content)
  if (!read.ok) return { ok: false, error: read.error.message } as const
  const licks: Incoming[] = []
  for (const { id, text, draft = null, voicing = '' } of read.value) {
    if (!parseLickText(text).ok)
      return { ok: false, error: `the text of ${id} cannot be read` } as const
    const laid = parseVoicing(voicing)
    if (!laid.ok) return { ok: false, error: `the ${laid.error} (${id})` } as const
    licks.push({ id, text, draft, voicing })
  }
  return ok(licks)
}

function single(content: string) {
  const read = parseLickText(content)
  if (!read.ok) {
    const { line, column, expected } = read.error[0] as {
      line: number
      column: number
      expected: string
    }
    return { ok: false, error: `row ${line}, character ${column}: expected ${expected}` } as const
  }
  if (lineTextOf(content).trim() === '')
    return { ok: false, error: 'there is no sticking in it' } as const
  return ok<Incoming[]>([{ id: nanoid(12), text: content, draft: null, voicing: '' }])
}

function failed(issue: StoreIssue): LibraryNotice {
  const message =
    issue.code === 'quota'
      ? 'The browser has no room left: nothing was changed.'
      : `The store refused: ${issue.detail}`
  return { kind: 'failed', message }
}
