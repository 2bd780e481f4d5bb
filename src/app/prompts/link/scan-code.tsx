import { chakra } from '@chakra-ui/react'
import { scanCode } from '~/core/boards/prompts/link/scan-code'

/** A code to scan that leads to an address; dark on light in every theme, which is what cameras read. */
export function ScanCode({ address, size }: { address: string; size: string }) {
  const code = scanCode(address)
  if (!code) return null
  const all = code.size + 8
  return (
    <chakra.svg
      role="img"
      aria-label="Code to scan"
      viewBox={`0 0 ${all} ${all}`}
      w={size}
      h={size}
      bg="white"
      borderRadius="4px"
      shapeRendering="crispEdges"
    >
      <path d={code.path} fill="black" transform="translate(4 4)" />
    </chakra.svg>
  )
}
