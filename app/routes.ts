import { index, type RouteConfig, route } from '@react-router/dev/routes'

export default [
  index('routes/library.tsx'),
  route('bench/:id', 'routes/bench.tsx'),
  route('kit', 'routes/kit.tsx'),
  route('practice/:id', 'routes/practice.tsx'),
  route('find', 'routes/find.tsx'),
  route('flow', 'routes/flow.tsx'),
  route('sets', 'routes/sets.tsx'),
  route('sets/:id', 'routes/set.tsx'),
  route('solos', 'routes/solos.tsx'),
  route('solos/:id', 'routes/solo.tsx'),
  route('log', 'routes/log.tsx'),
  route('play-in', 'routes/play-in.tsx'),
  route('compare', 'routes/compare.tsx'),
  route('sheet', 'routes/sheet.tsx'),
  route('bin', 'routes/bin.tsx'),
  route('link', 'routes/link.tsx'),
  route('backup', 'routes/backup.tsx'),
  route('settings', 'routes/settings.tsx'),
  route('*', 'routes/not-found.tsx'),
] satisfies RouteConfig
