import { Box, Flex } from '@chakra-ui/react'
import { useSearchParams } from 'react-router'
import { isWithin } from '~/core/schedule/days'
import { Button } from '../../ui/button'
import { Field, Input, Select } from '../../ui/fields'

interface Findable {
  /** The day on which it is where it is held, as `2026-11-03`. */
  day: string
  cohortName: string | null
}

/** Sessions between two days and of one cohort, as the address says: it can be kept and passed on. */
export function useFound<Session extends Findable>(sessions: Session[]): Session[] {
  const [search] = useSearchParams()
  const [from, to, cohort] = ['from', 'to', 'cohort'].map(name => search.get(name) ?? '')
  return sessions.filter(
    ({ day, cohortName }) => isWithin(day, from ?? '', to ?? '') && (!cohort || cohortName === cohort),
  )
}

/** Where the days and the cohort are said; words are found in the list itself. */
export function FindSessions({ sessions }: { sessions: Findable[] }) {
  const [search, setSearch] = useSearchParams()
  const set = (name: string, value: string) =>
    setSearch(
      before => {
        const next = new URLSearchParams(before)
        if (value === '') next.delete(name)
        else next.set(name, value)
        return next
      },
      { replace: true, preventScrollReset: true },
    )
  const cohorts = [...new Set(sessions.flatMap(({ cohortName }) => cohortName ?? []))].sort((one, other) =>
    one.localeCompare(other, 'en'),
  )
  const isNarrowed = ['from', 'to', 'cohort'].some(name => search.has(name))
  return (
    <Flex gap="12px" align="flex-end" wrap="wrap" mb="12px">
      {(['From', 'To'] as const).map(label => (
        <Box key={label} w="160px">
          <Field label={label}>
            {parts => (
              <Input
                {...parts}
                type="date"
                value={search.get(label.toLowerCase()) ?? ''}
                onChange={event => set(label.toLowerCase(), event.target.value)}
              />
            )}
          </Field>
        </Box>
      ))}
      <Box w="220px">
        <Field label="Cohort">
          {parts => (
            <Select
              {...parts}
              value={search.get('cohort') ?? ''}
              onChange={event => set('cohort', event.target.value)}
            >
              <option value="">any, or none</option>
              {cohorts.map(name => (
                <option key={name} value={name}>
                  {name}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </Box>
      {isNarrowed && <Button onClick={() => setSearch({}, { replace: true })}>Show all</Button>}
    </Flex>
  )
}
