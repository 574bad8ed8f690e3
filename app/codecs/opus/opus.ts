import {
  AudioSample,
  AudioSampleSource,
  BufferTarget,
  canEncodeAudio,
  OggOutputFormat,
  Output,
} from 'mediabunny'

/** Bits a second: a kit is clear at that, and a minute is 1 MB. */
const BITRATE = 128_000
/** Samples handed over at once. */
const CHUNK = 48_000

/**
 * Samples from -1 to 1, in channels of one length, as Opus in an Ogg file, by the encoder of the browser. Rejects with a sentence
 * where the browser has none. Source: RFC 7845, Ogg Encapsulation for the Opus Audio Codec.
 */
export async function formatOpus(
  channels: readonly Float32Array<ArrayBuffer>[],
  rate: number,
): Promise<Uint8Array<ArrayBuffer>> {
  const can = await canEncodeAudio('opus', { numberOfChannels: channels.length, sampleRate: rate })
  if (!can) throw new Error('This browser cannot make compressed sound files: save it as WAV.')
  const target = new BufferTarget()
  const output = new Output({ format: new OggOutputFormat(), target })
  const source = new AudioSampleSource({ codec: 'opus', bitrate: BITRATE })
  output.addAudioTrack(source)
  await output.start()
  const length = channels[0]?.length ?? 0
  for (let from = 0; from < length; from += CHUNK) {
    const part = Math.min(CHUNK, length - from)
    const data = new Float32Array(part * channels.length)
    for (const [i, samples] of channels.entries())
      data.set(samples.subarray(from, from + part), i * part)
    const sample = new AudioSample({
      data,
      format: 'f32-planar',
      numberOfChannels: channels.length,
      sampleRate: rate,
      timestamp: from / rate,
    })
    await source.add(sample)
    sample.close()
  }
  await output.finalize()
  if (!target.buffer) throw new Error('The sound file came out empty.')
  return new Uint8Array(target.buffer)
}
