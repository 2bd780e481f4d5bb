import { chakra, Grid, Stack } from '@chakra-ui/react'
import { Link, useSearchParams } from 'react-router'
import { STARTERS } from '~/core/boards/starters'

/** Boards to begin from, each with when it serves. Whoever came from a plan still goes back to it. */
export function Starters() {
  const [search] = useSearchParams()
  const leading = (key: string) => {
    const next = new URLSearchParams(search)
    next.set('from', key)
    return `?${next}`
  }
  const chosen = search.get('from')
  return (
    <chakra.details maxW="720px" mb="24px">
      <chakra.summary cursor="pointer" fontWeight="600" minH="30px">
        Begin from one of {STARTERS.length} starters
      </chakra.summary>
      <Grid
        as="ul"
        listStyleType="none"
        gap="8px"
        mt="8px"
        templateColumns="repeat(auto-fill, minmax(min(320px, 100%), 1fr))"
        aria-label="Starters"
      >
        {STARTERS.map(({ key, when, board }) => (
          <Stack as="li" key={key} gap="2px" borderWidth="1px" borderRadius="8px" bg="panel" p="10px">
            <chakra.span fontWeight="600" color="live">
              <Link to={leading(key)} aria-current={chosen === key || undefined} preventScrollReset>
                {board.title}
              </Link>
            </chakra.span>
            <chakra.span fontSize="s" color="quiet">
              {when}
            </chakra.span>
          </Stack>
        ))}
      </Grid>
    </chakra.details>
  )
}
