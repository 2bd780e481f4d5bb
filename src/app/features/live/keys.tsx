import { Box, chakra, Flex } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import { Button } from '../../ui/button'
import { Tick } from '../../ui/fields'
import { useSwitch } from '../../ui/use-kept'

const KEPT_AS = 'single-keys'

export interface SingleKeys {
  on: boolean
  set: (on: boolean) => void
}

/**
 * Single keys for what is said aloud. They can be switched off (WCAG 2.2, 2.1.4), never act while something is
 * typed, and none does what can't be undone. `?` always works: it is how one finds the switch.
 */
export function useSingleKeys(actions: Record<string, () => void>): SingleKeys {
  const [on, set] = useSwitch(KEPT_AS, true)
  const latest = useRef(actions)
  useEffect(() => {
    latest.current = actions
  })
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
      if (!on && event.key !== '?') return
      const action = latest.current[event.key]
      if (!action) return
      event.preventDefault()
      action()
    }
    window.addEventListener('keydown', listen)
    return () => window.removeEventListener('keydown', listen)
  }, [on])
  return { on, set }
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || target.closest(TYPED_IN) !== null)

// Nothing is typed into a tick.
const TYPED_IN =
  'input:not([type=checkbox]), textarea, select, [role=menu], [role=dialog], [role=alertdialog]'

const WORDS = [
  ['b', 'write a broadcast to everybody'],
  ['B', 'broadcast to some, later, or with something; what was said'],
  ['n', 'go on: send out, call back, begin what is next'],
  ['m', 'add a minute'],
  ['h', 'go to the room that calls for help'],
  ['r', 'open the room that needs you most'],
  ['w', 'show the wall in place of the lanes, and back'],
  ['/', 'find somebody'],
  ['← →', 'in an open room: the room before, the next; a visit goes along'],
  ['?', 'show or hide these keys'],
]

export function KeyHelp({ keys, onClose }: { keys: SingleKeys; onClose: () => void }) {
  return (
    <Box bg="panel" borderWidth="1px" borderRadius="8px" p="12px" mb="10px" role="region" aria-label="Keys">
      <Flex gap="20px" align="center" wrap="wrap">
        {WORDS.map(([key, words]) => (
          <span key={key}>
            <chakra.kbd bg="sunk" px="7px" py="1px" borderRadius="4px" fontWeight="650">
              {key}
            </chakra.kbd>{' '}
            {words}
          </span>
        ))}
        <Tick checked={keys.on} onChange={event => keys.set(event.target.checked)}>
          Single keys are on
        </Tick>
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </Flex>
    </Box>
  )
}
