/** How the frame of a card looks, dragged or not. */
export const CARD_LOOK = {
  bg: 'panel',
  borderWidth: '1px',
  borderRadius: '6px',
  p: '8px',
  position: 'relative',
  display: 'flex',
  flexDirection: 'column',
} as const
