import { randomBytes } from 'node:crypto'
import { PassThrough } from 'node:stream'
import { createReadableStreamFromReadable } from '@react-router/node'
import { isbot } from 'isbot'
import { renderToPipeableStream } from 'react-dom/server'
import { type EntryContext, ServerRouter } from 'react-router'

/**
 * What a page may load: its own files only; inline scripts, and styles that a page adds while something is
 * dragged, only with the nonce of the response.
 */
function contentSecurityPolicy(nonce: string): string {
  const development = import.meta.env.DEV
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'${development ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' ${development ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "media-src 'self' blob:",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "worker-src 'self'",
    "manifest-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
}

/** Renders a page on the server, with a policy for its content. */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
): Promise<Response> {
  const nonce = randomBytes(16).toString('base64')
  const whole = isbot(request.headers.get('user-agent') ?? '') ? 'onAllReady' : 'onShellReady'
  return new Promise((resolve, reject) => {
    let code = status
    const { pipe } = renderToPipeableStream(
      <ServerRouter context={context} url={request.url} nonce={nonce} />,
      {
        nonce,
        [whole]() {
          const body = new PassThrough()
          headers.set('Content-Type', 'text/html; charset=utf-8')
          headers.set('Content-Security-Policy', contentSecurityPolicy(nonce))
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status: code }))
          pipe(body)
        },
        onShellError: reject,
        onError(error: unknown) {
          code = 500
          console.error(error)
        },
      },
    )
  })
}
