import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { ArrowDown, ArrowUp, Minus, Plus } from 'lucide-react'
import { LEAST, leaveOut, shorten } from '~/core/schedule/overrun'
import { LONGEST_SEGMENT } from '~/core/schedule/running-order'
import { Button } from '../../ui/button'
import type { LiveView, Send } from '../live-view'

type Order = NonNullable<LiveView['order']>

/** What has not happened yet, to be lengthened, skipped, moved and added to; and what could give when it gets late. */
export function OrderToCome({ order, over, send }: { order: Order; over: number; send: Send }) {
  const { segments } = order
  const toCome = segments.filter(({ startedAt }) => startedAt === null)
  const length = (id: string, minutes: number) =>
    send({ type: 'set-lengths', lengths: [{ segmentId: id, minutes }] })
  return (
    <Box
      bg="panel"
      borderWidth="1px"
      borderRadius="8px"
      p="12px"
      mt="8px"
      as="section"
      aria-label="Running order"
    >
      {over > 0 && <Proposals toCome={toCome} over={over} send={send} />}
      <Stack as="ol" gap="4px" listStyleType="none">
        {segments.map(({ id, name, minutes, startedAt, endedAt, skipped, kind }) => {
          const place = toCome.findIndex(one => one.id === id)
          const isNow = startedAt !== null && endedAt === null
          return (
            <Flex as="li" key={id} gap="6px" align="center" wrap="wrap" aria-label={name}>
              <chakra.span
                minW="180px"
                fontWeight={isNow ? '650' : undefined}
                color={endedAt !== null ? 'quiet' : undefined}
              >
                {skipped ? <chakra.s>{name}</chakra.s> : name}
              </chakra.span>
              <chakra.span minW="64px" fontVariantNumeric="tabular-nums">
                {minutes} min
              </chakra.span>
              {endedAt !== null && <chakra.span color="quiet">done</chakra.span>}
              {isNow && <chakra.span color="live">now</chakra.span>}
              {((isNow && kind !== 'rooms') || (place >= 0 && !skipped)) && (
                <>
                  <Button
                    size="small"
                    aria-label={`${name}: a minute less`}
                    disabled={minutes <= 1}
                    onClick={() => length(id, minutes - 1)}
                  >
                    <Minus size={14} aria-hidden="true" />
                  </Button>
                  <Button
                    size="small"
                    aria-label={`${name}: a minute more`}
                    disabled={minutes >= LONGEST_SEGMENT}
                    onClick={() => length(id, minutes + 1)}
                  >
                    <Plus size={14} aria-hidden="true" />
                  </Button>
                </>
              )}
              {place >= 0 && (
                <>
                  <Button
                    size="small"
                    aria-label={`${name}: earlier`}
                    disabled={place === 0}
                    onClick={() =>
                      send({ type: 'move-segment', segmentId: id, beforeId: toCome[place - 1]?.id ?? null })
                    }
                  >
                    <ArrowUp size={14} aria-hidden="true" />
                  </Button>
                  <Button
                    size="small"
                    aria-label={`${name}: later`}
                    disabled={place === toCome.length - 1}
                    onClick={() =>
                      send({ type: 'move-segment', segmentId: id, beforeId: toCome[place + 2]?.id ?? null })
                    }
                  >
                    <ArrowDown size={14} aria-hidden="true" />
                  </Button>
                  <Button
                    size="small"
                    onClick={() => send({ type: 'skip-segment', segmentId: id, skipped: !skipped })}
                  >
                    {skipped ? 'Put back' : 'Skip'}
                  </Button>
                </>
              )}
            </Flex>
          )
        })}
      </Stack>
      <Flex gap="8px" mt="10px" wrap="wrap">
        {ADD.map(([kind, words, minutes]) => (
          <Button
            key={kind}
            size="small"
            onClick={() =>
              send({ type: 'insert-segment', kind, name: '', minutes, beforeId: toCome[0]?.id ?? null })
            }
          >
            <Plus size={14} aria-hidden="true" /> {words} next
          </Button>
        ))}
      </Flex>
    </Box>
  )
}

const ADD = [
  ['whole', 'Whole group', 5],
  ['rooms', 'Rooms', 10],
  ['break', 'Break', 10],
] as const

/** What to shorten and by how much, or what to leave out. */
function Proposals({ toCome, over, send }: { toCome: Order['segments']; over: number; send: Send }) {
  const stretches = toCome
    .filter(({ skipped }) => !skipped)
    .map(({ id, minutes, kind }) => ({ id, minutes, least: Math.min(minutes, LEAST[kind]) }))
  const cuts = shorten(stretches, over)
  const out = toCome.find(({ id }) => id === leaveOut(stretches, over))
  const find = (id: string) => toCome.find(one => one.id === id)
  return (
    <Flex gap="8px" align="center" wrap="wrap" mb="10px">
      <chakra.b color="ask">{over} min late.</chakra.b>
      {cuts && (
        <Button
          size="small"
          onClick={() =>
            send({
              type: 'set-lengths',
              lengths: cuts.map(({ id, by }) => ({
                segmentId: id,
                minutes: (find(id)?.minutes ?? by + 1) - by,
              })),
            })
          }
        >
          Shorten {cuts.map(({ id, by }) => `${find(id)?.name} by ${by} min`).join(', ')}
        </Button>
      )}
      {out && (
        <Button size="small" onClick={() => send({ type: 'skip-segment', segmentId: out.id, skipped: true })}>
          Skip {out.name}
        </Button>
      )}
      {!cuts && !out && <span>What is to come cannot be shortened by that much.</span>}
    </Flex>
  )
}
