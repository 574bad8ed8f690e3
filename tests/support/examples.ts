import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { findPhrase, formatPhrase, type Phrase } from '~/core/changes'
import { lickOf } from './licks'

/** An example of a docstring that can be asked: what is written before its `//`, and behind it what that is. */
export interface Example {
  readonly file: string
  readonly of: string
  readonly asked: string
  readonly is: string
}

/** An exported function with whether it shows an example, of whatever kind. */
export interface Documented {
  readonly file: string
  readonly of: string
  readonly shown: boolean
}

/** All modules of some folders, without tests. */
export function modulesOf(folders: readonly string[]): string[] {
  return folders.flatMap((folder) =>
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .map((entry) => join(entry.parentPath, entry.name))
      .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
      .sort(),
  )
}

/** The exported functions of a module, and the examples of their docstrings that can be asked. */
export function examplesOf(file: string): { documented: Documented[]; examples: Example[] } {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true)
  const documented: Documented[] = []
  const examples: Example[] = []
  for (const statement of source.statements) {
    if (!ts.isFunctionDeclaration(statement) || !statement.name) continue
    if (!statement.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) continue
    const of = statement.name.text
    const comment = source.text.slice(statement.getFullStart(), statement.getStart())
    documented.push({ file, of, shown: /@example|Examples?: /.test(comment) })
    for (const [, asked = '', is = ''] of comment.matchAll(/@example (.+?) \/\/ (.+)$/gm))
      examples.push({ file, of, asked, is: is.trim() })
  }
  return { documented, examples }
}

/** What examples may name besides what their rooms export: a lick by its text, a cell by its letters, and back. */
const HELPERS = {
  lickOf,
  phrase: (letters: string): Phrase => {
    const found = findPhrase(letters)
    if (!found) throw new Error(`no cell: ${letters}`)
    return found
  },
  text: formatPhrase,
}

/** Works out an expression with what some modules export. */
export function evaluate(asked: string, modules: readonly object[]): unknown {
  const scope: Record<string, unknown> = Object.assign({}, ...modules, HELPERS)
  const names = Object.keys(scope).filter((name) => new RegExp(`\\b${name}\\b`).test(asked))
  return new Function(...names, `return (${asked})`)(...names.map((name) => scope[name]))
}

/** A value as an example writes it. */
export function written(value: unknown): string {
  if (typeof value === 'string') return `'${value.replaceAll('\n', '\\n')}'`
  if (typeof value === 'bigint') return `${value}n`
  if (Array.isArray(value)) return `[${value.map(written).join(', ')}]`
  if (value !== null && typeof value === 'object')
    return `{ ${Object.entries(value)
      .map(([key, one]) => `${key}: ${written(one)}`)
      .join(', ')} }`
  return String(Object.is(value, -0) ? 0 : value)
}
