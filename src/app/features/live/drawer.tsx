import { Box, chakra, Flex } from '@chakra-ui/react'
import { ChevronLeft, ChevronRight, X } from 'lucide-react'
import { type ReactNode, useEffect, useRef } from 'react'
import { Button } from '../../ui/button'

interface DrawerProps {
  label: string
  title: string
  mark?: ReactNode
  /** Goes to what stands before it, or after it, where it is one of several; arrow keys in the head do the same. */
  onStep?: (by: 1 | -1) => void
  onClose: () => void
  children: ReactNode
}

/** What stands beside the lanes, and never over them; on a phone it is a page of its own. The title has the focus at first. */
export function Drawer({ label, title, mark, onStep, onClose, children }: DrawerProps) {
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus(), [])
  return (
    <Box
      as="aside"
      aria-label={label}
      w={{ base: 'auto', md: '380px' }}
      flexShrink="0"
      bg="paper"
      borderWidth="1px"
      borderColor="edge"
      borderRadius="8px"
      p="14px"
      overflowY="auto"
      position={{ base: 'fixed', md: 'sticky' }}
      inset={{ base: '0', md: 'auto' }}
      top={{ base: '0', md: '10px' }}
      maxH={{ base: '100dvh', md: 'calc(100vh - 130px)' }}
      zIndex={{ base: '20', md: 'auto' }}
      onKeyDown={event => event.key === 'Escape' && onClose()}
    >
      <Flex
        justify="space-between"
        align="center"
        gap="8px"
        mb="10px"
        onKeyDown={event => {
          const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
          if (by !== 0) onStep?.(by)
        }}
      >
        <Flex gap="8px" align="center" minW="0">
          {mark}
          <chakra.h2 ref={heading} tabIndex={-1} fontSize="l" overflowWrap="anywhere">
            {title}
          </chakra.h2>
        </Flex>
        <Flex gap="4px" flexShrink="0">
          {onStep && (
            <>
              <Button size="small" aria-label="Room before" title="Key: ←" onClick={() => onStep(-1)}>
                <ChevronLeft size={16} aria-hidden="true" />
              </Button>
              <Button size="small" aria-label="Next room" title="Key: →" onClick={() => onStep(1)}>
                <ChevronRight size={16} aria-hidden="true" />
              </Button>
            </>
          )}
          <Button size="small" onClick={onClose}>
            <X size={16} aria-hidden="true" /> Close
          </Button>
        </Flex>
      </Flex>
      {children}
    </Box>
  )
}
