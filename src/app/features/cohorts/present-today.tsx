import { chakra, Flex } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { useFetcher } from 'react-router'
import { type Presence, presentOn } from '~/core/people/presence'
import { Button } from '../../ui/button'
import { useToday } from '../../ui/use-today'
import { formWith } from './person'

export interface PresentToday {
  /** Ids of who is here, in list order; null while nobody has been ticked today. */
  here: string[] | null
  set: (personIds: string[]) => void
  tick: (personId: string, isHere: boolean) => void
  takeFrom: (sessionId: string) => void
}

/**
 * Who is here today, as the list keeps it; what was ticked last shows at once. Ticks come faster than they are saved: one
 * list is on its way at a time, and the latest follows it, so that they cannot overtake each other.
 */
export function usePresentToday(people: { id: string }[], presence: Presence | null): PresentToday {
  const today = useToday()
  const fetcher = useFetcher()
  /** What was ticked and is not saved yet; null when nothing is. */
  const [wanted, setWanted] = useState<string[] | null>(null)
  const latest = useRef<string[] | null>(null)
  const sent = useRef<string[] | null>(null)
  const submit = (form: FormData) => {
    form.set('day', today ?? '')
    fetcher.submit(form, { method: 'post' })
  }
  const saved = today ? presentOn(presence, today, people) : null
  const here = wanted ? presentOn({ day: today ?? '', personIds: wanted }, today ?? '', people) : saved
  useEffect(() => {
    if (fetcher.state !== 'idle' || wanted === null) return
    if (sent.current === wanted) {
      sent.current = null
      latest.current = null
      setWanted(null)
      return
    }
    sent.current = wanted
    submit(formWith('presence', wanted))
  })
  const set = (personIds: string[]) => {
    latest.current = personIds
    setWanted(personIds)
  }
  return {
    here,
    set,
    tick: (personId, isHere) => {
      const others = (latest.current ?? here ?? []).filter(id => id !== personId)
      set(isHere ? [...others, personId] : others)
    },
    takeFrom: sessionId => {
      const form = formWith('presence-from-session', [])
      form.set('sessionId', sessionId)
      submit(form)
    },
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
      <Button size="small" onClick={() => present.set([])}>
        {here ? 'Nobody' : 'Mark one by one'}
      </Button>
      {running.map(session => (
        <Button key={session.id} size="small" onClick={() => present.takeFrom(session.id)}>
          Who is in “{session.title}” now
        </Button>
      ))}
      {here && <chakra.span color="quiet">Groups can be made of these, or of the whole list.</chakra.span>}
    </Flex>
  )
}
