import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { Minus, Plus } from 'lucide-react'
import type * as Y from 'yjs'
import type { Prompt } from '~/core/boards/board'
import { cardsOf } from '~/core/boards/prompts/cards/document'
import { type Given, giveOwn, giveShared } from '~/core/boards/prompts/points/document'
import { points as pointsKind, sumOf, totalsOf } from '~/core/boards/prompts/points/points'
import { type Thing, thingsUnder } from '~/core/boards/prompts/points/things'
import { Button } from '../../ui/button'
import type { PromptSpaceProps } from '../prompt-space'
import { useAnswer, useShared } from '../use-shared'

/** Points are given to cards or lines: by each, or out of one sum of the group. What all gave shows beside them. */
export default function PointsSpace({
  prompt,
  connection: { doc },
  readOnly,
  full,
  myId,
  prompts,
}: PromptSpaceProps<'points'>) {
  const answer = useAnswer(doc, pointsKind, prompt)
  const { over, by, points } = prompt.settings
  const things = useThings(doc, over, prompts)
  const totals = totalsOf(answer)
  const own = answer.given.find(({ personId }) => personId === (by === 'group' ? null : myId))?.points ?? []
  const left = points - sumOf(own)
  const give = (one: Given) => {
    if (by === 'group') giveShared(doc, prompt.id, one)
    else if (myId) giveOwn(doc, prompt.id, myId, own, one)
  }
  // Points stay with what was taken away: whoever gave them can take them back.
  const gone = own.filter(({ id }) => !things.some(thing => thing.id === id))
  if (things.length === 0 && totals.length === 0) {
    return <chakra.p color="quiet">There is nothing yet to give points to.</chakra.p>
  }
  return (
    <Box maxW="640px">
      {!readOnly && (
        <chakra.p fontSize="s" mb="8px" role="status" color={left < 0 ? 'stop' : 'quiet'}>
          {left < 0
            ? `${-left} too many were given: take some back.`
            : by === 'group'
              ? `The group has ${left} of ${points} points left to give.`
              : `You have ${left} of ${points} points left to give.`}
        </chakra.p>
      )}
      <Stack as="ul" gap="6px" listStyleType="none" aria-label="Points">
        {[...things, ...gone].map(({ id, label }) => {
          const mine = own.find(given => given.id === id)?.count ?? 0
          const all = totals.find(given => given.id === id)?.count ?? 0
          return (
            <Flex
              as="li"
              key={id}
              gap="8px"
              align="center"
              bg="panel"
              borderWidth="1px"
              borderRadius="6px"
              px="10px"
              py="4px"
            >
              <chakra.span flex="1" overflowWrap="anywhere">
                {label}
              </chakra.span>
              {by === 'each' && (
                <chakra.span fontSize="s" color="quiet" fontVariantNumeric="tabular-nums">
                  {all === 1 ? '1 in all' : `${all} in all`}
                </chakra.span>
              )}
              {readOnly ? (
                by === 'group' && <b>{all}</b>
              ) : (
                <Flex align="center" gap="6px" role="group" aria-label={`Points for ${label}`}>
                  <Button
                    minH="40px"
                    px="10px"
                    disabled={mine === 0}
                    aria-label={`One less for ${label}`}
                    onClick={() => give({ id, label, count: mine - 1 })}
                  >
                    <Minus size={18} aria-hidden="true" />
                  </Button>
                  <chakra.b minW="22px" textAlign="center" fontVariantNumeric="tabular-nums">
                    {mine}
                  </chakra.b>
                  <Button
                    minH="40px"
                    px="10px"
                    disabled={full || left <= 0}
                    aria-label={`One more for ${label}`}
                    onClick={() => give({ id, label, count: mine + 1 })}
                  >
                    <Plus size={18} aria-hidden="true" />
                  </Button>
                </Flex>
              )}
            </Flex>
          )
        })}
      </Stack>
    </Box>
  )
}

/** What points are given to, in its order under an earlier prompt, as it reads now. */
function useThings(doc: Y.Doc, over: string, prompts: readonly Prompt[]): Thing[] {
  const to = prompts.find(({ id }) => id === over)
  // What can be added to it lies as cards do, whatever it is.
  const shown = useShared(cardsOf(doc, over) as unknown as Y.AbstractType<unknown>, () =>
    JSON.stringify(to ? thingsUnder(doc, to) : []),
  )
  return JSON.parse(shown)
}
