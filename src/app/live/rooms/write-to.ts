import { createContext, useContext } from 'react'

/** Opens what can be written to or on a person; nothing where that is not offered. */
export const WriteTo = createContext<((participantId: string) => void) | null>(null)

export const useWriteTo = () => useContext(WriteTo)
