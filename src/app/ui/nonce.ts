import { createContext } from 'react'

/** The number by which the scripts of this page may run; the server makes one for each page. */
export const Nonce = createContext<string | undefined>(undefined)
