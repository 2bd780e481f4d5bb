import { Box, chakra, Grid } from '@chakra-ui/react'
import type { Mark, Remark } from '~/core/boards/prompts/drawing/document'
import { Ground, type GroundOf } from './ground'

/** What is drawn on where there is no picture. */
export const EMPTY_GROUND: readonly GroundOf[] = [{ file: null, title: '', width: 4, height: 3 }]

interface DrawnProps {
  grounds: readonly GroundOf[]
  remarks: readonly Remark[]
  marks: readonly Mark[]
}

const nothing = () => undefined

/** What was remarked and marked, to look at. */
export function Drawn({ grounds, remarks, marks }: DrawnProps) {
  return (
    <Box>
      <Grid gap="8px" templateColumns="repeat(auto-fit, minmax(min(240px, 100%), 1fr))">
        {grounds.map((ground, place) => (
          <Ground
            key={ground.on ?? place}
            on={ground.on ?? place}
            ground={ground}
            marks={marks}
            remarks={remarks}
            tool="look"
            colour={0}
            readOnly
            authorOf={nothing}
            onPlace={nothing}
            onMark={nothing}
            onErase={nothing}
            onPin={nothing}
          />
        ))}
      </Grid>
      <chakra.ol ps="1.6em" mt="6px" listStyleType="decimal">
        {remarks.map(({ id, text }) => (
          <chakra.li key={id} overflowWrap="anywhere" whiteSpace="pre-wrap">
            {text}
          </chakra.li>
        ))}
      </chakra.ol>
    </Box>
  )
}
