import { renderSound, SOUND_NAMES } from '~/core/sound'
import type { RenderKitReply, RenderKitRequest } from './protocol'

/** Renders the kit off the main thread, the sounds most in use first. */
self.onmessage = ({ data }: MessageEvent<RenderKitRequest>) => {
  for (const name of SOUND_NAMES) {
    const samples = renderSound(name, data.rate)
    const reply: RenderKitReply = { kind: 'sound', id: data.id, name, samples }
    self.postMessage(reply, { transfer: [samples.buffer] })
  }
  self.postMessage({ kind: 'done', id: data.id } satisfies RenderKitReply)
}
