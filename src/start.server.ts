/** What `server.js` starts: the server, with the made-up school in it when the demo is asked for. */
import { demoWelcome, loadDemo } from './demo/load.server'
import { type Assembly, createRoundTable } from './server/main.server'

export { DataFolderError } from './server/db/folder.server'
export { FolderInUseError } from './server/db/lock.server'
export { readSettings } from './server/settings.server'

export const startRoundTable = (assembly: Omit<Assembly<unknown>, 'fill'>) =>
  createRoundTable({
    ...assembly,
    fill: assembly.settings.demo
      ? async (db, folder) => {
          await loadDemo(db, folder)
          return demoWelcome(db)
        }
      : undefined,
  })
