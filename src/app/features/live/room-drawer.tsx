import { chakra, Stack } from '@chakra-ui/react'
import { useCallback, useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { CallPersonNow } from '~/contracts/call-told'
import type { RoomWorkNow } from '~/contracts/live'
import { boardOf } from '~/core/live/rooms/room'
import { asFacilitator } from '~/core/live/visits/visitor'
import { BoardView } from '../../board-view/board-view'
import { CallOfRoom } from '../../live/call/call-of-room'
import { CommentsHere, type CommentsOnBoard } from '../../live/comments/comments-here'
import { AnswerHelp } from '../../live/help/answer-help'
import { HiddenInRoom } from '../../live/hidden/hidden-in-room'
import type { LiveView, Send } from '../../live/live-view'
import { NoteForm } from '../../live/messages/note-form'
import { Observations } from '../../live/observations/observations'
import { PartsOfRoom } from '../../live/parts/parts-of-room'
import { PutUpOfRoom } from '../../live/put-up/put-up'
import { MutedInRoom } from '../../live/rights/muted'
import { RightsHere } from '../../live/rights/rights-here'
import { WhoWritesHere } from '../../live/rights/who-writes'
import { CloseRoom } from '../../live/room-set/close-room'
import { RoomLink } from '../../live/room-set/room-link'
import { PeopleInRoom } from '../../live/rooms/people-in-room'
import { RenameRoom } from '../../live/rooms/rename-room'
import { TakenOffInRoom } from '../../live/taken-off/taken-off-in-room'
import { type PieceHere, TakesOff } from '../../live/taken-off/takes-off'
import { TalkOfRoom } from '../../live/talk/talk-of-room'
import { VisitButton } from '../../live/visits/visit-button'
import { ask } from '../../live-client/ask'
import { Message } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'
import { Drawer } from './drawer'
import { GiveBoard } from './give-board'

interface RoomDrawerProps {
  sessionId: string
  room: LiveView['rooms'][number]
  index: number
  view: LiveView
  work: RoomWorkNow | undefined
  inCall: readonly CallPersonNow[] | undefined
  accountId: string
  timeZone: string
  /** Null where the room is the only one to look into. */
  onStep: ((by: 1 | -1) => void) | null
  onClose: () => void
  send: Send
}

/** One room from above: its board as it is being written, a note to it, a visit, its name. */
export function RoomDrawer({
  sessionId,
  room,
  index,
  view,
  work,
  inCall,
  accountId,
  timeZone,
  onStep,
  onClose,
  send,
}: RoomDrawerProps) {
  const call = view.help.find(candidate => candidate.roomId === room.id)
  const names = Object.fromEntries(view.people.map(person => [person.id, person.shownName]))
  const open = view.session.phase === 'open'
  const joined = view.visits.some(
    visit => visit.roomId === room.id && visit.accountId === accountId && visit.joined,
  )
  const facilitatorNames = Object.fromEntries(
    view.facilitators.map(({ accountId: id, name }) => [id, asFacilitator(name)]),
  )
  const helpId = call?.id ?? null
  const commentsHere = useMemo(
    (): CommentsOnBoard => ({
      comments: view.comments.filter(({ copyId }) => copyId === room.copyId),
      onComment: open
        ? (spot, text) => send({ type: 'comment', roomId: room.id, ...spot, text, helpId })
        : null,
      onAnswer: (commentId, text) => send({ type: 'answer-comment', commentId, text }),
      onSettle: (commentId, settled) => send({ type: 'settle-comment', commentId, settled }),
    }),
    [view.comments, room.copyId, room.id, open, helpId, send],
  )
  const [problem, setProblem] = useState<string | null>(null)
  const askTaken = useCallback(
    async (request: object) => {
      const answer = await ask(`/sessions/${sessionId}/taken-off`, request)
      setProblem(answer.ok ? null : answer.message)
    },
    [sessionId],
  )
  const takeOff = useCallback(
    (piece: PieceHere) => askTaken({ roomId: room.id, ...piece }),
    [askTaken, room.id],
  )
  return (
    <Drawer
      label={`Room ${room.name}`}
      title={room.name}
      mark={<RoomMark index={index} />}
      {...(onStep && view.rooms.length > 1 && { onStep })}
      onClose={onClose}
    >
      <PeopleInRoom roomId={room.id} view={view} work={work} send={send} />
      {open && (
        <Stack gap="12px" mb="14px">
          {call && (
            <AnswerHelp
              call={call}
              who={names[call.participantId] ?? 'Somebody'}
              accountId={accountId}
              send={send}
            />
          )}
          {work?.late !== undefined && (
            <Message>
              {work.late === 1 ? 'Somebody' : `${work.late} people`} wrote without a line, and it came too
              late for this board: <Link to={`/sessions/${sessionId}/review`}>read it in the review</Link>.
            </Message>
          )}
          <VisitButton view={view} roomId={room.id} accountId={accountId} send={send} />
          <CallOfRoom
            key={`call ${room.id}`}
            sessionId={sessionId}
            roomId={room.id}
            accountId={accountId}
            view={view}
            people={inCall}
            send={send}
          />
          <NoteForm sessionId={sessionId} to={{ roomId: room.id, helpId: call?.id ?? null }} send={send} />
          <TalkOfRoom
            key={room.id}
            sessionId={sessionId}
            roomId={room.id}
            accountId={accountId}
            view={view}
            send={send}
          />
          <WhoWritesHere roomId={room.id} view={view} send={send} />
          <RightsHere room={room} view={view} send={send} />
          <MutedInRoom roomId={room.id} view={view} send={send} />
          <TakenOffInRoom
            roomId={room.id}
            view={view}
            names={names}
            onGiveBack={takenId => askTaken({ takenId })}
          />
          {/* What is said in office hours is for those who are there. */}
          {!view.office && (
            <PutUpOfRoom roomId={room.id} prompts={boardOf(view, room).prompts} view={view} send={send} />
          )}
          <PartsOfRoom roomId={room.id} board={boardOf(view, room)} view={view} send={send} />
          <HiddenInRoom
            roomId={room.id}
            alone={work?.alone ?? {}}
            board={boardOf(view, room)}
            view={view}
            names={names}
            send={send}
          />
          <Observations
            sessionId={sessionId}
            on={{ roomId: room.id }}
            view={view}
            timeZone={timeZone}
            send={send}
          />
          <chakra.details>
            <chakra.summary cursor="pointer" fontWeight="600">
              {room.used ? 'Name, link, close' : 'Name, link, board, close'}
            </chakra.summary>
            <Stack gap="12px" pt="8px">
              <RenameRoom key={room.name} room={room} send={send} />
              <RoomLink key={room.link} room={room} send={send} />
              {!room.used && <GiveBoard sessionId={sessionId} roomId={room.id} label="Another board" />}
              <CloseRoom room={room} rooms={view.rooms} send={send} onClosed={onClose} />
            </Stack>
          </chakra.details>
        </Stack>
      )}
      {problem && <Message kind="problem">{problem}</Message>}
      <CommentsHere.Provider value={commentsHere}>
        <TakesOff.Provider value={open ? takeOff : null}>
          <BoardView
            copyId={room.copyId}
            board={boardOf(view, room)}
            me={joined ? { id: accountId } : null}
            names={{ ...names, ...facilitatorNames }}
            hidden={{
              openedBy: Object.fromEntries(
                Object.entries(view.hiddenOpened[room.id] ?? {}).map(([id, by]) => [
                  id,
                  names[by ?? ''] ?? '',
                ]),
              ),
              onOpen: promptId => send({ type: 'open-hidden-text', promptId, roomId: room.id }),
            }}
          />
        </TakesOff.Provider>
      </CommentsHere.Provider>
    </Drawer>
  )
}
