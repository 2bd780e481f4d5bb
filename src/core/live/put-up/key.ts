/** Tells one thing that is put up from another; by itself, since pages need no more of the topic. */
export const putUpKey = ({ roomId, promptId }: { roomId: string | null; promptId: string | null }): string =>
  `${roomId ?? ''}/${promptId ?? ''}`
