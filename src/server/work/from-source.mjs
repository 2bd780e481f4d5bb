// The work thread where nothing is built: development and tests. TypeScript is read as it is.
import { register } from 'tsx/esm/api'

register()
const { default: run } = await import('./tasks.server.ts')
export default run
