import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { RegExpParser } from '@eslint-community/regexpp'
import { analyse } from 'scslre'
import ts from 'typescript'

/**
 * No pattern may take more than linear time: each regular expression of the app is analysed for
 * backtracking that grows faster than what it reads. Patterns made at run time are not allowed, but for
 * those listed, which are made of constants.
 */
const MADE_OF_CONSTANTS = new Set(['app/codecs/lick-text/rows.ts'])
const parser = new RegExpParser()
const faults = []
let patterns = 0

for (const path of filesIn('app')) {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true)
  visit(source, path, source)
}
for (const fault of faults) console.log(fault)
console.log(`${patterns} patterns, ${faults.length} that may take more than linear time`)
process.exit(faults.length > 0 || patterns === 0 ? 1 : 0)

function visit(node, path, source) {
  if (ts.isRegularExpressionLiteral(node)) check(node.text, place(node, path, source))
  const made =
    (ts.isNewExpression(node) || ts.isCallExpression(node)) &&
    node.expression.getText(source) === 'RegExp'
  if (made && !MADE_OF_CONSTANTS.has(path))
    faults.push(`${place(node, path, source)}: a pattern made at run time`)
  ts.forEachChild(node, (child) => visit(child, path, source))
}

function check(literal, at) {
  patterns += 1
  const end = literal.lastIndexOf('/')
  const ast = {
    pattern: parser.parsePattern(literal.slice(1, end)),
    flags: parser.parseFlags(literal.slice(end + 1)),
  }
  for (const report of analyse(ast).reports) {
    faults.push(
      `${at}: ${literal} (${report.type}, ${report.exponential ? 'exponential' : 'polynomial'})`,
    )
  }
}

function place(node, path, source) {
  return `${path}:${source.getLineAndCharacterOfPosition(node.getStart(source)).line + 1}`
}

function filesIn(folder) {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) return filesIn(path)
    return /\.(ts|tsx|js)$/.test(name) && !/\.test\./.test(name) ? [path] : []
  })
}
