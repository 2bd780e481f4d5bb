import type { Config } from '@react-router/dev/config'

export default {
  appDirectory: 'src/app',
  ssr: true,
  future: { v8_middleware: true, v8_viteEnvironmentApi: true, v8_splitRouteModules: true },
} satisfies Config
