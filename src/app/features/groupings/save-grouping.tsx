import { Box, chakra, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { useFetcher, useSearchParams } from 'react-router'
import type { Group } from '~/core/grouping/grouping'
import type { Aim } from '~/core/grouping/rules'
import { Button, ButtonLink } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { Message } from '../../ui/layout'
import type { GroupedPerson } from './grouped-person'

type SaveResult = { ok: true; version: number } | { ok: false; message: string }

interface SaveGroupingProps {
  cohortId: string
  kept: { id: string; name: string; version: number } | null
  groups: Group[]
  /** What the groups were made by. */
  asked: { aims: Aim[]; offRuleIds: string[]; heldIds: string[] }
  people: Map<string, GroupedPerson>
}

/** Name and save; a kept grouping can also be saved as another one, and used for a session. */
export function SaveGrouping({ cohortId, kept, groups, asked, people }: SaveGroupingProps) {
  const fetcher = useFetcher<SaveResult>()
  const [search] = useSearchParams()
  const [name, setName] = useState(kept?.name ?? '')
  const result = fetcher.data
  const alone = groups.filter(group => group.personIds.length === 1)
  const save = (asNew: boolean) => {
    const version = asNew || !kept ? null : result?.ok ? Math.max(result.version, kept.version) : kept.version
    const action = asNew || !kept ? `/cohorts/${cohortId}/groupings/new` : undefined
    fetcher.submit(JSON.stringify({ name, groups, ...asked, version }), {
      method: 'post',
      action,
      encType: 'application/json',
    })
  }
  const savedNow = result?.ok || (result === undefined && search.has('saved'))
  return (
    <Box borderTopWidth="1px" pt="16px">
      {alone.length > 0 && (
        <Box mb="12px">
          <Message kind="problem">
            {alone
              .map(group => `${people.get(group.personIds[0] ?? '')?.shownName} is alone in ${group.name}`)
              .join('; ')}
            .
          </Message>
        </Box>
      )}
      <Flex gap="12px" align="flex-start" wrap="wrap">
        <Box w="320px">
          <Field label="Name of the grouping" errors={result && !result.ok ? [result.message] : undefined}>
            {parts => (
              <Input
                {...parts}
                value={name}
                maxLength={80}
                placeholder="Stations, autumn evenings"
                onChange={event => setName(event.target.value)}
              />
            )}
          </Field>
        </Box>
        <Flex gap="8px" pt="24px" align="center" wrap="wrap">
          <Button kind="main" onClick={() => save(false)} disabled={fetcher.state !== 'idle'}>
            {kept ? 'Save' : 'Save the grouping'}
          </Button>
          {kept && (
            <>
              <Button onClick={() => save(true)}>Save as another</Button>
              <ButtonLink to={`/sessions/new?grouping=${kept.id}`}>Plan a session with it</ButtonLink>
            </>
          )}
          <chakra.span role="status" color="live" fontWeight="600">
            {fetcher.state !== 'idle' ? 'Saving…' : savedNow ? 'Saved.' : ''}
          </chakra.span>
        </Flex>
      </Flex>
    </Box>
  )
}
