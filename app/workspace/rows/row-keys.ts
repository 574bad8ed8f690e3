import type { Groove } from '~/core/groove'
import type { Kit } from '~/core/kit'
import type { StepUnit } from '../selection'
import type { Workspace } from '../workspace'
import { stepRow, strikePattern } from './pattern-row'
import { insertInRow, removeInRow, stepInRow, typeInRow } from './rows'
import { voiceKey } from './voice-keys'
import { strike, unstrike } from './voices-row'

/** How long the first letter of a voice's name waits for the second, in milliseconds. */
const NAME_MS = 1500

/** A key that is pressed on the ruler, with what is held. */
export interface PressedKey {
  readonly key: string
  readonly shiftKey: boolean
  readonly ctrlKey: boolean
  /** When it was pressed, in milliseconds. */
  readonly at: number
}

/** What keys may be about besides the lick: the kit and the grooves, and the music. */
export interface KeyContext {
  readonly kit: Kit
  readonly grooves: readonly Groove[]
  readonly play: () => void
}

/**
 * The keys of the ruler: the same in every row to move, others in each to change.
 * Example: in the voices row `f` then `t` strikes the floor tom.
 */
export class RowKeys {
  /** The first letter of a voice's name, and when it was typed. */
  private typed = { name: '', at: 0 }

  constructor(private readonly workspace: Workspace) {}

  /** Does what a key means in the row that has the keys. Returns whether it meant something. */
  press(pressed: PressedKey, context: KeyContext): boolean {
    if (this.move(pressed, context.grooves)) return true
    return !pressed.ctrlKey && (this.change(pressed, context) || this.write(pressed, context))
  }

  /** Arrows, Home and End; with Shift they mark, with Ctrl they go by groups; up and down change the row. */
  private move({ key, shiftKey, ctrlKey }: PressedKey, grooves: readonly Groove[]): boolean {
    const { workspace } = this
    const step = (way: 1 | -1, unit: StepUnit) =>
      stepInRow(workspace, way, { unit, extend: shiftKey }, grooves)
    const unit = ctrlKey ? 'group' : 'slot'
    if (key === 'ArrowRight') step(1, unit)
    else if (key === 'ArrowLeft') step(-1, unit)
    else if (key === 'Home') step(-1, 'end')
    else if (key === 'End') step(1, 'end')
    else if (key === 'ArrowUp') stepRow(workspace, -1, grooves)
    else if (key === 'ArrowDown') stepRow(workspace, 1, grooves)
    else return false
    return true
  }

  private change({ key }: PressedKey, { grooves, play }: KeyContext): boolean {
    const { workspace } = this
    const voices = workspace.state().row === 'voices'
    if (key === 'Delete' && voices) unstrike(workspace)
    else if (key === 'Delete') removeInRow(workspace, false, grooves)
    else if (key === 'Backspace' && voices) workspace.step(-1, 'slot', false)
    else if (key === 'Backspace') removeInRow(workspace, true, grooves)
    else if (key === 'Insert' && !voices) insertInRow(workspace, grooves)
    else if (key === 'Enter') play()
    else return false
    return true
  }

  private write(pressed: PressedKey, context: KeyContext): boolean {
    if (this.workspace.state().row === 'voices') return this.name(pressed, context.kit)
    // Space plays, wherever the keys are.
    if (pressed.key === ' ') return false
    return typeInRow(this.workspace, pressed.key, context.grooves) || this.number(pressed, context)
  }

  /** A surface by its number on the plan, its code, or a usual short name. */
  private name({ key, at }: PressedKey, kit: Kit): boolean {
    const { workspace, typed } = this
    const read = voiceKey(kit, at - typed.at < NAME_MS ? typed.name : '', key)
    this.typed = { name: read?.kind === 'more' ? read.typed : '', at }
    if (read?.kind === 'surface') strike(workspace, read.surface)
    if (read?.kind === 'unknown') {
      workspace.refuse(`No drum or cymbal is called “${read.typed}”.`)
    }
    return read !== undefined
  }

  /** In a pattern under the line a number strikes too: its letters are limbs. */
  private number({ key }: PressedKey, { kit, grooves }: KeyContext): boolean {
    if (!this.workspace.place || !/^\d$/.test(key)) return false
    const read = voiceKey(kit, '', key)
    if (read?.kind === 'surface') strikePattern(this.workspace, read.surface, grooves)
    else this.workspace.refuse(`No drum or cymbal has the number ${key}.`)
    return true
  }
}
