import { Box, chakra, Stack } from '@chakra-ui/react'
import type { Board } from '~/core/boards/board'
import type { ReadAnswer } from '~/core/boards/prompts/kinds'
import type { TakenOffHere } from '~/core/live/taken-off/taken'
import { CameLate, type LateHere } from '../../live/late-contributions/came-late'
import TakenOffNotice from '../../live/taken-off/taken-off-notice'
import { TalkThen } from '../../live/talk/talk-then'
import { AnswerView } from '../../prompts/answer-view'
import { Empty } from '../../ui/layout'
import { WhatIsKept } from '../../ui/what-is-kept'

interface MinePageProps {
  work: {
    title: string
    date: string
    shownName: string
    board: Board
    takenOff: TakenOffHere[]
    rooms: {
      id: string
      name: string
      members: string[]
      answers: Record<string, ReadAnswer>
      late: LateHere[]
      talk: { by: string; text: string; at: string }[]
    }[]
  }
}

/** What the rooms somebody was in have made; of other rooms nothing is here. */
export function MinePage({ work }: MinePageProps) {
  return (
    <Box as="main" maxW="680px" mx="auto" px="16px" py="28px">
      <chakra.h1 fontSize="xl">{work.title}</chakra.h1>
      <chakra.p color="quiet" mb="20px">
        {work.date} · for {work.shownName}
      </chakra.p>
      <TakenOffNotice takenOff={work.takenOff} />
      {work.rooms.length === 0 && <Empty>You have not been in a room yet.</Empty>}
      <Stack gap="28px">
        {work.rooms.map(room => (
          <chakra.section key={room.id} aria-label={room.name}>
            <chakra.h2 fontSize="l">{room.name}</chakra.h2>
            <chakra.p color="quiet" mb="12px">
              {room.members.join(', ')}
            </chakra.p>
            <Stack gap="16px">
              {work.board.prompts
                .filter(({ id }) => id in room.answers)
                .map(prompt => (
                  <Box key={prompt.id} bg="panel" borderWidth="1px" borderRadius="8px" p="12px">
                    <chakra.h3 fontSize="m" mb="6px">
                      {prompt.text}
                    </chakra.h3>
                    <AnswerView read={room.answers[prompt.id]} />
                    <CameLate late={room.late} promptId={prompt.id} />
                  </Box>
                ))}
            </Stack>
            <TalkThen lines={room.talk} />
          </chakra.section>
        ))}
      </Stack>
      <Box mt="28px">
        <WhatIsKept />
      </Box>
    </Box>
  )
}
