import { describe, expect, it } from 'vitest'
import { evaluate, examplesOf, modulesOf, written } from '../support/examples'

const FOLDERS = ['app/core', 'app/codecs']
const files = modulesOf(FOLDERS).map((file) => ({ file, ...examplesOf(file) }))
const rooms = import.meta.glob<object>(['/app/core/*/index.ts', '/app/codecs/lick-text/index.ts'], {
  eager: true,
})
const modules = import.meta.glob<object>(['/app/{core,codecs}/**/*.ts', '!**/*.test.ts'])

describe('the examples of docstrings', () => {
  it('are true, wherever one says what comes out', async () => {
    const wrong: string[] = []
    let asked = 0
    for (const { file, examples } of files) {
      if (examples.length === 0) continue
      const own = (await modules[`/${file}`]?.()) ?? {}
      for (const example of examples) {
        asked += 1
        const found = written(evaluate(example.asked, [...Object.values(rooms), own]))
        if (found !== example.is) wrong.push(`${file} ${example.of}: ${example.asked} is ${found}`)
      }
    }
    expect(wrong).toEqual([])
    expect(asked).toBeGreaterThan(150)
  })

  it('stand at more than half of what core and codecs export', () => {
    const all = files.flatMap(({ documented }) => documented)
    expect(all.filter(({ shown }) => shown).length / all.length).toBeGreaterThan(0.5)
  })
})
