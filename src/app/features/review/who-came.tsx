import { chakra, Table } from '@chakra-ui/react'
import type { OfficeThen } from '~/core/review/office'
import { roughLength } from '~/core/schedule/lengths'
import { dateFields, shortMoment, timeOfDay } from '~/core/schedule/session-time'
import { Section } from '../../ui/layout'

/** Who came to office hours, about what, and how long they waited and stayed. */
export function WhoCame({ office, timeZone }: { office: OfficeThen; timeZone: string }) {
  const { visits, meanStayMs, meanWaitMs, stillInLine } = office
  const isOneDay = new Set(visits.map(({ at }) => dateFields(at, timeZone).date)).size < 2
  const momentOf = isOneDay ? timeOfDay : shortMoment
  return (
    <Section title="Who came">
      {visits.length === 0 ? (
        <p>Nobody came.</p>
      ) : (
        <>
          <chakra.p mb="8px">
            {meanStayMs !== null && `They stayed ${lengthOf(meanStayMs)} on average`}
            {meanWaitMs !== null && `, after waiting ${lengthOf(meanWaitMs)} in line`}.
          </chakra.p>
          <chakra.div overflowX="auto" tabIndex={0} role="region" aria-label="Who came">
            <Table.Root>
              <Table.Header>
                <Table.Row>
                  <Table.ColumnHeader>At</Table.ColumnHeader>
                  <Table.ColumnHeader>Name</Table.ColumnHeader>
                  <Table.ColumnHeader>About</Table.ColumnHeader>
                  <Table.ColumnHeader>Waited</Table.ColumnHeader>
                  <Table.ColumnHeader>Stayed</Table.ColumnHeader>
                </Table.Row>
              </Table.Header>
              <Table.Body>
                {visits.map(({ at, names, about, waitedMs, stayedMs }) => (
                  <Table.Row key={at}>
                    <Table.Cell fontVariantNumeric="tabular-nums">{momentOf(at, timeZone)}</Table.Cell>
                    <Table.Cell fontWeight="600">{names.join(', ')}</Table.Cell>
                    <Table.Cell overflowWrap="anywhere">{about}</Table.Cell>
                    <Table.Cell>
                      {waitedMs === null ? (
                        <chakra.span color="quiet">had a time</chakra.span>
                      ) : (
                        lengthOf(waitedMs)
                      )}
                    </Table.Cell>
                    <Table.Cell>{lengthOf(stayedMs)}</Table.Cell>
                  </Table.Row>
                ))}
              </Table.Body>
            </Table.Root>
          </chakra.div>
        </>
      )}
      {stillInLine.length > 0 && (
        <chakra.p mt="8px">Still in line at the end: {stillInLine.join(', ')}.</chakra.p>
      )}
    </Section>
  )
}

const lengthOf = (milliseconds: number) =>
  milliseconds < 60_000 ? 'under a minute' : roughLength(milliseconds)
