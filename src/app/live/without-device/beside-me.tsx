import { Box, chakra } from '@chakra-ui/react'
import { type ComponentProps, Suspense, useState } from 'react'
import { whenMet } from '../../prompts/when-met'
import type Panel from './beside-panel'

const BesidePanel = whenMet(() => import('./beside-panel'))

interface BesideMeProps extends ComponentProps<typeof Panel> {
  /** The room of whose page this is; null when they have none. */
  ownRoom: string | null
}

/** Who else is at this device: ticked while they are, and named by whoever holds it. */
export function BesideMe({ ownRoom, ...panel }: BesideMeProps) {
  const { beside } = panel
  const [open, setOpen] = useState(false)
  return (
    <Box>
      <chakra.button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        cursor="pointer"
        color="live"
        textDecoration="underline"
        minH="32px"
      >
        {beside.length === 0
          ? 'Somebody beside you without a device?'
          : `Also at this device: ${beside.map(each => each.shownName).join(', ')}`}
      </chakra.button>
      {/* Whoever is in another room has nothing else to read it from. */}
      {beside
        .filter(each => each.room !== null && each.room !== ownRoom)
        .map(each => (
          <p key={each.id}>
            <b>{each.shownName}</b> is in {each.room}.
          </p>
        ))}
      {open && (
        <Suspense fallback={null}>
          <BesidePanel {...panel} />
        </Suspense>
      )}
    </Box>
  )
}
