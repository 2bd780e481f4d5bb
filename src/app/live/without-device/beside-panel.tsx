import { Box, Flex, Stack } from '@chakra-ui/react'
import { useEffect, useId, useState } from 'react'
import type { ParticipantView } from '~/core/live/views'
import { LONGEST_NAME } from '~/core/live/without-device/limits'
import { Button } from '../../ui/button'
import { Field, Input, Tick } from '../../ui/fields'
import type { SendFromPlace } from '../live-view'

interface BesidePanelProps {
  beside: ParticipantView['beside']
  joinCode: string
  /** Nobody can be put in any more, or not yet. */
  fixed: boolean
  send: SendFromPlace
}

/** Ticks for those at this device, and a field for one more. */
export default function BesidePanel({ beside, joinCode, fixed, send }: BesidePanelProps) {
  const [typed, setTyped] = useState('')
  /** Those whose tick was taken away stay in sight, to be ticked again. */
  const [gone, setGone] = useState<string[]>([])
  const away = gone.filter(name => !beside.some(each => each.shownName === name))
  const putIn = async (shownName: string) => {
    if (await send({ type: 'put-in-beside', shownName })) setTyped('')
  }
  const takeOut = async (id: string, shownName: string) => {
    if (await send({ type: 'take-out-beside', besideMeId: id }))
      setGone([...gone.filter(name => name !== shownName), shownName])
  }
  return (
    <Stack gap="8px" bg="panel" borderWidth="1px" borderRadius="8px" p="12px" mt="6px">
      <Stack as="ul" listStyleType="none" gap="0" aria-label="At this device">
        {beside.map(({ id, shownName }) => (
          <li key={id}>
            <Tick checked disabled={fixed} onChange={() => takeOut(id, shownName)}>
              {shownName}
            </Tick>
          </li>
        ))}
        {away.map(shownName => (
          <li key={shownName}>
            <Tick checked={false} disabled={fixed} onChange={() => putIn(shownName)}>
              {shownName}
            </Tick>
          </li>
        ))}
      </Stack>
      {!fixed && (
        <Flex
          as="form"
          gap="8px"
          align="flex-end"
          onSubmit={event => {
            event.preventDefault()
            putIn(typed)
          }}
        >
          <Box flex="1">
            <Field label="Who else is at this device?">
              {parts => <NameInput {...parts} code={joinCode} value={typed} onType={setTyped} />}
            </Field>
          </Box>
          <Button type="submit" disabled={typed.trim() === ''}>
            Add
          </Button>
        </Flex>
      )}
    </Stack>
  )
}

/** A name, with those still to come from the list offered while it is typed. */
function NameInput({
  code,
  onType,
  ...parts
}: { code: string; onType: (typed: string) => void } & React.ComponentProps<typeof Input>) {
  const list = useId()
  const [names, setNames] = useState<string[]>([])
  useEffect(() => {
    const abort = new AbortController()
    fetch(`/join/${code}/names`, { signal: abort.signal })
      .then(answer => (answer.ok ? answer.json() : []))
      .then((found: { shownName: string }[]) => setNames(found.map(({ shownName }) => shownName)))
      // Only what is offered is missing then; the name can be typed.
      .catch(() => {})
    return () => abort.abort()
  }, [code])
  const typed = String(parts.value ?? '').toLowerCase()
  const offered = typed === '' ? [] : names.filter(name => name.toLowerCase().startsWith(typed)).slice(0, 20)
  return (
    <>
      <Input
        {...parts}
        list={list}
        maxLength={LONGEST_NAME}
        autoComplete="off"
        onChange={event => onType(event.target.value)}
      />
      <datalist id={list}>
        {offered.map(name => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </>
  )
}
