import type { SoundName } from '~/core/sound'

/** What the page asks of the kit worker, and what it answers: one message a sound. */
export interface RenderKitRequest {
  readonly kind: 'render-kit'
  readonly id: number
  readonly rate: number
}
export type RenderKitReply =
  | {
      readonly kind: 'sound'
      readonly id: number
      readonly name: SoundName
      readonly samples: Float32Array
    }
  | { readonly kind: 'done'; readonly id: number }

/** What the ticker is told. It answers with a bare tick. */
export type TickerRequest =
  | { readonly kind: 'start'; readonly everyMs: number }
  | { readonly kind: 'stop' }
