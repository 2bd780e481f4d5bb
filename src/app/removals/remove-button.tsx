import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { useFetcher } from 'react-router'
import type { RemovableKind } from '~/contracts/removals'
import { Button } from '../ui/button'

interface RemoveButtonProps {
  kind: RemovableKind
  id: string
  name: string
}

interface Answer {
  depends?: string
  problem?: string
  removed?: boolean
}

/** Removes something once it was said what depends on it. */
export function RemoveButton({ kind, id, name }: RemoveButtonProps) {
  const fetcher = useFetcher<Answer>()
  const [asking, setAsking] = useState(false)
  const submit = (intent: string) =>
    fetcher.submit({ intent, kind, id }, { method: 'post', action: '/removals' })
  const depends = fetcher.data?.depends
  if (!asking) {
    return (
      <Button
        size="small"
        kind="bare"
        aria-label={`Remove ${name}`}
        onClick={() => {
          setAsking(true)
          submit('ask')
        }}
      >
        Remove
      </Button>
    )
  }
  return (
    <Flex gap="8px" align="center" wrap="wrap" role="group" aria-label={`Remove ${name}?`}>
      <chakra.span role="status" fontSize="s">
        {fetcher.data?.problem ?? depends ?? 'Looking what depends on it…'}
      </chakra.span>
      {depends !== undefined && !fetcher.data?.problem && (
        <Button size="small" kind="stop" disabled={fetcher.state !== 'idle'} onClick={() => submit('remove')}>
          Remove it
        </Button>
      )}
      <Button size="small" onClick={() => setAsking(false)}>
        Keep it
      </Button>
    </Flex>
  )
}

/** What was removed, with the way back; looked up when it is opened, and again when something was removed since. */
export function RemovedFold({ kind, listed }: { kind: RemovableKind; listed: number }) {
  const list = useFetcher<{ removed: { id: string; name: string }[] }>()
  const back = useFetcher()
  const [open, setOpen] = useState(false)
  const { load } = list
  // biome-ignore lint/correctness/useExhaustiveDependencies: how many are listed says that something went or came.
  useEffect(() => {
    if (open) load(`/removals?kind=${kind}`)
  }, [open, kind, listed, load])
  const removed = list.data?.removed
  return (
    <chakra.details mt="12px" onToggle={event => setOpen(event.currentTarget.open)}>
      <chakra.summary cursor="pointer" color="quiet">
        Removed
      </chakra.summary>
      <Box py="8px">
        {removed === undefined && <chakra.p color="quiet">Looking…</chakra.p>}
        {removed?.length === 0 && <chakra.p color="quiet">Nothing was removed.</chakra.p>}
        <Stack as="ul" listStyleType="none" gap="4px" aria-label="Removed">
          {removed?.map(({ id, name }) => (
            <Flex as="li" key={id} gap="10px" align="center">
              {name}
              <Button
                size="small"
                aria-label={`Put back ${name}`}
                onClick={() =>
                  back.submit({ intent: 'put-back', kind, id }, { method: 'post', action: '/removals' })
                }
              >
                Put back
              </Button>
            </Flex>
          ))}
        </Stack>
      </Box>
    </chakra.details>
  )
}
