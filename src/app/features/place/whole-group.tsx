import type { ParticipantView } from '~/core/live/views'
import type { SendFromPlace } from '../../live/live-view'
import { OwnMoves } from '../../live/moves/own-moves'
import { Together } from '../../live/rooms/together'
import { ProgramLine } from '../../live/segments/program-line'
import { WhoIsBeside } from '../../live/sitting/who-is-beside'

interface WholeGroupProps {
  view: ParticipantView
  ownLink: string
  send: SendFromPlace
}

/** What a page says outside of rooms: what is now and next, and the ways into a room. */
export default function WholeGroup({ view, ownLink, send }: WholeGroupProps) {
  return (
    <>
      <ProgramLine program={view.program} />
      <Together view={view} ownLink={ownLink} />
      <OwnMoves view={view} send={send} />
      <WhoIsBeside view={view} send={send} />
    </>
  )
}
