import { chakra, Flex } from '@chakra-ui/react'
import { NavLink } from 'react-router'
import { NamedInPlace } from './named-in-place'
import { RehearsalBar, type RunningRehearsal } from './rehearsal/rehearsal-bar'

const Tab = chakra(NavLink, {
  base: {
    px: '14px',
    py: '6px',
    fontWeight: '600',
    color: 'ink',
    textDecoration: 'none',
    borderBottomWidth: '3px',
    borderColor: 'transparent',
    '&[aria-current=page]': { borderColor: 'live', color: 'live' },
  },
})

interface SessionHeadProps {
  session: { id: string; title: string; when: string; timeZone: string; phase: 'planned' | 'open' | 'ended' }
  /** It is only tried out; null for a real one. */
  rehearsal: RunningRehearsal | null
}

/** Title of a session, and its three views in the order of the work. */
export function SessionHead({ session, rehearsal }: SessionHeadProps) {
  const base = `/sessions/${session.id}`
  return (
    <>
      {rehearsal && <RehearsalBar sessionId={session.id} rehearsal={rehearsal} />}
      <Flex
        as="header"
        justify="space-between"
        align="flex-end"
        gap={{ base: '0 16px', md: '16px' }}
        wrap="wrap"
        borderBottomWidth="1px"
        mb={{ base: '8px', md: '16px' }}
      >
        <Flex pb={{ base: '2px', md: '8px' }} gap="0 12px" align="baseline" wrap="wrap">
          {session.phase === 'open' ? (
            <NamedInPlace key={session.title} session={session} />
          ) : (
            <chakra.h1 fontSize="l">{session.title}</chakra.h1>
          )}
          <chakra.div color="quiet" fontSize="s" display={{ base: 'none', md: 'block' }}>
            {session.when} ({session.timeZone.replaceAll('_', ' ')})
          </chakra.div>
        </Flex>
        <Flex as="nav" aria-label="Session">
          <Tab to={rehearsal ? `/sessions/${rehearsal.ofId}` : base} end>
            Plan
          </Tab>
          {session.phase !== 'planned' && <Tab to={`${base}/live`}>Live</Tab>}
          {session.phase !== 'planned' && <Tab to={`${base}/review`}>Review</Tab>}
        </Flex>
      </Flex>
    </>
  )
}
