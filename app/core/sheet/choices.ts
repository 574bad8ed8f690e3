import type { SheetLook } from './sheet'

/** How large a sheet is printed: a staff of 6, 7 or 8.4 mm. */
export const SHEET_SIZES = { small: 1.5, normal: 1.75, large: 2.1 } as const

/** Everything that a player chooses about a sheet, apart from what is on it. */
export interface SheetChoices {
  readonly paper: SheetLook['paper']
  readonly size: keyof typeof SHEET_SIZES
  readonly mostSystems: number | null
  readonly stacks: boolean
  readonly sticking: 'below' | 'above' | 'none'
  readonly footLetters: boolean
  readonly counts: boolean
  readonly voices: boolean
  /** The bar of groove before a fill. */
  readonly groove: 'notes' | 'slashes' | 'none'
  readonly beaming: 'beat' | 'group'
  readonly ladder: boolean
  readonly key: boolean
  /** For players who lead with the left: right and left hand change places. */
  readonly turned: boolean
}

export const DEFAULT_CHOICES: SheetChoices = {
  paper: 'A4',
  size: 'normal',
  mostSystems: null,
  stacks: true,
  sticking: 'below',
  footLetters: true,
  counts: true,
  voices: false,
  groove: 'slashes',
  beaming: 'beat',
  ladder: true,
  key: true,
  turned: false,
}

/** The look of a sheet that is chosen so. */
export function lookOf(choices: SheetChoices): SheetLook {
  const { paper, size, mostSystems, stacks, sticking, footLetters, counts, voices } = choices
  return {
    paper,
    space: SHEET_SIZES[size],
    mostSystems,
    rows: { stacks, sticking, footLetters, counts, voices },
  }
}
