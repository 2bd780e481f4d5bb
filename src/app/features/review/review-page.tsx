import { Box, chakra, Flex, Grid, Stack, Table } from '@chakra-ui/react'
import { Download } from 'lucide-react'
import { useFetcher } from 'react-router'
import { Legend } from '../../lanes/legend'
import { Track } from '../../lanes/track'
import { Button } from '../../ui/button'
import { CopyLink } from '../../ui/copy-link'
import { Message, Section } from '../../ui/layout'
import { RoomMark } from '../../ui/room-mark'
import type { Review } from './review'
import { SideBySide } from './side-by-side'
import { WhatWasAsked, WhatWasCommented } from './what-was-asked'
import { WhatWasReported } from './what-was-reported'
import { WhatWasObserved, WhatWasSaid } from './what-was-said'
import { WhoCame } from './who-came'

export function ReviewPage({ review }: { review: Review }) {
  return (
    <>
      {review.session.phase === 'open' && (
        <Box mb="16px">
          <Message>The session is still running; this is how it stands now.</Message>
        </Box>
      )}
      <Flex justify="space-between" align="center" gap="12px" mb="16px" wrap="wrap">
        <Flex gap="8px" wrap="wrap" align="center">
          <Files sessionId={review.session.id} />
        </Flex>
        {review.session.phase === 'ended' && <Reviewed reviewed={review.session.reviewed} />}
      </Flex>
      <SideBySide sessionId={review.session.id} board={review.board} rooms={review.rooms} />
      {review.office ? (
        <WhoCame office={review.office} timeZone={review.session.timeZone} />
      ) : (
        <WholeLanes review={review} />
      )}
      <WhatWasObserved observed={review.observed} timeZone={review.session.timeZone} />
      <WhatWasReported reported={review.reported} />
      <WhatWasAsked asked={review.asked} />
      <WhatWasCommented commented={review.commented} timeZone={review.session.timeZone} />
      <WhatWasSaid said={review.said} timeZone={review.session.timeZone} />
      <TakingPart people={review.people} />
    </>
  )
}

const FILES = [
  { file: 'review.md', name: 'All of it (Markdown)' },
  { file: 'answers.csv', name: 'Answers (CSV)' },
  { file: 'people.csv', name: 'Who took part (CSV)' },
  { file: 'questions.csv', name: 'Questions (CSV)' },
]

function Files({ sessionId }: { sessionId: string }) {
  return FILES.map(({ file, name }) => (
    <chakra.a
      key={file}
      href={`/sessions/${sessionId}/review/${file}`}
      download
      display="inline-flex"
      alignItems="center"
      gap="6px"
      px="8px"
      py="5px"
    >
      <Download size={16} aria-hidden="true" /> {name}
    </chakra.a>
  ))
}

function Reviewed({ reviewed }: { reviewed: boolean }) {
  const fetcher = useFetcher()
  return (
    <fetcher.Form method="post">
      <input type="hidden" name="reviewed" value={reviewed ? 'no' : 'yes'} />
      <Button type="submit" kind={reviewed ? 'plain' : 'main'}>
        {reviewed ? 'Put back among the unfinished' : 'Done with the review'}
      </Button>
    </fetcher.Form>
  )
}

/** The session's lanes, complete: from its opening to its end, every round with its edge. */
function WholeLanes({ review }: { review: Review }) {
  const first = review.rounds[0]?.startedAt ?? review.openedAt
  const last = review.rounds.at(-1)?.endedAt ?? review.endedAt
  const margin = Math.max(10_000, (last - first) * 0.02)
  const span = {
    from: Math.max(review.openedAt, first - margin),
    to: Math.min(review.endedAt, last + margin),
    edges: review.rounds.map(round => round.endedAt),
  }
  return (
    <Section title="Lanes">
      {review.rounds.length === 0 ? (
        <p>Nobody was sent out in this session.</p>
      ) : (
        <Stack gap="6px">
          {review.rooms.map((room, index) => (
            <Grid key={room.id} templateColumns="180px 1fr" gap="10px" alignItems="center">
              <Flex gap="8px" align="center" minW="0">
                <RoomMark index={index} />
                <chakra.span fontWeight="600">{room.name}</chakra.span>
              </Flex>
              <Track span={span} runningAt={null} pulse={room.pulse} marks={room.marks} />
            </Grid>
          ))}
          <Legend />
        </Stack>
      )}
    </Section>
  )
}

function TakingPart({ people }: { people: Review['people'] }) {
  const minutes = (milliseconds: number) => `${Math.round(milliseconds / 60_000)} min`
  return (
    <Section title="Who took part">
      <chakra.div overflowX="auto" tabIndex={0} role="region" aria-label="Who took part">
        <Table.Root>
          <Table.Header>
            <Table.Row>
              <Table.ColumnHeader>Name</Table.ColumnHeader>
              <Table.ColumnHeader>Rooms</Table.ColumnHeader>
              <Table.ColumnHeader>Present</Table.ColumnHeader>
              <Table.ColumnHeader>In rooms</Table.ColumnHeader>
              <Table.ColumnHeader>Pieces of work</Table.ColumnHeader>
              <Table.ColumnHeader>Own link</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {people.map(person => (
              <Table.Row key={person.id}>
                <Table.Cell fontWeight="600">{person.shownName}</Table.Cell>
                <Table.Cell>
                  {person.rooms.join(', ') || <chakra.span color="quiet">none</chakra.span>}
                </Table.Cell>
                <Table.Cell>
                  {person.presentMs > 0 ? (
                    minutes(person.presentMs)
                  ) : (
                    <chakra.span color="quiet">was not here</chakra.span>
                  )}
                </Table.Cell>
                <Table.Cell>{minutes(person.inRoomsMs)}</Table.Cell>
                <Table.Cell>{person.contributions}</Table.Cell>
                <Table.Cell>
                  {person.reviewToken && <OwnLink token={person.reviewToken} name={person.shownName} />}
                </Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </chakra.div>
    </Section>
  )
}

/** A participant's own link, for whoever has lost theirs: it shows the rooms they were in, and nothing of any other. */
function OwnLink({ token, name }: { token: string; name: string }) {
  const path = `/mine/${token}`
  return (
    <Flex gap="8px" align="center" wrap="wrap">
      <a href={path} aria-label={`What ${name} sees`}>
        Open
      </a>
      <CopyLink path={path} label={`own link of ${name}`} />
    </Flex>
  )
}
