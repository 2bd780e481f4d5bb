import { chakra, Flex } from '@chakra-ui/react'
import { Link } from 'react-router'
import type { Deed } from '~/contracts/deeds'
import { Section } from '../../ui/layout'
import { When } from '../../ui/when'
import { deedText } from './deed-text'

/** Who did what with accounts, people, exports and removals, the latest first. */
export function Deeds({ deeds, more }: { deeds: Deed[]; more: boolean }) {
  const last = deeds.at(-1)
  return (
    <Section title="Who did what">
      <chakra.p color="quiet" fontSize="s" mb="8px">
        With accounts, people, downloads and removals. Nobody can change it; after 400 days an entry goes.
      </chakra.p>
      <chakra.ul listStyleType="none" m="0" p="0" aria-label="Who did what">
        {deeds.map(deed => (
          <chakra.li
            key={deed.id}
            display="grid"
            gridTemplateColumns={{ base: '1fr', md: '170px 1fr' }}
            columnGap="12px"
            py="5px"
            borderBottom="1px solid"
            borderColor="line"
            overflowWrap="anywhere"
          >
            <chakra.span color="quiet" fontSize="s">
              <When at={deed.at} />
            </chakra.span>
            <span>
              <b>{deed.byName}</b> {deedText(deed)}
            </span>
          </chakra.li>
        ))}
      </chakra.ul>
      <Flex gap="16px" mt="8px">
        {more && last && (
          <Link to={`?before=${last.id}`} preventScrollReset>
            Earlier
          </Link>
        )}
      </Flex>
    </Section>
  )
}
