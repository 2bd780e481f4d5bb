import { Box, chakra, Flex } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { useFetcher, useSearchParams } from 'react-router'
import type { GroupingContent, GroupingVersion } from '~/contracts/grouping'
import type { Group } from '~/core/grouping/grouping'
import { Button, ButtonLink } from '../../../ui/button'
import { Field, Input } from '../../../ui/fields'
import { Message } from '../../../ui/layout'
import { CompareGroups } from '../groups/compare-groups'
import type { GroupedPerson } from '../groups/grouped-person'

type SaveResult = { ok: true; version: number } | { ok: false; message: string; theirs?: GroupingVersion }

interface SaveGroupingProps {
  cohortId: string
  kept: { id: string; name: string } | null
  /** The version that what is here goes on from; null for a new grouping. */
  base: number | null
  groups: Group[]
  /** All that is kept beside the name and the groups. */
  content: Omit<GroupingContent, 'name'>
  people: Map<string, GroupedPerson>
  /** What is here is that version now, saved or taken; what somebody else saves after it is another's. */
  onSaved: (version: number) => void
  /** Takes what somebody else saved meanwhile. */
  onTake: (version: GroupingVersion) => void
}

/** Name and save; a kept grouping can also be saved as another one, and used for a session. */
export function SaveGrouping(props: SaveGroupingProps) {
  const { cohortId, kept, base, groups, content, people, onSaved, onTake } = props
  const fetcher = useFetcher<SaveResult>()
  const [search] = useSearchParams()
  const [name, setName] = useState(kept?.name ?? '')
  const result = fetcher.data
  const alone = groups.filter(group => group.personIds.length === 1)
  /** What somebody else saved since this page was opened; until it is settled, saving is refused. */
  const theirs = result && !result.ok ? result.theirs : undefined
  const saved = fetcher.state === 'idle' && result?.ok ? result.version : null
  useEffect(() => {
    if (saved !== null) onSaved(saved)
  }, [saved, onSaved])
  const save = (asNew: boolean, over?: number) => {
    const version = asNew || !kept ? null : (over ?? base)
    const action = asNew || !kept ? `/cohorts/${cohortId}/groupings/new` : undefined
    fetcher.submit(JSON.stringify({ ...content, name, version }), {
      method: 'post',
      action,
      encType: 'application/json',
    })
  }
  const busy = fetcher.state !== 'idle'
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
      {theirs && (
        <Box mb="16px">
          <Message kind="problem">
            {theirs.savedBy} saved this grouping while you were changing it. Nothing is lost: here are both.
          </Message>
          <Box my="12px">
            <CompareGroups
              before={{ title: `What ${theirs.savedBy} saved`, groups: theirs.content.groups }}
              after={{ title: 'Yours, not saved yet', groups }}
              name={id => people.get(id)?.shownName ?? 'somebody who left'}
            />
          </Box>
          <Flex gap="8px" wrap="wrap">
            <Button
              onClick={() => {
                onSaved(theirs.version)
                onTake(theirs)
                fetcher.reset()
              }}
            >
              Take theirs
            </Button>
            <Button onClick={() => save(false, theirs.version)} disabled={busy}>
              Save mine; theirs stays among the versions
            </Button>
          </Flex>
        </Box>
      )}
      <Flex gap="12px" align="flex-start" wrap="wrap">
        <Box w="320px">
          <Field
            label="Name of the grouping"
            errors={result && !result.ok && !theirs ? [result.message] : undefined}
          >
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
          <Button kind="main" onClick={() => save(false)} disabled={busy}>
            {kept ? 'Save' : 'Save the grouping'}
          </Button>
          {kept && (
            <>
              <Button onClick={() => save(true)} disabled={busy}>
                Save as another
              </Button>
              <ButtonLink to={`/sessions/new?grouping=${kept.id}`}>Plan a session with it</ButtonLink>
            </>
          )}
          <chakra.span role="status" color="live" fontWeight="600">
            {busy ? 'Saving…' : savedNow ? 'Saved.' : ''}
          </chakra.span>
        </Flex>
      </Flex>
    </Box>
  )
}
