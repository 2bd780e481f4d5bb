import { chakra, Stack } from '@chakra-ui/react'
import { ButtonLink } from '../../ui/button'

/** After the end: where to find again what was made. */
export default function Ended({ ownLink }: { ownLink: string }) {
  return (
    <Stack gap="16px" py="24px" align="flex-start">
      <chakra.h2 fontSize="l">The session has ended. Thank you.</chakra.h2>
      <p>What your rooms made is kept. This is your own link to it; keep it if you want to come back.</p>
      <ButtonLink kind="main" to={ownLink}>
        See what we made
      </ButtonLink>
    </Stack>
  )
}
