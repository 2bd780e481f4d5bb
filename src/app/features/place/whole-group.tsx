import { chakra } from '@chakra-ui/react'
import type { ParticipantView } from '~/core/live/views'
import type { SendFromPlace } from '../../live/live-view'
import { OwnMoves } from '../../live/moves/own-moves'
import { Together } from '../../live/rooms/together'
import { ProgramLine } from '../../live/segments/program-line'
import { WhoIsBeside } from '../../live/sitting/who-is-beside'
import { whenMet } from '../../prompts/when-met'

const OfficeLine = whenMet(() => import('../../live/office/office-line'))

interface WholeGroupProps {
  view: ParticipantView
  ownLink: string
  pageMadeAt: number
  send: SendFromPlace
}

/** What a page says outside of rooms: what is now and next, and the ways into a room. */
export default function WholeGroup({ view, ownLink, pageMadeAt, send }: WholeGroupProps) {
  if (view.office)
    return (
      <>
        <OfficeLine office={view.office} pageMadeAt={pageMadeAt} send={send} />
        {view.roundsBegun > 0 && (
          <chakra.p fontSize="s">
            <a href={ownLink}>What the rooms you were in have made</a>
          </chakra.p>
        )}
      </>
    )
  return (
    <>
      <ProgramLine program={view.program} />
      <Together view={view} ownLink={ownLink} />
      <OwnMoves view={view} send={send} />
      <WhoIsBeside view={view} send={send} />
    </>
  )
}
