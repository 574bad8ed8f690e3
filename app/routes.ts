import { index, type RouteConfig, route } from '@react-router/dev/routes'

export default [
  index('routes/library.tsx'),
  route('bench/:id', 'routes/bench.tsx'),
  route('cells', 'routes/cells.ts'),
  route('grooves', 'routes/grooves.ts'),
  route('licks', 'routes/licks.ts'),
  route('kit', 'routes/kit.tsx'),
  route('versions/:lickId', 'routes/versions.ts'),
  route('practice/:id', 'routes/practice.tsx'),
  route('flow', 'routes/flow.tsx'),
  route('log', 'routes/log.tsx'),
  route('settings', 'routes/settings.tsx'),
  route('*', 'routes/not-found.tsx'),
] satisfies RouteConfig
