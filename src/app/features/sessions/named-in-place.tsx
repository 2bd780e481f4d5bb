import { chakra, Flex } from '@chakra-ui/react'
import { Pencil } from 'lucide-react'
import { useState } from 'react'
import { useRevalidator } from 'react-router'
import { LONGEST_TITLE } from '~/core/live/session/session'
import { ask } from '../../live-client/ask'
import { Button } from '../../ui/button'
import { Input } from '../../ui/fields'

/** The title of a running session, which is changed where it stands. */
export function NamedInPlace({ session }: { session: { id: string; title: string } }) {
  const [typed, setTyped] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const { revalidate } = useRevalidator()
  if (typed === null) {
    return (
      <Flex align="center" gap="4px">
        <chakra.h1 fontSize="l">{session.title}</chakra.h1>
        <Button
          size="small"
          kind="bare"
          aria-label="Rename the session"
          onClick={() => setTyped(session.title)}
        >
          <Pencil size={16} aria-hidden="true" />
        </Button>
      </Flex>
    )
  }
  const save = async () => {
    const answer = await ask(`/sessions/${session.id}/commands`, { type: 'rename-session', title: typed })
    setProblem(answer.ok ? null : answer.message)
    if (!answer.ok) return
    setTyped(null)
    await revalidate()
  }
  return (
    <Flex
      as="form"
      gap="8px"
      align="center"
      wrap="wrap"
      onSubmit={event => {
        event.preventDefault()
        save()
      }}
    >
      <chakra.h1 srOnly>{session.title}</chakra.h1>
      <Input
        aria-label="Title of the session"
        aria-invalid={problem !== null}
        autoFocus
        maxLength={LONGEST_TITLE}
        w={{ base: '200px', md: '320px' }}
        value={typed}
        onChange={event => setTyped(event.target.value)}
        onKeyDown={event => event.key === 'Escape' && setTyped(null)}
      />
      <Button type="submit" size="small">
        Save
      </Button>
      <chakra.span role="status" color="stop" fontWeight="600" fontSize="s">
        {problem}
      </chakra.span>
    </Flex>
  )
}
