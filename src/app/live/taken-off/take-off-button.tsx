import { EyeOff } from 'lucide-react'
import { useContext } from 'react'
import { Button } from '../../ui/button'
import { type PieceHere, TakesOff } from './takes-off'

/** Takes what it stands beside off everybody's screen; nothing where that may not be done. */
export function TakeOffButton(piece: PieceHere) {
  const takeOff = useContext(TakesOff)
  if (!takeOff) return null
  return (
    <Button
      size="small"
      kind="bare"
      aria-label={`Take off the screens: ${piece.text.slice(0, 60)}`}
      onClick={() => takeOff(piece)}
    >
      <EyeOff size={16} aria-hidden="true" /> Take off
    </Button>
  )
}
