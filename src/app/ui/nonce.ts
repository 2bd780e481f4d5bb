import { createContext } from 'react'

/** The number by which the scripts and styles of this page count; the server makes one for each page. */
export const Nonce = createContext<string | undefined>(undefined)
