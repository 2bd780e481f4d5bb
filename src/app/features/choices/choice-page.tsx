import { Box, chakra, Grid } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { Form, Link, useRevalidator } from 'react-router'
import { Button, ButtonLink } from '../../ui/button'
import { Message, PageHead, Section, Tag } from '../../ui/layout'
import type { ChoiceView } from './choice-view'
import { SharedOut } from './shared-out'
import { WhoChose } from './who-chose'

interface ChoicePageProps extends ChoiceView {
  /** The column the answers were just kept as. */
  kept?: string
  problem?: string | null
}

const LOOK_AGAIN_MS = 5_000
/** A list of thousands is looked at again less often. */
const MANY = 500
const LOOK_AGAIN_AT_MANY_MS = 30_000

/** A choice as the facilitator sees it: the link, who chose what, and the groups that come of it. */
export function ChoicePage(props: ChoicePageProps) {
  const { choice, cohort, choiceId, link, count, kept, problem } = props
  const { revalidate } = useRevalidator()
  const [changing, setChanging] = useState<string | null>(null)
  const open = choice.phase === 'open'
  const question = choice.kind === 'question'
  useEffect(() => {
    if (!open || changing) return
    const wait = count > MANY ? LOOK_AGAIN_AT_MANY_MS : LOOK_AGAIN_MS
    const timer = setInterval(() => document.visibilityState === 'visible' && revalidate(), wait)
    return () => clearInterval(timer)
  }, [open, changing, count, revalidate])
  return (
    <>
      <PageHead title={choice.title} under={<Link to={`/cohorts/${cohort.id}`}>{cohort.name}</Link>}>
        <Tag kind={open ? 'live' : 'plain'}>{open ? 'open' : 'closed'}</Tag>
        <Form method="post">
          <input type="hidden" name="intent" value={open ? 'close' : 'reopen'} />
          <Button type="submit" kind={open ? 'main' : 'plain'}>
            {open ? 'Close the choice' : 'Open it again'}
          </Button>
        </Form>
        {question ? (
          <Form method="post">
            <input type="hidden" name="intent" value="keep" />
            <Button type="submit" kind={open ? 'plain' : 'main'}>
              Keep as a column
            </Button>
          </Form>
        ) : (
          <ButtonLink
            kind={open ? 'plain' : 'main'}
            to={`/cohorts/${cohort.id}/groupings/new?choice=${choiceId}`}
          >
            Make groups of it
          </ButtonLink>
        )}
      </PageHead>
      {kept && (
        <chakra.div mb="16px">
          <Message kind="good">
            The answers are kept as the column “{kept}”.{' '}
            <Link to={`/cohorts/${cohort.id}/groupings/new`}>Make groups</Link> mixed or alike by it.
          </Message>
        </chakra.div>
      )}
      {problem && (
        <chakra.div mb="16px">
          <Message kind="problem">{problem}</Message>
        </chakra.div>
      )}
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 300px' }} gap="28px" alignItems="start">
        <Box minW="0">
          <SharedOut {...props} />
          <WhoChose {...props} changing={changing} onChanging={setChanging} />
        </Box>
        <ParticipantsLink link={link} />
      </Grid>
    </>
  )
}

/** How participants come to it. */
function ParticipantsLink({ link }: Pick<ChoiceView, 'link'>) {
  return (
    <Section title="For participants">
      <chakra.p mb="8px">
        Whoever has this link chooses under a name of the list:
        <br />
        <chakra.a href={link.address} overflowWrap="anywhere">
          {link.address}
        </chakra.a>
      </chakra.p>
      <chakra.img src={link.image} alt="Code to scan that leads to the choice" w="220px" bg="white" p="6px" />
    </Section>
  )
}
