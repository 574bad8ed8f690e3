/** Samples in two bytes: from -1 to 1 they are as loud as that can say. */
const FULL = 32767
const HEADER_BYTES = 44

/**
 * Samples from -1 to 1 as a WAV file: as many channels as are given, of one length; 16 bits, linear. What is louder
 * is cut. Source: Multimedia Programming Interface and Data Specifications 1.0, RIFF WAVE, format 1.
 * Example: a second in one channel at 44,100 is 88,244 bytes, in two 176,444.
 */
export function formatWav(
  channels: readonly Float32Array[],
  rate: number,
): Uint8Array<ArrayBuffer> {
  const count = channels.length
  const length = channels[0]?.length ?? 0
  const bytes = new Uint8Array(HEADER_BYTES + length * count * 2)
  const view = new DataView(bytes.buffer)
  const letters = (at: number, text: string) => {
    for (const [i, letter] of [...text].entries()) bytes[at + i] = letter.charCodeAt(0)
  }
  letters(0, 'RIFF')
  view.setUint32(4, bytes.length - 8, true)
  letters(8, 'WAVEfmt ')
  view.setUint32(16, 16, true)
  view.setUint16(20, 1, true)
  view.setUint16(22, count, true)
  view.setUint32(24, rate, true)
  view.setUint32(28, rate * count * 2, true)
  view.setUint16(32, count * 2, true)
  view.setUint16(34, 16, true)
  letters(36, 'data')
  view.setUint32(40, length * count * 2, true)
  for (const [channel, samples] of channels.entries())
    for (let i = 0; i < length; i += 1) {
      const sample = Math.max(-1, Math.min(1, samples[i] as number))
      view.setInt16(HEADER_BYTES + (i * count + channel) * 2, Math.round(sample * FULL), true)
    }
  return bytes
}
