import { chakra, Flex } from '@chakra-ui/react'
import { useFetcher } from 'react-router'
import { Button } from '../../ui/button'
import { CopyLink } from '../../ui/copy-link'
import { Message } from '../../ui/layout'
import { When } from '../../ui/when'

/** A link by which somebody chooses their password; it is shown this once. */
export interface GivenLink {
  path: string
  name: string
  until: Date
}

export function OneTimeLink({ link: { path, name, until } }: { link: GivenLink }) {
  return (
    <Message kind="good">
      <Flex gap="12px" align="center" wrap="wrap">
        <span>
          A link for {name} to choose a password: hand it over yourself. It works once, until{' '}
          <When at={until} />, and is shown only now.
        </span>
        <CopyLink path={path} label={`link for ${name}`} />
      </Flex>
    </Message>
  )
}

/** For a co-facilitator who has forgotten their password. */
export function MakeOneTimeLink({ accountId, name }: { accountId: string; name: string }) {
  const fetcher = useFetcher<{ link: GivenLink | null }>()
  const link = fetcher.data?.link
  return (
    <>
      <fetcher.Form method="post">
        <input type="hidden" name="intent" value="one-time-link" />
        <input type="hidden" name="accountId" value={accountId} />
        <Button type="submit" size="small" kind="bare" aria-label={`Link for a new password for ${name}`}>
          New password
        </Button>
      </fetcher.Form>
      <chakra.div role="status" flexBasis={link ? '100%' : undefined}>
        {link && <OneTimeLink link={link} />}
      </chakra.div>
    </>
  )
}
