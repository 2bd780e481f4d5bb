import { chakra, Grid, Stack } from '@chakra-ui/react'
import { Form } from 'react-router'
import { STARTERS } from '~/core/boards/starters'
import { Section } from '../../ui/layout'

/** Boards to begin from, each with when it serves. */
export const Starters = () => (
  <Section title={`From one of ${STARTERS.length} starters`}>
    <Grid
      as="ul"
      listStyleType="none"
      gap="8px"
      templateColumns="repeat(auto-fill, minmax(min(270px, 100%), 1fr))"
      aria-label="Starters"
    >
      {STARTERS.map(({ key, when, board }) => (
        <Stack as="li" key={key} gap="2px" borderWidth="1px" borderRadius="8px" bg="panel" p="10px">
          <Form method="post">
            <chakra.button
              type="submit"
              name="starter"
              value={key}
              fontWeight="600"
              color="live"
              cursor="pointer"
              minH="24px"
              textAlign="left"
              _hover={{ textDecoration: 'underline' }}
            >
              {board.title}
            </chakra.button>
          </Form>
          <chakra.span fontSize="s" color="quiet">
            {when}
          </chakra.span>
        </Stack>
      ))}
    </Grid>
  </Section>
)
