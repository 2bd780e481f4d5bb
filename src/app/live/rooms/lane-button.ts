/** The id of the button that opens a room, to which the focus goes back when its drawer closes. */
export const laneButtonId = (roomId: string): string => `open-${roomId}`
