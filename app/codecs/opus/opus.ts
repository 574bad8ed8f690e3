import {
  AudioSample,
  AudioSampleSource,
  BufferTarget,
  canEncodeAudio,
  OggOutputFormat,
  Output,
} from 'mediabunny'

/** Bits a second: a kit in one channel is clear at that, and a minute is 0.7 MB. */
const BITRATE = 96_000
/** Samples handed over at once. */
const CHUNK = 48_000

/**
 * Samples from -1 to 1 as Opus in an Ogg file, by the encoder of the browser. Rejects with a sentence
 * where the browser has none. Source: RFC 7845, Ogg Encapsulation for the Opus Audio Codec.
 */
export async function formatOpus(
  samples: Float32Array<ArrayBuffer>,
  rate: number,
): Promise<Uint8Array<ArrayBuffer>> {
  const can = await canEncodeAudio('opus', { numberOfChannels: 1, sampleRate: rate })
  if (!can) throw new Error('This browser cannot make compressed sound files: save it as WAV.')
  const target = new BufferTarget()
  const output = new Output({ format: new OggOutputFormat(), target })
  const source = new AudioSampleSource({ codec: 'opus', bitrate: BITRATE })
  output.addAudioTrack(source)
  await output.start()
  for (let from = 0; from < samples.length; from += CHUNK) {
    const sample = new AudioSample({
      data: samples.subarray(from, from + CHUNK),
      format: 'f32',
      numberOfChannels: 1,
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
