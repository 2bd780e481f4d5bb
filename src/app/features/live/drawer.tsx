import { Box, chakra, Flex } from '@chakra-ui/react'
import { X } from 'lucide-react'
import { type ReactNode, useEffect, useRef } from 'react'
import { Button } from '../../ui/button'

interface DrawerProps {
  label: string
  title: string
  mark?: ReactNode
  onClose: () => void
  children: ReactNode
}

/** What stands beside the lanes, and never over them; on a phone it is a page of its own. The title has the focus at first. */
export function Drawer({ label, title, mark, onClose, children }: DrawerProps) {
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
      <Flex justify="space-between" align="center" gap="8px" mb="10px">
        <Flex gap="8px" align="center" minW="0">
          {mark}
          <chakra.h2 ref={heading} tabIndex={-1} fontSize="l" overflowWrap="anywhere">
            {title}
          </chakra.h2>
        </Flex>
        <Button size="small" onClick={onClose}>
          <X size={16} aria-hidden="true" /> Close
        </Button>
      </Flex>
      {children}
    </Box>
  )
}
