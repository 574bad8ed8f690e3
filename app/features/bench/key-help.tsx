import { X } from 'lucide-react'
import { Modal } from '~/ui/modal'
import { panelKey } from './dock/dock'
import { PANELS } from './dock/panel-list'
import { PART_NAMES } from './frame/frame-words'

type Row = readonly [keys: string, what: string]

const SECTIONS: readonly (readonly [title: string, rows: readonly Row[]])[] = [
  [
    'Anywhere',
    [
      ['Space', 'Play, or stop'],
      ['Ctrl K', 'Find a command, a cell or a lick'],
      ['Alt L', 'Go to the line'],
      ['Alt K', 'Go to the ruler'],
      ['Alt Shift 1 to 3', 'Take an ending that fills the bar'],
      ['Alt W', 'Widen the selection: group, then line'],
      ['Alt , / Alt .', 'Start the line earlier, later'],
      ['Ctrl Z / Ctrl Y', 'Undo, redo'],
      ['+ / −', 'Faster, slower'],
    ],
  ],
  [
    'In the line',
    [
      ['R L K H J X', 'Strokes; small letters are ghosts'],
      ['Enter', 'Play'],
      ['Shift Enter', 'Next row'],
      ['Ctrl ← →', 'To the next group'],
    ],
  ],
  [
    'On the ruler',
    [
      ['← →', 'From slot to slot; Ctrl by groups, Home and End'],
      ['Shift ← →', 'Mark more'],
      ['↑ ↓', 'Sticking, voices, layers, groove'],
      ['Escape', 'Back to the line'],
    ],
  ],
  [
    'In the sticking row',
    [
      ['R L K H J X', 'Replace, and step on; small letters are ghosts'],
      ['> ^ _ G', 'Accent, strong accent, soft, ghost'],
      ['F D T', 'Flam, drag, ruff'],
      ['−', 'Rest'],
      ['( {', 'The next letter together, in one slot'],
      ['/', 'End the group before'],
      ['Insert, Delete', 'Open a slot, remove'],
    ],
  ],
  [
    'In the voices row',
    [
      ['1 to 9, 0', 'Strike the piece with that number on the plan, and step on'],
      ['T1, FT, HH …', 'Strike a drum or cymbal by its name'],
      ['Delete', 'Clear what was struck'],
    ],
  ],
  [
    'In a layer or the groove',
    [
      ['R K H > { …', 'As in the sticking row, wherever it comes round'],
      ['1 to 9, 0', 'Put its hand on the piece with that number'],
    ],
  ],
  ['The bar', Object.values(PART_NAMES).map(({ name, key }): Row => [key, name])],
  ['Panels', PANELS.map(({ name }, i): Row => [panelKey(i), name])],
]

/** All keys of the bench on one page. */
export default function KeyHelp({ onClose }: { onClose: () => void }) {
  return (
    <Modal
      label="Keys"
      className="max-h-[90vh] w-[min(64rem,96vw)] overflow-y-auto p-5 backdrop:bg-black/30"
      onClose={onClose}
    >
      {(close) => (
        <>
          <div className="flex items-center">
            <h2 className="font-semibold text-lg">Keys</h2>
            <button
              type="button"
              className="btn btn-ghost btn-square btn-sm ml-auto"
              aria-label="Close the keys"
              onClick={close}
            >
              <X size={18} aria-hidden />
            </button>
          </div>
          <div className="mt-3 gap-8 text-sm sm:columns-2 lg:columns-3">
            {SECTIONS.map(([title, rows]) => (
              <section key={title} className="mb-4 break-inside-avoid">
                <h3 className="mb-1 font-semibold">{title}</h3>
                <dl>
                  {rows.map(([keys, what]) => (
                    <div key={keys} className="flex gap-3 py-0.5">
                      <dt className="w-28 shrink-0 font-mono text-xs leading-5">{keys}</dt>
                      <dd>{what}</dd>
                    </div>
                  ))}
                </dl>
              </section>
            ))}
          </div>
        </>
      )}
    </Modal>
  )
}
