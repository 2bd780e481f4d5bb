import { createContext } from 'react'

/** Where the files on a board are read from: facilitators read all of them, participants what stands on their own boards. */
export const FilesAt = createContext('/files')
