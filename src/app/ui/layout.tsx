import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { moveByArrows } from './list-keys'

/** Head of a page: what it is, what belongs to it, and its one main action at the right. */
export function PageHead({
  title,
  under,
  children,
}: {
  title: ReactNode
  under?: ReactNode
  children?: ReactNode
}) {
  return (
    <Flex justify="space-between" align="flex-end" gap="16px" wrap="wrap" mb="20px">
      <Box minW="0">
        <chakra.h1 fontSize="xl" overflowWrap="anywhere">
          {title}
        </chakra.h1>
        {under && <chakra.div color="quiet">{under}</chakra.div>}
      </Box>
      <Flex gap="8px" wrap="wrap" align="center">
        {children}
      </Flex>
    </Flex>
  )
}

/** A stretch of a page with its own heading. */
export function Section({
  title,
  children,
  aside,
}: {
  title: string
  children: ReactNode
  aside?: ReactNode
}) {
  return (
    <chakra.section mb="28px">
      <Flex justify="space-between" align="baseline" gap="12px" mb="10px">
        <chakra.h2 fontSize="l">{title}</chakra.h2>
        {aside}
      </Flex>
      {children}
    </chakra.section>
  )
}

/** What an empty place says: what to do first. */
export function Empty({ children }: { children: ReactNode }) {
  return (
    <Box borderWidth="1px" borderStyle="dashed" borderColor="edge" borderRadius="8px" p="24px" color="quiet">
      {children}
    </Box>
  )
}

/** A list of links, one a row; arrow keys move. */
export function Rows({ children, label }: { children: ReactNode; label: string }) {
  return (
    <Stack
      as="ul"
      aria-label={label}
      gap="0"
      listStyleType="none"
      borderTopWidth="1px"
      onKeyDown={moveByArrows}
    >
      {children}
    </Stack>
  )
}

export function Row({ children }: { children: ReactNode }) {
  return (
    <Flex as="li" align="center" gap="16px" py="10px" px="4px" borderBottomWidth="1px" wrap="wrap">
      {children}
    </Flex>
  )
}

/** A message about something that just happened or went wrong, read out when it appears. */
export function Message({
  kind = 'plain',
  children,
}: {
  kind?: 'plain' | 'good' | 'problem'
  children: ReactNode
}) {
  const look = {
    plain: { bg: 'sunk', borderColor: 'edge' },
    good: { bg: 'liveWash', borderColor: 'live' },
    problem: { bg: 'askWash', borderColor: 'ask' },
  }[kind]
  return (
    <Box
      role={kind === 'problem' ? 'alert' : 'status'}
      borderLeftWidth="4px"
      px="14px"
      py="10px"
      borderRadius="4px"
      {...look}
    >
      {children}
    </Box>
  )
}

/** A small word that says in what state something is. */
export function Tag({ children, kind = 'plain' }: { children: ReactNode; kind?: 'plain' | 'live' | 'ask' }) {
  const look = {
    plain: { bg: 'sunk', color: 'ink' },
    live: { bg: 'live', color: 'onLive' },
    ask: { bg: 'ask', color: 'onAsk' },
  }[kind]
  return (
    <chakra.span
      px="8px"
      py="1px"
      borderRadius="4px"
      fontSize="s"
      fontWeight="600"
      whiteSpace="nowrap"
      maxW="100%"
      overflow="hidden"
      textOverflow="ellipsis"
      {...look}
    >
      {children}
    </chakra.span>
  )
}
