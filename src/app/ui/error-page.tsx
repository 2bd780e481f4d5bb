import { Box, chakra, Stack } from '@chakra-ui/react'
import { Link } from 'react-router'

/** A page for what could not be shown, with the way back. */
export function ErrorPage({ title, message }: { title: string; message?: string }) {
  return (
    <Box as="main" maxW="560px" mx="auto" px="24px" py="80px">
      <Stack gap="16px">
        <chakra.h1 fontSize="xl">{title}</chakra.h1>
        <p>
          {message ??
            'Nothing was changed. Go back and try again; if it stays so, tell whoever runs this server.'}
        </p>
        <p>
          <Link to="/">Go to the start</Link>
        </p>
      </Stack>
    </Box>
  )
}
