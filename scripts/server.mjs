import { pathToFileURL } from 'node:url'
import { createRequestHandler } from '@react-router/express'
import compression from 'compression'
import express from 'express'

/**
 * The app's server: its files, and its pages as they are rendered. Every answer says what a browser may
 * do with it; whatever goes wrong is answered without a word of where.
 */
const CLIENT = 'build/client'
const YEAR = 31_536_000

const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Permissions-Policy':
    'microphone=(self), midi=(self), camera=(), geolocation=(), payment=(), usb=()',
}
const LASTING = { immutable: true, maxAge: YEAR * 1000 }
const METHODS = new Set(['GET', 'HEAD', 'POST'])

/** The app over a built server. Options: `demo` says whether an empty store is filled. */
export async function createApp(build) {
  const app = express()
  app.disable('x-powered-by')
  app.use((request, response, next) => {
    response.set(HEADERS)
    if (METHODS.has(request.method)) return next()
    response.set('Allow', [...METHODS].join(', '))
    response.status(405).type('text').send('Method not allowed')
  })
  app.get('/assets/:file', packed)
  app.use(compression())
  // The names of assets change with what is in them; those of other files do not.
  app.use('/assets', express.static(`${CLIENT}/assets`, LASTING))
  app.use('/assets', (_request, response) => response.status(404).type('text').send('Not found'))
  app.use(
    express.static(CLIENT, {
      index: false,
      setHeaders: (response) => response.setHeader('Cache-Control', 'no-cache'),
    }),
  )
  app.use((_request, response, next) => {
    // A page is asked for again each time: it names the assets of the version that is served.
    response.set('Cache-Control', 'no-cache')
    next()
  })
  app.all('*', createRequestHandler({ build, mode: 'production' }))
  app.use((error, _request, response, _next) => {
    const status = error.status >= 400 && error.status < 500 ? error.status : 500
    if (status === 500) console.error(error)
    if (response.headersSent) return response.end()
    response
      .status(status)
      .type('text')
      .send(status === 500 ? 'Server error' : 'Bad request')
  })
  return app
}

/** Answers with the file as the build packed it, to whoever can unpack it. */
function packed(request, response, next) {
  const { file } = request.params
  const kind = /^[\w.-]+\.(js|css|svg)$/.exec(file)?.[1]
  if (!kind || !request.acceptsEncodings('gzip')) return next()
  const headers = { 'Content-Encoding': 'gzip', Vary: 'Accept-Encoding' }
  const root = `${CLIENT}/assets`
  response.type(kind)
  response.sendFile(`${file}.gz`, { ...LASTING, root, headers }, (error) => {
    if (!error || response.headersSent) return
    response.removeHeader('Content-Encoding')
    next()
  })
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const build = await import(pathToFileURL('build/server/index.js').href)
  const app = await createApp(build)
  const port = Number(process.env.PORT ?? 3000)
  const host = process.env.HOST ?? '127.0.0.1'
  const server = app.listen(port, host)
  for (const signal of ['SIGINT', 'SIGTERM']) {
    process.once(signal, () => {
      server.close()
      server.closeAllConnections()
    })
  }
}
