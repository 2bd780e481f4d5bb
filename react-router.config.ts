import type { Config } from '@react-router/dev/config'

export default {
  appDirectory: 'src/app',
  ssr: true,
  // All routes are known from the start: asking for them one by one fails loudly whenever the line is down.
  routeDiscovery: { mode: 'initial' },
  future: { v8_middleware: true, v8_viteEnvironmentApi: true, v8_splitRouteModules: true },
} satisfies Config
