import { chakra, Flex } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import { useFetcher } from 'react-router'
import { type Presence, presentOn } from '~/core/people/presence'
import { Button } from '../../ui/button'
import { newId } from '../../ui/by-chance'
import { useToday } from '../../ui/use-today'
import { formWith } from './person'

export interface PresentToday {
  /** Ids of who is here, in list order; null while nobody has been ticked today. */
  here: string[] | null
  set: (personIds: string[]) => void
  /** To be ticked one by one, by several at once: what another has ticked already stays. */
  begin: () => void
  tick: (personId: string, isHere: boolean) => void
  takeFrom: (sessionId: string) => void
  /** Why the last could not be done. */
  problem: string | undefined
}

/**
 * Who is here today, as the list keeps it; what was ticked last shows at once. Each list of ticks is sent as it is made, with
 * its number: one that overtakes another on its way is not undone by it.
 */
export function usePresentToday(people: { id: string }[], presence: Presence | null): PresentToday {
  const today = useToday()
  const fetcher = useFetcher<{ problem: string } | null>()
  const sending = fetcher.formData?.has('tick') ? fetcher.formData : undefined
  const latest = sending
    ? { day: String(sending.get('day')), personIds: sending.getAll('personId').map(String) }
    : presence
  const submit = (form: FormData) => {
    form.set('day', today ?? '')
    fetcher.submit(form, { method: 'post', action: 'presence' })
  }
  const here = today ? presentOn(latest, today, people) : null
  // Ticks may come faster than the page is drawn anew: each starts from the one before, not from what was drawn. Only once
  // the last of them has been seen on its way, and is no longer, does what was drawn say it.
  const ticks = useRef({ from: '', number: 0 })
  const last = useRef<string[] | null>(null)
  /** Whom the ticks that are on their way are about; null for everybody. What others tick meanwhile is theirs. */
  const ticked = useRef<string[] | null>([])
  const seen = useRef(0)
  const onItsWay = Number(sending?.get('number') ?? 0)
  useEffect(() => {
    if (onItsWay > 0) seen.current = onItsWay
    else if (seen.current === ticks.current.number) {
      last.current = null
      ticked.current = []
    }
  })
  const send = (personIds: string[]) => {
    last.current = personIds
    ticks.current.from ||= newId()
    ticks.current.number += 1
    const form = formWith('set', personIds)
    form.set('tick', JSON.stringify(ticks.current))
    form.set('number', String(ticks.current.number))
    if (ticked.current) form.set('ticked', ticked.current.join(' '))
    submit(form)
  }
  return {
    here,
    set: personIds => {
      ticked.current = null
      send(personIds)
    },
    begin: () => send([]),
    tick: (personId, isHere) => {
      ticked.current?.push(personId)
      const others = (last.current ?? here ?? []).filter(id => id !== personId)
      send(isHere ? [...others, personId] : others)
    },
    takeFrom: sessionId => {
      const form = new FormData()
      form.set('sessionId', sessionId)
      submit(form)
    },
    problem: fetcher.data?.problem,
  }
}

interface PresenceBarProps {
  people: { id: string }[]
  present: PresentToday
  running: { id: string; title: string }[]
}

export function PresenceBar({ people, present, running }: PresenceBarProps) {
  const { here } = present
  return (
    <Flex gap="10px" align="center" wrap="wrap" mb="10px">
      <span>
        <b>Here today: </b>
        {here ? `${here.length} of ${people.length}` : 'not marked yet'}
      </span>
      <Button size="small" onClick={() => present.set(people.map(person => person.id))}>
        {here ? 'Everybody' : 'Mark everybody'}
      </Button>
      <Button size="small" onClick={() => (here ? present.set([]) : present.begin())}>
        {here ? 'Nobody' : 'Mark one by one'}
      </Button>
      {running.map(session => (
        <Button key={session.id} size="small" onClick={() => present.takeFrom(session.id)}>
          Who is in “{session.title}” now
        </Button>
      ))}
      <chakra.span role="status">{present.problem}</chakra.span>
      {here && <chakra.span color="quiet">Groups can be made of these, or of the whole list.</chakra.span>}
    </Flex>
  )
}
