import { Box, chakra, Flex, Stack } from '@chakra-ui/react'
import { CalendarDays, ClipboardList, LayoutList, UsersRound } from 'lucide-react'
import type { ReactNode } from 'react'
import { Form, Link, NavLink } from 'react-router'
import { Button } from './button'

const PLACES = [
  { to: '/', name: 'Today', icon: CalendarDays },
  { to: '/cohorts', name: 'Cohorts', icon: UsersRound },
  { to: '/boards', name: 'Boards', icon: LayoutList },
  { to: '/sessions', name: 'Sessions', icon: ClipboardList },
]

const NavItem = chakra(NavLink, {
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '10px',
    px: '12px',
    py: '8px',
    borderRadius: '6px',
    color: 'ink',
    textDecoration: 'none',
    fontWeight: '600',
    _hover: { bg: 'sunk' },
    '&[aria-current=page]': { bg: 'liveWash', color: 'live' },
  },
})

/** The pages' frame for facilitators: the order of the work at the left, the page beside it. */
export function Frame({ displayName, children }: { displayName: string; children: ReactNode }) {
  return (
    <Flex minH="100vh" direction={{ base: 'column', md: 'row' }}>
      <chakra.a
        href="#page"
        position="absolute"
        left="-9999px"
        _focus={{ left: '8px', top: '8px', zIndex: 50, bg: 'panel', p: '8px' }}
      >
        Skip to the page
      </chakra.a>
      <Flex
        as="nav"
        aria-label="Main"
        direction={{ base: 'row', md: 'column' }}
        wrap="wrap"
        justify="space-between"
        w={{ md: '168px' }}
        flexShrink="0"
        borderRightWidth={{ md: '1px' }}
        borderBottomWidth={{ base: '1px', md: '0' }}
        p="12px"
        gap="8px"
        position={{ md: 'sticky' }}
        top="0"
        h={{ md: '100vh' }}
      >
        <Stack gap="4px" direction={{ base: 'row', md: 'column' }} wrap="wrap">
          {PLACES.map(({ to, name, icon: Icon }) => (
            <NavItem key={to} to={to} end={to === '/'}>
              <Icon size={18} aria-hidden="true" />
              {name}
            </NavItem>
          ))}
        </Stack>
        <Stack
          gap="4px"
          direction={{ base: 'row', md: 'column' }}
          align={{ base: 'center', md: 'stretch' }}
          fontSize="s"
        >
          <chakra.div px="12px" overflowWrap="anywhere">
            <Link to="/accounts">{displayName}</Link>
          </chakra.div>
          <Form method="post" action="/sign-out">
            <Button type="submit" kind="bare" size="small">
              Sign out
            </Button>
          </Form>
        </Stack>
      </Flex>
      <Box as="main" id="page" flex="1" minW="0" px={{ base: '16px', md: '28px' }} py="20px">
        {children}
      </Box>
    </Flex>
  )
}
