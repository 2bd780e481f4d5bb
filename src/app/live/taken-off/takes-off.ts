import { createContext } from 'react'

/** A piece of the board that is shown. */
export interface PieceHere {
  promptId: string
  pieceId: string
  /** How it reads. */
  text: string
}

/** Takes a piece off the screens; null for those who may not. */
export const TakesOff = createContext<((piece: PieceHere) => void) | null>(null)
