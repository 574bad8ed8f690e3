import { expect, it } from 'vitest'
import { Shown } from './shown'

it('tells who shows it when there is something else, and not when it is the same', () => {
  const shown = new Shown<readonly string[]>([])
  const told: (readonly string[])[] = []
  const stop = shown.subscribe(() => told.push(shown.read()))
  const endings = ['RL', 'RLK']
  shown.show(endings)
  shown.show(endings)
  expect(told).toEqual([endings])
  stop()
  shown.show([])
  expect(told).toHaveLength(1)
  expect(shown.read()).toEqual([])
})
