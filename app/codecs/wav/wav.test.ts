import { describe, expect, it } from 'vitest'
import { formatWav } from '.'

describe('samples as a WAV file', () => {
  it('has a header that says what follows', () => {
    const bytes = formatWav([new Float32Array(44_100)], 44_100)
    const view = new DataView(bytes.buffer)
    const text = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4))
    expect([text(0), text(8), text(12), text(36)]).toEqual(['RIFF', 'WAVE', 'fmt ', 'data'])
    expect([bytes.length, view.getUint32(4, true), view.getUint32(40, true)]).toEqual([
      88_244, 88_236, 88_200,
    ])
    expect([view.getUint16(22, true), view.getUint32(24, true), view.getUint16(34, true)]).toEqual([
      1, 44_100, 16,
    ])
  })

  it('has the samples as whole numbers, cut where they are louder than it can say', () => {
    const bytes = formatWav([Float32Array.of(0, 0.5, -1, 2, -2)], 8000)
    const view = new DataView(bytes.buffer)
    expect([0, 1, 2, 3, 4].map((i) => view.getInt16(44 + i * 2, true))).toEqual([
      0, 16384, -32767, 32767, -32767,
    ])
  })

  it('has the samples of two channels one beside the other', () => {
    const bytes = formatWav([Float32Array.of(0, 1), Float32Array.of(-1, 0.5)], 8000)
    const view = new DataView(bytes.buffer)
    expect([22, 32].map((at) => view.getUint16(at, true))).toEqual([2, 4])
    expect([28, 40].map((at) => view.getUint32(at, true))).toEqual([32_000, 8])
    expect([0, 1, 2, 3].map((i) => view.getInt16(44 + i * 2, true))).toEqual([
      0, -32767, 32767, 16384,
    ])
  })
})
