import { useEffect, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { useNavigate } from 'react-router'
import type { Groove } from '~/core/groove'
import { TEMPO_RANGE } from '~/core/line'
import { useSettings } from '~/live/use-live'
import { isTypedIn } from '~/ui/keys'
import { lazyComponent } from '~/ui/lazy-component'
import { openSentencePart } from '~/ui/sentence-part'
import { BY_SIGN, FASTER, SLOWER } from '~/ui/tempo-keys'
import { useSpace } from '~/ui/use-space'
import { whenThere } from '~/ui/when-there'
import { moveStart } from '~/workspace/gestures'
import { offer } from '../find'
import { useOpenPanel } from './dock/dock'
import { PANELS, type Panel } from './dock/panel-list'
import { PART_NAMES } from './frame/frame-words'
import { useBenchPlayer, useSetting, useWorkspace } from './state/use-workspace'

const KeyHelp = lazyComponent(async () => (await import('./key-help')).default)

const TEMPO_STEP = 2
const NONE: readonly Groove[] = []
const ANYWHERE = {
  preventDefault: true,
  enableOnFormTags: ['textarea', 'input', 'select'] as const,
}

/** The keys of the bench, wherever the focus is; those of the line and of the ruler are theirs. */
export default function BenchKeys() {
  const workspace = useWorkspace()
  const { toggle } = useBenchPlayer()
  const { open } = useOpenPanel()
  const [helps, setHelps] = useState(false)
  const { singleKeys } = useSettings().settings
  const { kit, grooves = NONE } = useSetting()
  const go = useNavigate()
  const newest = useRef({ kit, grooves, play: toggle, go })
  newest.current = { kit, grooves, play: toggle, go }
  useSpace(toggle)
  useHotkeys(KEYS_OF.undo, () => workspace.travel('undo'), {
    ...ANYWHERE,
    enableOnFormTags: ['textarea'],
  })
  useHotkeys(KEYS_OF.redo, () => workspace.travel('redo'), {
    ...ANYWHERE,
    enableOnFormTags: ['textarea'],
  })
  const tempo = (by: number) => {
    const { least, most } = TEMPO_RANGE
    workspace.setTempo(Math.max(least, Math.min(most, workspace.state().tempo + by)))
  }
  const elsewhere = {
    ...ANYWHERE,
    enableOnFormTags: [],
    ignoreEventWhen: isOnRuler,
    enabled: singleKeys,
  }
  useHotkeys(FASTER, () => tempo(TEMPO_STEP), { ...elsewhere, ...BY_SIGN })
  useHotkeys(SLOWER, () => tempo(-TEMPO_STEP), { ...elsewhere, ...BY_SIGN })
  useHotkeys(KEYS_OF.help, () => setHelps(true), {
    ...ANYWHERE,
    enabled: singleKeys,
    ignoreEventWhen: isTypedIn,
    useKey: true,
  })
  useHotkeys(KEYS_OF.line, focusLine, ANYWHERE)
  const leave = () => {
    // Over the lower half a panel is in the way, also one on its way; beside the ruler it may stay.
    if (matchMedia('(width < 1024px)').matches) open(undefined)
    focusLine()
  }
  useHotkeys(KEYS_OF.leave, leave, { ...ANYWHERE, ignoreEventWhen: isTaken })
  useHotkeys(KEYS_OF.ruler, focusRuler, ANYWHERE)
  useHotkeys(KEYS_OF.widen, () => workspace.widen(), ANYWHERE)
  useHotkeys(KEYS_OF.startEarlier, () => moveStart(workspace, -1), ANYWHERE)
  useHotkeys(KEYS_OF.startLater, () => moveStart(workspace, 1), ANYWHERE)
  useHotkeys(
    Object.values(PART_NAMES).map(({ key }) => key.toLowerCase().replace(' ', '+')),
    (event) => {
      const part = Object.entries(PART_NAMES).find(
        ([, { key }]) => key.at(-1)?.toLowerCase() === event.code.at(-1)?.toLowerCase(),
      )
      if (part) openSentencePart(part[0])
    },
    ANYWHERE,
  )
  useHotkeys(
    PANELS.map((_, i) => `alt+${i < 10 ? '' : 'shift+'}${(i + 1) % 10}`),
    (event) => {
      const digit = Number(event.code.at(-1))
      const index = (digit === 0 ? 9 : digit - 1) + (event.shiftKey ? 10 : 0)
      const panel = PANELS[index]
      if (panel) openAndFocus(panel.id, open)
    },
    ANYWHERE,
  )
  useEffect(() => {
    let gone = false
    let stop = () => {}
    // Fetched after the page and not for it: nobody opens these before it is drawn.
    void import('./frame/frame-fields')
    void import('./more-rows')
    void import('./bench-finds').then(({ benchFinds }) => {
      if (gone) return
      stop = offer((typed) =>
        benchFinds(
          workspace,
          {
            ...newest.current,
            lickId: workspace.session.saver.id,
            openPanel: (id) => openAndFocus(id, open),
            help: () => setHelps(true),
          },
          typed,
        ),
      )
    })
    return () => {
      gone = true
      stop()
    }
  }, [workspace, open])
  useEffect(() => preloadWhenIdle(PANELS), [])
  return helps ? <KeyHelp onClose={() => setHelps(false)} /> : null
}

/** Fetches panels, one each time that the page has nothing else to do. Returns the way to stop. */
function preloadWhenIdle([panel, ...others]: readonly Panel[]): () => void {
  if (!panel || typeof requestIdleCallback === 'undefined') return () => {}
  let stop = () => cancelIdleCallback(asked)
  const asked = requestIdleCallback(() => {
    void panel.View.preload()
    stop = preloadWhenIdle(others)
  })
  return () => stop()
}

/** Opens a panel and takes the focus into it as soon as it is there; behind a colon, a part of it is named. */
function openAndFocus(id: string, open: (id: string) => void): void {
  open(id)
  // The panel that was open before stands for a moment more: what is in it goes with it.
  const inPanel = `[data-panel="${id.split(':')[0]}"] [data-panel-body]`
  focusSoon(`${inPanel} :is(input, select, button, textarea):not(:disabled)`)
}

/** Whether a press of Escape was for something else: a draft, a small window, a dialog. */
function isTaken(event: KeyboardEvent): boolean {
  const { target, defaultPrevented, isComposing } = event
  const inDialog = target instanceof Element && target.closest('dialog') !== null
  return defaultPrevented || isComposing || inDialog
}

function isOnRuler({ target }: Event): boolean {
  return target instanceof Element && target.closest('[data-ruler]') !== null
}

let giveUp = () => {}

const find = (selector: string) => document.querySelector<HTMLElement>(selector)

/** Takes the focus to the typed line. */
function focusLine(): void {
  giveUp()
  find('[data-line]')?.focus()
}

/** Takes the focus to the ruler, whose keys go to its rows. */
function focusRuler(): void {
  giveUp()
  find('[data-ruler]')?.focus()
}

/**
 * Takes the focus to what a selector finds as soon as it is there. Where the focus is led elsewhere
 * before that, it stays there: what is typed next belongs to the last place that was asked for.
 */
function focusSoon(selector: string): void {
  giveUp()
  giveUp = whenThere(
    () => find(selector),
    (found) => found.focus(),
  )
}

/** The keys of the bench, in the words of the hotkeys library. */
const KEYS_OF = {
  undo: 'mod+z',
  redo: 'mod+shift+z, mod+y',
  help: '?, shift+?',
  line: 'alt+l',
  leave: 'escape',
  ruler: 'alt+k',
  widen: 'alt+w',
  startEarlier: 'alt+comma',
  startLater: 'alt+period',
} as const
